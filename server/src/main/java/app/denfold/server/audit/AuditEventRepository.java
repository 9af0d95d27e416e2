package app.denfold.server.audit;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface AuditEventRepository extends Repository<AuditEvent, Long> {

    Iterable<AuditEvent> saveAll(Iterable<AuditEvent> events);

    void flush();

    Optional<AuditEvent> findFirstByOrderBySeqDesc();

    List<AuditEvent> findByFileIdInOrderBySeqDesc(Collection<UUID> fileIds, Limit limit);

    List<AuditEvent> findByActorIdAndFileIdInOrderBySeqDesc(UUID actorId, Collection<UUID> fileIds, Limit limit);

    /** What others did since a moment, newest first; looks, sign-ins and what colleagues were told by mail left out. */
    @Query("""
            select e from AuditEvent e where e.at > :since and e.fileId is not null and e.actorId <> :except
            and e.action not in ('looked', 'opened', 'downloaded', 'colleague-told') order by e.seq desc
            """)
    List<AuditEvent> findSince(Instant since, UUID except, Limit most);

    @Query("select e from AuditEvent e order by e.seq")
    Stream<AuditEvent> streamAll();

    Optional<AuditEvent> findBySeq(long seq);

    /** Held until the transaction ends, so that rows are chained one after the other. */
    @Query(value = "select count(*) from (select pg_advisory_xact_lock(710001)) as held", nativeQuery = true)
    long lockChain();
}
