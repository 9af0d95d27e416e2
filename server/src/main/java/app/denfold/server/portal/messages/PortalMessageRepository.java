package app.denfold.server.portal.messages;

import java.util.List;
import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

interface PortalMessageRepository extends CrudRepository<PortalMessage, UUID> {

    List<PortalMessage> findByGuestIdOrderByAt(UUID guestId);

    List<PortalMessage> findByFileIdOrderByAt(UUID fileId);
}
