package app.denfold.server.leaving.mailing;

import jakarta.persistence.LockModeType;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.CrudRepository;

interface CopyLinkRepository extends CrudRepository<CopyLink, UUID> {

    Optional<CopyLink> findByTokenHash(String tokenHash);

    /** Held until the transaction ends, so that no guess goes uncounted. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select l from CopyLink l where l.tokenHash = :tokenHash")
    Optional<CopyLink> lock(String tokenHash);
}
