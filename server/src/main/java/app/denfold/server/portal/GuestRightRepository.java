package app.denfold.server.portal;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

interface GuestRightRepository extends CrudRepository<GuestRight, UUID> {
    List<GuestRight> findByFileId(UUID fileId);

    List<GuestRight> findByAccountId(UUID accountId);

    Optional<GuestRight> findByAccountIdAndFileId(UUID accountId, UUID fileId);
}
