package app.denfold.server.portal;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;

public interface GuestRightRepository extends JpaRepository<GuestRight, UUID> {
    List<GuestRight> findByFileId(UUID fileId);

    List<GuestRight> findByAccountId(UUID accountId);

    Optional<GuestRight> findByAccountIdAndFileId(UUID accountId, UUID fileId);
}
