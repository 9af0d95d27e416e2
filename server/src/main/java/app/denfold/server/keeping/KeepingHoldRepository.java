package app.denfold.server.keeping;

import java.util.List;
import java.util.UUID;
import org.springframework.data.repository.ListCrudRepository;

interface KeepingHoldRepository extends ListCrudRepository<KeepingHold, UUID> {

    List<KeepingHold> findByFileIdAndEndedAtIsNull(UUID fileId);

    List<KeepingHold> findByEndedAtIsNullOrderByAt();
}
