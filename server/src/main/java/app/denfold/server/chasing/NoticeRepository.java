package app.denfold.server.chasing;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface NoticeRepository extends CrudRepository<Notice, UUID> {

    List<Notice> findByFileIdOrderByQueuedAtDesc(UUID fileId, Limit limit);

    List<Notice> findAllByOrderByQueuedAtDesc(Limit limit);

    /** Held until the transaction ends. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select n from Notice n where n.id = :id")
    Optional<Notice> lock(UUID id);

    /** Messages whose time has come, and those whose sender was never heard of again. */
    @Query("""
            select n.id from Notice n where
            (n.state = app.denfold.server.chasing.Notice.State.QUEUED and n.queuedAt < :stuckSince
              and (n.notBefore is null or n.notBefore <= :now))
            or (n.state = app.denfold.server.chasing.Notice.State.FAILED and n.notBefore <= :now)
            or (n.state = app.denfold.server.chasing.Notice.State.SENDING and n.claimedAt < :stuckSince)
            order by n.queuedAt
            """)
    List<UUID> findDue(Instant now, Instant stuckSince, Limit limit);

    /** What could not be sent of what this account wrote, the newest first. */
    @Query("""
            select n from Notice n where n.state = app.denfold.server.chasing.Notice.State.FAILED
            and (n.queuedById = :account or :everyones = true) and n.queuedAt > :since order by n.queuedAt desc
            """)
    List<Notice> findFailed(UUID account, boolean everyones, Instant since, Limit limit);

    Optional<Notice> findFirstByFileIdAndPurposeAndQueuedOnOrderByQueuedAtDesc(
            UUID fileId, String purpose, LocalDate day);
}
