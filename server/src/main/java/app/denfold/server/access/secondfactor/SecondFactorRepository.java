package app.denfold.server.access.secondfactor;

import jakarta.persistence.LockModeType;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface SecondFactorRepository extends CrudRepository<SecondFactor, UUID> {

    /** One code is looked at after the other, so that none is taken twice. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select f from SecondFactor f where f.accountId = :accountId")
    Optional<SecondFactor> lock(UUID accountId);
}
