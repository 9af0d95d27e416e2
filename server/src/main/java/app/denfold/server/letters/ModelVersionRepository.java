package app.denfold.server.letters;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

public interface ModelVersionRepository extends CrudRepository<ModelVersion, UUID> {

    List<ModelVersion> findByModelIdOrderByNumber(UUID modelId);

    List<ModelVersion> findAllByOrderByNumber();

    int countByModelId(UUID modelId);

    /** Of two that begin on one day the later made one counts. */
    Optional<ModelVersion> findFirstByModelIdAndLanguageAndHoldsFromLessThanEqualOrderByHoldsFromDescNumberDesc(
            UUID modelId, String language, LocalDate day);
}
