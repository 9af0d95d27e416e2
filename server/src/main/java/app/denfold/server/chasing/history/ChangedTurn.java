package app.denfold.server.chasing.history;

import app.denfold.server.access.Viewer;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Embedded;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** What somebody decided about what a plan would tell. */
@Entity
public class ChangedTurn {

    @Id
    private UUID id;

    @Embedded
    private TurnKey turn;

    /** Null while it is held. */
    private @Nullable LocalDate movedTo;

    private String byName;
    private Instant at;

    @SuppressWarnings("NullAway.Init")
    protected ChangedTurn() {}

    public ChangedTurn(TurnKey turn, @Nullable LocalDate movedTo, Viewer by, Instant at) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.turn = turn;
        this.movedTo = movedTo;
        this.byName = by.name();
        this.at = at;
    }

    public TurnKey turn() {
        return turn;
    }

    public @Nullable LocalDate movedTo() {
        return movedTo;
    }

    public String byName() {
        return byName;
    }
}
