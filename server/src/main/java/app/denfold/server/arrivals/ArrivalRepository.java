package app.denfold.server.arrivals;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

interface ArrivalRepository extends CrudRepository<Arrival, UUID> {

    List<Arrival> findByStateInOrderByReceivedAt(Collection<Arrival.State> states);

    List<Arrival> findByAccountIdAndSourceOrderByReceivedAtDesc(UUID accountId, Arrival.Source source);

    boolean existsBySourceAndBroughtByAndFileNameAndSha256(
            Arrival.Source source, String broughtBy, String fileName, String sha256);
}
