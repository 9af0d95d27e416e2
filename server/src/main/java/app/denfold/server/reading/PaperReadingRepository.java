package app.denfold.server.reading;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface PaperReadingRepository extends CrudRepository<PaperReading, String> {

    /** Hashes of papers to be read: what holds words needs no recognition and goes first, then the longest waiting. */
    @Query("""
            select r.sha256 from PaperReading r, Content c
            where c.sha256 = r.sha256 and r.state = QUEUED
            and (:alsoFiled = true or r.filed = false)
            and (r.notBefore is null or r.notBefore <= :now) and (r.heldUntil is null or r.heldUntil <= :now)
            order by case when c.mediaType = 'application/pdf' or c.mediaType like 'image/%' then 1 else 0 end,
            r.filed, r.askedAt limit 8
            """)
    List<String> findQueued(boolean alsoFiled, Instant now);

    /** Holds a paper that waits and that nobody else holds. @return 1 when it is held now, else 0 */
    @Modifying
    @Query("""
            update PaperReading r set r.heldBy = :by, r.heldUntil = :until where r.sha256 = :sha256
            and r.state = QUEUED
            and (r.heldUntil is null or r.heldUntil <= :now)
            """)
    int hold(String sha256, UUID by, Instant now, Instant until);

    @Modifying
    @Query("update PaperReading r set r.heldUntil = :until where r.heldBy = :by and r.heldUntil is not null")
    int holdLonger(UUID by, Instant until);

    @Modifying
    @Query("update PaperReading r set r.heldUntil = null, r.heldBy = null where r.sha256 = :sha256 and r.heldBy = :by")
    int release(String sha256, UUID by);

    @Modifying
    @Query("delete from PaperReading r where r.sha256 = :sha256")
    void remove(String sha256);

    List<PaperReading> findBySha256In(Collection<String> hashes);

    /** Held until the transaction ends; empty when the paper was destroyed meanwhile. */
    @Query(value = "select * from paper_reading where sha256 = :sha256 for update", nativeQuery = true)
    Optional<PaperReading> lock(String sha256);
}
