package app.denfold.server.chasing;

import jakarta.persistence.LockModeType;
import jakarta.persistence.QueryHint;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.jpa.repository.QueryHints;
import org.springframework.data.repository.ListCrudRepository;

interface NoticeRepository extends ListCrudRepository<Notice, UUID> {

    String LOCK_TIMEOUT = "jakarta.persistence.lock.timeout";
    String SKIP_LOCKED = "-2";

    List<Notice> findByFileIdOrderByQueuedAtDesc(UUID fileId, Limit limit);

    List<Notice> findAllByOrderByQueuedAtDesc(Limit limit);

    /** Those whose time has come, the oldest first, held until the transaction ends; not those that others hold. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @QueryHints(@QueryHint(name = LOCK_TIMEOUT, value = SKIP_LOCKED))
    @Query("""
            select n from Notice n where
            (n.state = app.denfold.server.chasing.Notice.State.QUEUED and (n.notBefore is null or n.notBefore <= :now))
            or (n.state = app.denfold.server.chasing.Notice.State.FAILED and n.notBefore <= :now)
            order by n.queuedAt
            """)
    List<Notice> lockDue(Instant now, Limit limit);

    /** Those whose sender was never heard of again, held likewise. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @QueryHints(@QueryHint(name = LOCK_TIMEOUT, value = SKIP_LOCKED))
    @Query("""
            select n from Notice n where n.state = app.denfold.server.chasing.Notice.State.SENDING
            and n.claimedAt < :before order by n.queuedAt
            """)
    List<Notice> lockStuck(Instant before, Limit limit);

    /** What could not be sent of what this account wrote, the newest first. */
    @Query("""
            select n from Notice n where n.state = app.denfold.server.chasing.Notice.State.FAILED
            and (n.queuedById = :account or :everyones = true) and n.queuedAt > :since order by n.queuedAt desc
            """)
    List<Notice> findFailed(UUID account, boolean everyones, Instant since, Limit limit);

    Optional<Notice> findFirstByFileIdAndPurposeAndQueuedOnOrderByQueuedAtDesc(
            UUID fileId, String purpose, LocalDate day);
}
