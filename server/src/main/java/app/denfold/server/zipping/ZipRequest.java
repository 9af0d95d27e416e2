package app.denfold.server.zipping;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A ZIP somebody asked for, under the id of the job that makes it. */
@Entity
class ZipRequest {

    @Id
    private UUID id;

    private UUID accountId;
    private UUID[] documents;
    private @Nullable Instant madeAt;

    @SuppressWarnings("NullAway.Init")
    protected ZipRequest() {}

    ZipRequest(UUID id, UUID accountId, List<UUID> documents) {
        this.id = id;
        this.accountId = accountId;
        this.documents = documents.toArray(UUID[]::new);
    }

    void made(Instant now) {
        this.madeAt = now;
    }

    UUID id() {
        return id;
    }

    UUID accountId() {
        return accountId;
    }

    List<UUID> documents() {
        return List.of(documents);
    }

    boolean isMade() {
        return madeAt != null;
    }
}
