package app.denfold.server.leaving.bundles;

import java.util.List;
import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

interface BundleRepository extends CrudRepository<Bundle, UUID> {

    List<Bundle> findByFileIdOrderByNameAscIdAsc(UUID fileId);

    int countByFileId(UUID fileId);
}
