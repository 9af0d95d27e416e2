package app.denfold.server.relations;

import app.denfold.core.people.RelationKind;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** What somebody, in another file or without one, is to the person of a file. */
@Entity
class Relation {

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private UUID fileId;

    @Enumerated(EnumType.STRING)
    private RelationKind kind;

    private @Nullable UUID otherFileId;
    private @Nullable UUID outsiderId;
    private @Nullable String words;
    private String addedBy;
    private Instant addedAt;

    @SuppressWarnings("NullAway.Init")
    protected Relation() {}

    Relation(
            UUID fileId,
            RelationKind kind,
            @Nullable UUID otherFileId,
            @Nullable UUID outsiderId,
            @Nullable String words,
            String by,
            Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.fileId = fileId;
        this.kind = kind;
        this.otherFileId = otherFileId;
        this.outsiderId = outsiderId;
        this.words = words == null || words.isBlank() ? null : words.strip();
        this.addedBy = by;
        this.addedAt = now;
    }

    UUID id() {
        return id;
    }

    UUID fileId() {
        return fileId;
    }

    RelationKind kind() {
        return kind;
    }

    @Nullable
    UUID otherFileId() {
        return otherFileId;
    }

    @Nullable
    UUID outsiderId() {
        return outsiderId;
    }

    @Nullable
    String words() {
        return words;
    }
}
