package app.denfold.server.chasing.plans;

import jakarta.persistence.LockModeType;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface SendingRulesRepository extends CrudRepository<KeptSendingRules, Boolean> {

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select r from KeptSendingRules r")
    KeptSendingRules lock();
}
