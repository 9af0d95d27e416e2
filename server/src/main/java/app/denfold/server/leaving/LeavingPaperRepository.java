package app.denfold.server.leaving;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface LeavingPaperRepository extends CrudRepository<LeavingPaper, UUID> {

    /** Never given to two, also where it was not used in the end. */
    @Query(value = "select nextval('leaving_copy_number')", nativeQuery = true)
    long nextNumber();

    /** Held until the transaction ends. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select c from LeavingPaper c where c.id = :id")
    Optional<LeavingPaper> findToGive(UUID id);

    boolean existsBySha256(String sha256);

    List<LeavingPaper> findByDocumentId(UUID documentId);

    List<LeavingPaper> findByDocumentIdInAndGivenAtIsNotNullOrderByNumber(Collection<UUID> documentIds);

    /** Those of a mail, in the order in which they were drafted. */
    List<LeavingPaper> findByMailIdOrderByNumber(UUID mailId);

    List<LeavingPaper> findByMailIdInOrderByNumber(Collection<UUID> mailIds);

    /** Those that were given, of the papers of a file, the last first. */
    @Query("""
            select c from LeavingPaper c join FiledDocument d on d.id = c.documentId
            where d.fileId = :file and c.givenAt is not null
            order by c.givenAt desc, c.number desc
            """)
    List<LeavingPaper> findGivenOfFile(UUID file);

    @Query("select c from LeavingPaper c where c.givenAt is null and c.draftedAt < :before")
    List<LeavingPaper> findLeftSince(Instant before);
}
