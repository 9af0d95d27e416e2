package app.denfold.server.chasing.history;

import app.denfold.core.notices.Turn;
import app.denfold.core.notices.Watched;
import jakarta.annotation.Nullable;
import jakarta.persistence.Embeddable;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.UUID;

/** A turn as it is kept and named by the API; see {@link Turn}. */
@Embeddable
public record TurnKey(
        @NotNull UUID planId,
        @NotNull String step,
        int number,
        @NotNull UUID fileId,
        @Nullable String checklist,
        @Nullable String requirement,
        @Nullable UUID documentId,
        @NotNull LocalDate anchor,
        @NotNull String recipient) {

    public static TurnKey of(Turn turn) {
        Watched.Thing thing = turn.thing();
        return new TurnKey(
                UUID.fromString(turn.plan()),
                turn.step(),
                turn.number(),
                UUID.fromString(turn.file()),
                thing.checklist(),
                thing.requirement(),
                thing.paper() == null ? null : UUID.fromString(thing.paper()),
                turn.anchor(),
                turn.recipient());
    }

    public Turn turn() {
        return new Turn(planId.toString(), step, number, fileId.toString(), thing(), anchor, recipient);
    }

    public Watched.Thing thing() {
        return new Watched.Thing(checklist, requirement, documentId == null ? null : documentId.toString());
    }
}
