package app.denfold.server.signing;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

interface DeskSigningRepository extends CrudRepository<DeskSigning, UUID> {

    Optional<DeskSigning> findByDocumentIdAndState(UUID documentId, DeskSigning.State state);

    List<DeskSigning> findByDocumentIdOrderByStartedAt(UUID documentId);

    void deleteByDocumentId(UUID documentId);
}
