package app.denfold.server.arrivals;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface ArrivalRepository extends CrudRepository<Arrival, UUID> {

    /** As they came; parts of a batch in their order. */
    @Query("select a from Arrival a where a.state in :states order by a.receivedAt, a.place, a.id")
    List<Arrival> findInStates(Collection<Arrival.State> states);

    List<Arrival> findByAccountIdAndSourceOrderByReceivedAtDesc(UUID accountId, Arrival.Source source);

    /** The parts of a batch that show, and the batch itself, in their order. */
    @Query("select a from Arrival a where a.id = :batch or a.batchId = :batch order by a.place, a.id")
    List<Arrival> findBatch(UUID batch);

    List<Arrival> findBySha256AndState(String sha256, Arrival.State state);

    boolean existsByOrigin(String origin);

    Optional<Arrival> findByOrigin(String origin);

    boolean existsBySourceAndBroughtByAndFileNameAndSha256(
            Arrival.Source source, String broughtBy, String fileName, String sha256);
}
