package app.denfold.server.marks;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface PaperMarkRepository extends CrudRepository<PaperMark, UUID> {

    boolean existsByDocumentId(UUID documentId);

    /** In the order of the pages. */
    @Query("""
            select m from PaperMark m where m.documentId = :document and m.version = :version
            order by m.page, m.placeTop, m.placeLeft, m.id
            """)
    List<PaperMark> findOnVersion(UUID document, int version);

    @Query("select distinct m.documentId from PaperMark m where m.documentId in :documents and m.kind = 'COVER'")
    Set<UUID> findCovered(Collection<UUID> documents);

    @Query("select max(m.version) from PaperMark m where m.documentId = :document")
    Optional<Integer> findNewestMarked(UUID document);

    /** On the newest version of each document of a file that has marks there, but those in the wastebasket. */
    @Query("""
            select m from PaperMark m join FiledDocument d on d.id = m.documentId
            where d.fileId = :file and d.discardedAt is null
            and m.version = (select max(n.version) from PaperMark n where n.documentId = m.documentId)
            order by m.documentId, m.page, m.placeTop, m.placeLeft, m.id
            """)
    List<PaperMark> findOfFile(UUID file);
}
