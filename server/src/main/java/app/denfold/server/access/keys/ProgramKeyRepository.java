package app.denfold.server.access.keys;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

interface ProgramKeyRepository extends CrudRepository<ProgramKey, UUID> {
    Optional<ProgramKey> findBySecretHash(String hash);

    List<ProgramKey> findAllByOrderByMadeAtDesc();
}
