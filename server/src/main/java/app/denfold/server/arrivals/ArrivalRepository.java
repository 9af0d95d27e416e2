package app.denfold.server.arrivals;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

public interface ArrivalRepository extends CrudRepository<Arrival, UUID> {

    /** As they came; parts of a batch in their order. */
    @Query("select a from Arrival a where a.state in :states order by a.receivedAt, a.place, a.id")
    List<Arrival> findInStates(Collection<Arrival.State> states);

    List<Arrival> findByAccountIdAndSourceOrderByReceivedAtDesc(UUID accountId, Arrival.Source source);

    /** The parts of a batch that show, and the batch itself, in their order. */
    @Query("select a from Arrival a where a.id = :batch or a.batchId = :batch order by a.place, a.id")
    List<Arrival> findBatch(UUID batch);

    List<Arrival> findBySha256AndState(String sha256, Arrival.State state);

    List<Arrival> findByDocumentId(UUID documentId);

    boolean existsByOrigin(String origin);

    Optional<Arrival> findByOrigin(@Nullable String origin);

    /** What an account filed last, all papers of that one filing; nothing when that was before {@code since}. */
    @Query("""
            select a from Arrival a where a.handledById = :account and a.state = app.denfold.server.arrivals.Arrival.State.FILED
            and a.handledAt >= :since and a.handledAt = (select max(b.handledAt) from Arrival b
              where b.handledById = :account and b.state = app.denfold.server.arrivals.Arrival.State.FILED)
            order by a.id
            """)
    List<Arrival> findLastFiled(UUID account, Instant since);

    /** How many wait, all of them. */
    long countByState(Arrival.State state);

    /** How many wait that are not, and do not seem to be, of one of these types; cover sheets name theirs by code. */
    @Query("""
            select count(a) from Arrival a where a.state = app.denfold.server.arrivals.Arrival.State.WAITING
            and (a.suggestedType is null or a.suggestedType not in :hidden)
            and (a.proposedType is null or a.proposedType not in :hidden)
            and (a.coverType is null or a.coverType not in :hidden)
            """)
    long countWaitingExcept(Collection<String> hidden);
}
