package app.denfold.server.jobs;

import app.denfold.server.access.Actor;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A piece of long work and how far it is. */
@Entity
class Job {

    enum State {
        RUNNING,
        DONE,
        FAILED
    }

    @Id
    private UUID id;

    private String kind;
    private String title;
    private int total;
    private int done;

    @Enumerated(EnumType.STRING)
    private State state;

    private @Nullable String words;
    private @Nullable String link;
    private @Nullable UUID startedBy;
    private String startedByName;
    private Instant startedAt;
    private @Nullable Instant endedAt;

    @SuppressWarnings("NullAway.Init")
    protected Job() {}

    Job(String kind, String title, int total, Actor by, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.kind = kind;
        this.title = title;
        this.total = total;
        this.state = State.RUNNING;
        this.startedBy = by.id();
        this.startedByName = by.name();
        this.startedAt = now;
    }

    void reached(int count, int of) {
        this.done = count;
        this.total = Math.max(of, count);
    }

    void end(State as, String outcome, Instant now) {
        this.state = as;
        this.words = outcome;
        this.endedAt = now;
    }

    void made(String at) {
        this.link = at;
    }

    @Nullable
    String link() {
        return link;
    }

    @Nullable
    UUID startedBy() {
        return startedBy;
    }

    UUID id() {
        return id;
    }

    String title() {
        return title;
    }

    int total() {
        return total;
    }

    int done() {
        return done;
    }

    State state() {
        return state;
    }

    @Nullable
    String words() {
        return words;
    }

    String startedByName() {
        return startedByName;
    }

    Instant startedAt() {
        return startedAt;
    }
}
