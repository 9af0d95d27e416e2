package app.denfold.server.reading;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.Instant;
import org.springframework.data.domain.Persistable;

/** How far the reading of some stored bytes is. */
@Entity
class PaperReading implements Persistable<String> {

    enum State {
        QUEUED,
        READ,
        FAILED
    }

    @Id
    private String sha256;

    @Enumerated(EnumType.STRING)
    private State state;

    /** Whether it lay in a file when it was asked for; those that did not are read first. */
    private boolean filed;

    private int pagesRead;
    private String reason;
    private Instant askedAt;
    private Instant endedAt;

    protected PaperReading() {}

    PaperReading(String sha256, boolean filed, Instant now) {
        this.sha256 = sha256;
        this.state = State.QUEUED;
        this.filed = filed;
        this.askedAt = now;
    }

    void hurry() {
        this.filed = false;
    }

    void reached(int pages) {
        this.pagesRead = pages;
    }

    void end(Instant now) {
        this.state = State.READ;
        this.endedAt = now;
    }

    void fail(String why, Instant now) {
        this.state = State.FAILED;
        this.reason = why;
        this.endedAt = now;
    }

    State state() {
        return state;
    }

    int pagesRead() {
        return pagesRead;
    }

    String reason() {
        return reason;
    }

    @Override
    public String getId() {
        return sha256;
    }

    @Override
    public boolean isNew() {
        return askedAt != null && endedAt == null && pagesRead == 0 && state == State.QUEUED;
    }
}
