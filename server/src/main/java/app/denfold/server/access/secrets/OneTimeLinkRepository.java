package app.denfold.server.access.secrets;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.repository.CrudRepository;

interface OneTimeLinkRepository extends CrudRepository<OneTimeLink, UUID> {

    Optional<OneTimeLink> findByTokenHash(String hash);

    boolean existsByAccountIdAndIssuedAtAfter(UUID accountId, Instant moment);

    List<OneTimeLink> findByAccountIdAndUsedAtIsNull(UUID accountId);
}
