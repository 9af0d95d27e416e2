package app.denfold.server.access.secrets;

import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A link that lets its holder set a password once; only a hash of its secret is kept. */
@Entity
public class OneTimeLink {

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private UUID accountId;
    private String tokenHash;
    private Instant issuedAt;
    private Instant expiresAt;
    private @Nullable Instant usedAt;

    @SuppressWarnings("NullAway.Init")
    protected OneTimeLink() {}

    OneTimeLink(UUID accountId, String tokenHash, Instant issuedAt, Instant expiresAt) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.accountId = accountId;
        this.tokenHash = tokenHash;
        this.issuedAt = issuedAt;
        this.expiresAt = expiresAt;
    }

    public UUID accountId() {
        return accountId;
    }

    public boolean isUsed() {
        return usedAt != null;
    }

    public boolean isExpired(Instant now) {
        return now.isAfter(expiresAt);
    }

    public void use(Instant now) {
        this.usedAt = now;
    }
}
