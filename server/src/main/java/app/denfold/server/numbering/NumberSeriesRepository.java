package app.denfold.server.numbering;

import jakarta.persistence.LockModeType;
import java.util.Optional;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface NumberSeriesRepository extends CrudRepository<NumberSeries, String> {

    @Modifying
    @Query(value = "insert into number_series values (:series, 1) on conflict do nothing", nativeQuery = true)
    void addUnlessThere(String series);

    /** Held until the transaction ends: of two who number at once, the second goes on where the first ended. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select s from NumberSeries s where s.series = :series")
    Optional<NumberSeries> lock(String series);
}
