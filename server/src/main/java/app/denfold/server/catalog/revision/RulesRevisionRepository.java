package app.denfold.server.catalog.revision;

import jakarta.persistence.LockModeType;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

public interface RulesRevisionRepository extends CrudRepository<RulesRevision, Short> {
    @Query("select r.revision from RulesRevision r")
    long current();

    @Query("select r.slotsRevision from RulesRevision r")
    long currentOfSlots();

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select r from RulesRevision r")
    RulesRevision lock();
}
