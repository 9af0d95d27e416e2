package app.denfold.server.zipping;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

interface ZipRequestRepository extends CrudRepository<ZipRequest, UUID> {

    List<ZipRequest> findByMadeAtBefore(Instant moment);
}
