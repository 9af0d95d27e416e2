package app.denfold.server.visits;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

interface VisitRepository extends CrudRepository<Visit, UUID> {

    List<Visit> findByFileIdOrderByDayDescId(UUID fileId);

    Optional<Visit> findByIdAndFileId(UUID id, UUID fileId);
}
