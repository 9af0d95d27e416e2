package app.denfold.server.reading;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface PaperReadingRepository extends CrudRepository<PaperReading, String> {

    /** Hashes of papers to be read: what holds words needs no recognition and goes first, then the longest waiting. */
    @Query("""
            select r.sha256 from PaperReading r, Content c
            where c.sha256 = r.sha256 and r.state = app.denfold.server.reading.PaperReading.State.QUEUED
            and (:alsoFiled = true or r.filed = false)
            order by case when c.mediaType = 'application/pdf' or c.mediaType like 'image/%' then 1 else 0 end,
            r.filed, r.askedAt limit 8
            """)
    List<String> findQueued(boolean alsoFiled);

    @Query("select count(r) > 0 from PaperReading r where r.sha256 = :sha256"
            + " and r.state = app.denfold.server.reading.PaperReading.State.QUEUED")
    boolean isQueued(String sha256);

    List<PaperReading> findBySha256In(Collection<String> hashes);

    /** Held until the transaction ends; empty when the paper was destroyed meanwhile. */
    @Query(value = "select * from paper_reading where sha256 = :sha256 for update", nativeQuery = true)
    Optional<PaperReading> lock(String sha256);
}
