package app.denfold.server.letters.many;

import app.denfold.server.access.Viewer;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** The same letter for many. */
@Entity
class LetterBatch {

    @Id
    private UUID id;

    private UUID versionId;
    private LocalDate effectiveOn;
    private String byName;
    private Instant begunAt;

    /** For whom they are filed; null before that was asked. */
    private @Nullable UUID filedBy;

    @SuppressWarnings("NullAway.Init")
    protected LetterBatch() {}

    LetterBatch(UUID versionId, LocalDate effectiveOn, Viewer by, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.versionId = versionId;
        this.effectiveOn = effectiveOn;
        this.byName = by.name();
        this.begunAt = now;
    }

    void fileBy(Viewer by) {
        this.filedBy = by.accountId();
    }

    UUID id() {
        return id;
    }

    UUID versionId() {
        return versionId;
    }

    LocalDate effectiveOn() {
        return effectiveOn;
    }

    String byName() {
        return byName;
    }

    @Nullable
    UUID filedBy() {
        return filedBy;
    }
}
