package app.denfold.server.keeping;

import app.denfold.server.access.Viewer;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A file that stays whatever the rules of keeping say. */
@Entity
class KeepingHold {

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private UUID fileId;
    private String reason;

    /** The last day; null for no end. */
    private @Nullable LocalDate untilDay;

    private String byName;
    private Instant at;
    private @Nullable String endedBy;
    private @Nullable Instant endedAt;

    @SuppressWarnings("NullAway.Init")
    protected KeepingHold() {}

    KeepingHold(UUID fileId, String reason, @Nullable LocalDate untilDay, Viewer by, Instant at) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.fileId = fileId;
        this.reason = reason;
        this.untilDay = untilDay;
        this.byName = by.name();
        this.at = at;
    }

    void end(Viewer by, Instant now) {
        this.endedBy = by.name();
        this.endedAt = now;
    }

    boolean holdsOn(LocalDate day) {
        return endedAt == null && (untilDay == null || !day.isAfter(untilDay));
    }

    UUID fileId() {
        return fileId;
    }

    String reason() {
        return reason;
    }

    @Nullable
    LocalDate untilDay() {
        return untilDay;
    }

    String byName() {
        return byName;
    }

    Instant at() {
        return at;
    }
}
