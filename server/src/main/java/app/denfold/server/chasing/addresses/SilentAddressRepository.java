package app.denfold.server.chasing.addresses;

import java.util.List;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.ListCrudRepository;

interface SilentAddressRepository extends ListCrudRepository<SilentAddress, SilentAddress.Key> {

    @Query("select a from SilentAddress a where a.key.cause = :cause order by a.since desc")
    List<SilentAddress> findByCause(SilentAddress.Cause cause);
}
