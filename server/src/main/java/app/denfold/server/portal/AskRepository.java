package app.denfold.server.portal;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

interface AskRepository extends CrudRepository<Ask, UUID> {
    List<Ask> findByFileIdAndWithdrawnAtIsNullOrderByAskedAt(UUID fileId);

    List<Ask> findByFileIdInAndWithdrawnAtIsNullOrderByAskedAt(Collection<UUID> files);
}
