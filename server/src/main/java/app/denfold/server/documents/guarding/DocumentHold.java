package app.denfold.server.documents.guarding;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;

/** Who works on a document alone, and when that was last heard of. Written by its repository only. */
@Entity
class DocumentHold {

    @Id
    private UUID documentId;

    private UUID accountId;
    private String byName;
    private Instant since;
    private Instant lastAt;

    @SuppressWarnings("NullAway.Init")
    protected DocumentHold() {}

    UUID accountId() {
        return accountId;
    }

    String byName() {
        return byName;
    }

    Instant since() {
        return since;
    }
}
