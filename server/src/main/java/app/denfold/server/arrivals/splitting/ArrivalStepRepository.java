package app.denfold.server.arrivals.splitting;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

public interface ArrivalStepRepository extends CrudRepository<ArrivalStep, UUID> {

    Optional<ArrivalStep> findFirstByBatchIdOrderByAtDescIdDesc(UUID batchId);

    List<ArrivalStep> findByBatchIdOrderByAtDescIdDesc(UUID batchId);
}
