package app.denfold.server.excerpts;

import java.util.List;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface ExcerptRepository extends CrudRepository<Excerpt, UUID> {

    boolean existsByDocumentId(UUID documentId);

    /** Of the documents of a file, but those in the wastebasket; the last picked first. */
    @Query("""
            select e from Excerpt e join FiledDocument d on d.id = e.documentId
            where d.fileId = :file order by e.at desc, e.id
            """)
    List<Excerpt> findOfFile(UUID file);
}
