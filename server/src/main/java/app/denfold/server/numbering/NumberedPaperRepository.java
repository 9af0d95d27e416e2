package app.denfold.server.numbering;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface NumberedPaperRepository extends CrudRepository<NumberedPaper, UUID> {

    List<NumberedPaper> findBySetIdOrderByPlace(UUID setId);

    List<NumberedPaper> findByDocumentId(UUID documentId);

    boolean existsByCopySha256(String sha256);

    @Query("select p from NumberedPaper p where p.setId = :set and p.first <= :number and p.first + p.pages > :number")
    Optional<NumberedPaper> findWith(UUID set, long number);

    /** Sets in which a paper of a file has numbers. */
    @Query(
            "select distinct p.setId from NumberedPaper p join FiledDocument d on d.id = p.documentId where d.fileId = :file")
    List<UUID> findSetsOfFile(UUID file);
}
