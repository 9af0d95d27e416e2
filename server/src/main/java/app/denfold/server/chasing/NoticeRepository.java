package app.denfold.server.chasing;

import jakarta.persistence.LockModeType;
import jakarta.persistence.QueryHint;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.jpa.repository.QueryHints;
import org.springframework.data.repository.ListCrudRepository;

interface NoticeRepository extends ListCrudRepository<Notice, UUID> {

    String LOCK_TIMEOUT = "jakarta.persistence.lock.timeout";
    String SKIP_LOCKED = "-2";

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

    /** Each mail that chased somebody since a day and was not given up. */
    @Query("""
            select new app.denfold.server.chasing.Outbox$ChasedOn(n.mailbox, n.queuedOn) from Notice n
            where n.mailbox is not null and n.queuedOn >= :day
            and n.state <> app.denfold.server.chasing.Notice.State.CANCELLED and n.cameBack = false
            """)
    List<Outbox.ChasedOn> findChasedSince(LocalDate day);

    boolean existsByMailboxAndQueuedOnAndStateNot(String mailbox, LocalDate day, Notice.State state);

    /** The newest mail that was sent to each of these mailboxes; PostgreSQL's distinct on, which HQL has not. */
    @Query(value = """
                    select distinct on (mailbox) id from notice
                    where mailbox in (:mailboxes) and state = 'SENT' and queued_on >= :since
                    order by mailbox, queued_at desc
                    """, nativeQuery = true)
    List<UUID> findNewestTo(Collection<String> mailboxes, LocalDate since);

    Optional<Notice> findByLinkHash(String hash);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select n from Notice n where n.linkHash = :hash")
    Optional<Notice> lockByLinkHash(String hash);

    /** Those about a file, and those that tell of it among others, the newest first. */
    @Query("""
            select n from Notice n where n.fileId = :file
            or n.id in (select t.noticeId from Told t where t.fileId = :file) order by n.queuedAt desc
            """)
    List<Notice> findAboutFile(UUID file, Limit limit);

    /** Mails that chase, the newest first, page by page. */
    @Query("select n from Notice n where n.mailbox is not null and n.queuedAt < :before order by n.queuedAt desc")
    List<Notice> findChasing(Instant before, Limit limit);

    /** A file of which a mail tells. */
    interface TellsOf {
        UUID getNotice();

        UUID getFile();
    }

    @Query("select t.noticeId as notice, t.fileId as file from Told t where t.noticeId in :notices")
    List<TellsOf> findFilesOf(Collection<UUID> notices);

    /** Takes the words out of mails that went out and tell of this file among others. */
    @Modifying(flushAutomatically = true)
    @Query("""
            update versioned Notice n set n.subject = 'About several people',
            n.body = 'One of the files of which this told was destroyed; its words went with it.'
            where n.state in (app.denfold.server.chasing.Notice.State.SENT, app.denfold.server.chasing.Notice.State.CANCELLED)
            and exists (select 1 from Told t where t.noticeId = n.id and t.fileId = :file)
            and exists (select 1 from Told o where o.noticeId = n.id and o.fileId <> :file)
            """)
    void blankShared(UUID file);

    /** Counts them to another of the files of which they tell; any of them will do, for which HQL has no word. */
    @Modifying(flushAutomatically = true)
    @Query(value = """
                    update notice n set version = version + 1,
                      file_id = (select o.file_id from told o where o.notice_id = n.id and o.file_id <> :file limit 1)
                    where n.file_id = :file
                    and exists (select 1 from told o where o.notice_id = n.id and o.file_id <> :file)
                    """, nativeQuery = true)
    void handOnShared(UUID file);
}
