package app.denfold.server.numbering;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface NumberSetRepository extends CrudRepository<NumberSet, UUID> {

    Optional<NumberSet> findByJobId(UUID jobId);

    @Query("select s from NumberSet s where s.series = :series and s.first <= :number and s.last >= :number")
    Optional<NumberSet> findWith(String series, long number);

    /** The newest first. */
    List<NumberSet> findByIdInOrderByAtDesc(Collection<UUID> ids);
}
