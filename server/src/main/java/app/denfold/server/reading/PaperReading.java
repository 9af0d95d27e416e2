package app.denfold.server.reading;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.PostLoad;
import jakarta.persistence.PostPersist;
import jakarta.persistence.Transient;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Persistable;

/** How far the reading of some stored bytes is. */
@Entity
class PaperReading implements Persistable<String> {

    /** In seconds. */
    private static final long LONGEST_PAUSE = 900;

    @Id
    private String sha256;

    @Enumerated(EnumType.STRING)
    private Readings.State state;

    /** Whether it lay in a file when it was asked for; those that did not are read first. */
    private boolean filed;

    private int pagesRead;
    private @Nullable String reason;
    private Instant askedAt;
    private @Nullable Instant endedAt;

    /** How often the program that reads was ended over it from outside, since it last got on. */
    private int losses;

    /** Not before then is it tried again. */
    private @Nullable Instant notBefore;

    /** Until then somebody is reading it, unless he is gone; he says so again and again. */
    private @Nullable Instant heldUntil;

    private @Nullable UUID heldBy;

    @Transient
    private boolean fresh;

    @SuppressWarnings("NullAway.Init")
    protected PaperReading() {}

    PaperReading(String sha256, boolean filed, Instant now) {
        this.sha256 = sha256;
        this.state = Readings.State.QUEUED;
        this.filed = filed;
        this.askedAt = now;
        this.fresh = true;
    }

    void hurry() {
        this.filed = false;
    }

    void reached(int pages) {
        this.pagesRead = pages;
        this.losses = 0;
    }

    /** To be tried again, after a pause that grows. */
    void lost(Instant now) {
        this.losses++;
        long pause = Math.min(LONGEST_PAUSE, 1L << Math.min(losses, 12));
        this.notBefore = now.plusSeconds(pause);
    }

    /** To be read anew although it could not be read before; pages that were read stay. */
    void tryAgain() {
        this.state = Readings.State.QUEUED;
        this.reason = null;
        this.endedAt = null;
        this.notBefore = null;
    }

    void end(Instant now) {
        this.state = Readings.State.READ;
        this.endedAt = now;
    }

    void fail(String why, Instant now) {
        this.state = Readings.State.FAILED;
        this.reason = why;
        this.endedAt = now;
    }

    Readings.State state() {
        return state;
    }

    int pagesRead() {
        return pagesRead;
    }

    @Nullable
    String reason() {
        return reason;
    }

    @Override
    public String getId() {
        return sha256;
    }

    @Override
    public boolean isNew() {
        return fresh;
    }

    @PostLoad
    @PostPersist
    void stored() {
        fresh = false;
    }
}
