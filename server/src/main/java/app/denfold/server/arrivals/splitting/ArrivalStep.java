package app.denfold.server.arrivals.splitting;

import app.denfold.server.access.Actor;
import app.denfold.server.arrivals.Arrival;
import app.denfold.server.arrivals.PageRef;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** A change of the pages of a batch, with how its arrivals stood before, so that it can be undone. */
@Entity
public class ArrivalStep {

    /** How an arrival stood before the step; one that the step made stood nowhere. */
    record Before(
            UUID arrivalId,
            boolean existed,
            Arrival.@Nullable State state,
            @Nullable List<PageRef> pages,
            int place) {
        static Before of(Arrival arrival) {
            return new Before(arrival.id(), true, arrival.state(), arrival.chosenPages(), arrival.place());
        }

        static Before none(Arrival made) {
            return new Before(made.id(), false, null, null, 0);
        }
    }

    @Id
    private UUID id;

    private UUID batchId;
    private Instant at;
    private @Nullable UUID accountId;
    private String byName;
    private String words;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<Before> before;

    @SuppressWarnings("NullAway.Init")
    protected ArrivalStep() {}

    ArrivalStep(UUID batchId, Actor by, String words, List<Before> before, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.batchId = batchId;
        this.accountId = by.id();
        this.byName = by.name();
        this.words = words;
        this.before = List.copyOf(before);
        this.at = now;
    }

    public String words() {
        return words;
    }

    public String byName() {
        return byName;
    }

    public Instant at() {
        return at;
    }

    List<Before> before() {
        return before;
    }
}
