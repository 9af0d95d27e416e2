package app.denfold.server.signing.links;

import jakarta.persistence.LockModeType;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface SigningLinkRepository extends CrudRepository<SigningLink, UUID> {

    Optional<SigningLink> findByTokenHash(String tokenHash);

    /** Held until the transaction ends, so that no guess goes uncounted. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select l from SigningLink l where l.tokenHash = :tokenHash")
    Optional<SigningLink> lock(String tokenHash);

    void deleteByTurnId(UUID turnId);
}
