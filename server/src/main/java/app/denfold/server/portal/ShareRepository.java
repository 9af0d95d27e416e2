package app.denfold.server.portal;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

public interface ShareRepository extends CrudRepository<Share, UUID> {
    List<Share> findByFileIdAndWithdrawnAtIsNullOrderBySharedAtDesc(UUID fileId);

    List<Share> findByAccountIdAndFileIdAndWithdrawnAtIsNull(UUID accountId, UUID fileId);

    List<Share> findByAccountIdAndWithdrawnAtIsNullOrderBySharedAtDesc(UUID accountId);

    List<Share> findByDocumentIdAndWithdrawnAtIsNull(UUID documentId);

    void deleteByDocumentId(UUID documentId);

    Optional<Share> findByAccountIdAndDocumentIdAndWithdrawnAtIsNull(UUID accountId, UUID documentId);
}
