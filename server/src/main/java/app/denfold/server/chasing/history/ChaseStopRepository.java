package app.denfold.server.chasing.history;

import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.repository.ListCrudRepository;

interface ChaseStopRepository extends ListCrudRepository<ChaseStop, UUID> {

    List<ChaseStop> findByFileIdInAndEndedAtIsNull(Collection<UUID> files);
}
