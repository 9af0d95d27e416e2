package app.denfold.server.coverage;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

interface WaiverRepository extends CrudRepository<Waiver, UUID> {

    List<Waiver> findByFileIdIn(Collection<UUID> fileIds);
}
