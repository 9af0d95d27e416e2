package app.denfold.server.merging;

import app.denfold.server.people.PersonState;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** That two files were put together, and all that is needed to take them apart. */
@Entity
class PersonMerge {

    static final Duration UNDOABLE = Duration.ofDays(1);

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private UUID keptId;
    private UUID goneId;
    private String byName;
    private Instant at;
    private @Nullable Instant undoneAt;
    private @Nullable String undoneBy;

    /** What was known of the person of the kept file. */
    @JdbcTypeCode(SqlTypes.JSON)
    private PersonState before;

    /** What was known of him right after. */
    @JdbcTypeCode(SqlTypes.JSON)
    private PersonState after;

    /** What went along, by the name of who moved it. */
    @JdbcTypeCode(SqlTypes.JSON)
    private Map<String, List<String>> moved;

    @SuppressWarnings("NullAway.Init")
    protected PersonMerge() {}

    PersonMerge(UUID kept, UUID gone, PersonState before, PersonState after, String by, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.keptId = kept;
        this.goneId = gone;
        this.before = before;
        this.after = after;
        this.byName = by;
        this.at = now;
        this.moved = Map.of();
    }

    void took(Map<String, List<String>> along) {
        this.moved = along;
    }

    void undo(String by, Instant now) {
        this.undoneAt = now;
        this.undoneBy = by;
    }

    boolean isUndone() {
        return undoneAt != null;
    }

    boolean isUndoable(Instant now) {
        return !isUndone() && !now.isAfter(undoableUntil());
    }

    Instant undoableUntil() {
        return at.plus(UNDOABLE);
    }

    UUID id() {
        return id;
    }

    UUID keptId() {
        return keptId;
    }

    UUID goneId() {
        return goneId;
    }

    String byName() {
        return byName;
    }

    Instant at() {
        return at;
    }

    PersonState before() {
        return before;
    }

    PersonState after() {
        return after;
    }

    List<String> moved(String name) {
        return moved.getOrDefault(name, List.of());
    }
}
