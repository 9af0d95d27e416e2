package app.denfold.server.portal;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

final class PortalRepositories {

    private PortalRepositories() {}

    interface Rights extends CrudRepository<GuestRight, UUID> {
        List<GuestRight> findByFileId(UUID fileId);

        List<GuestRight> findByAccountId(UUID accountId);

        Optional<GuestRight> findByAccountIdAndFileId(UUID accountId, UUID fileId);
    }

    interface Shares extends CrudRepository<Share, UUID> {
        List<Share> findByFileIdAndWithdrawnAtIsNullOrderBySharedAtDesc(UUID fileId);

        List<Share> findByAccountIdAndFileIdAndWithdrawnAtIsNull(UUID accountId, UUID fileId);

        List<Share> findByAccountIdAndWithdrawnAtIsNullOrderBySharedAtDesc(UUID accountId);

        List<Share> findByDocumentIdAndWithdrawnAtIsNull(UUID documentId);

        void deleteByDocumentId(UUID documentId);

        Optional<Share> findByAccountIdAndDocumentIdAndWithdrawnAtIsNull(UUID accountId, UUID documentId);
    }

    interface Asks extends CrudRepository<Ask, UUID> {
        List<Ask> findByFileIdAndWithdrawnAtIsNullOrderByAskedAt(UUID fileId);
    }
}
