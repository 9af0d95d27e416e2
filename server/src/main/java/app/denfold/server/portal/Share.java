package app.denfold.server.portal;

import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A document made visible to a guest. */
@Entity
public class Share {

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private UUID accountId;
    private UUID documentId;
    private UUID fileId;

    /** The very copy that is shown; null where it is the paper with its covers closed. */
    private @Nullable UUID copyId;

    private String sharedBy;
    private Instant sharedAt;
    private @Nullable Instant withdrawnAt;

    @SuppressWarnings("NullAway.Init")
    protected Share() {}

    Share(UUID accountId, UUID documentId, UUID fileId, String sharedBy, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.accountId = accountId;
        this.documentId = documentId;
        this.fileId = fileId;
        this.sharedBy = sharedBy;
        this.sharedAt = now;
    }

    void showCopy(UUID copy) {
        this.copyId = copy;
    }

    void withdraw(Instant now) {
        this.withdrawnAt = now;
    }

    UUID id() {
        return id;
    }

    public UUID accountId() {
        return accountId;
    }

    public UUID documentId() {
        return documentId;
    }

    UUID fileId() {
        return fileId;
    }

    public @Nullable UUID copyId() {
        return copyId;
    }

    String sharedBy() {
        return sharedBy;
    }

    public Instant sharedAt() {
        return sharedAt;
    }
}
