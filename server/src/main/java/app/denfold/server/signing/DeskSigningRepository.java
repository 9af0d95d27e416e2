package app.denfold.server.signing;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.repository.CrudRepository;

interface DeskSigningRepository extends CrudRepository<DeskSigning, UUID> {

    Optional<DeskSigning> findByDocumentIdAndState(UUID documentId, DeskSigning.State state);

    /** Held until the transaction ends. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    Optional<DeskSigning> findLockedById(UUID id);

    List<DeskSigning> findByDocumentIdOrderByStartedAt(UUID documentId);

    void deleteByDocumentId(UUID documentId);
}
