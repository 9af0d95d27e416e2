package app.denfold.server.keeping;

import jakarta.persistence.LockModeType;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface KeptPeriodsRepository extends CrudRepository<KeptPeriods, Boolean> {

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select p from KeptPeriods p")
    KeptPeriods lock();
}
