package app.denfold.server.coverage;

import app.denfold.core.rules.Requirement;
import app.denfold.core.rules.RequirementAnswer;
import app.denfold.core.rules.Status;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.PostLoad;
import jakarta.persistence.PostPersist;
import jakarta.persistence.Transient;
import java.time.LocalDate;
import org.springframework.data.domain.Persistable;

/** How a requirement stands in a file: a cache of what the core computes, with the day on which it changes next. */
@Entity
class Slot implements Persistable<SlotKey> {

    @EmbeddedId
    private SlotKey key;

    private int place;
    private boolean blocking;

    @Enumerated(EnumType.STRING)
    private Status status;

    private LocalDate since;
    private LocalDate coveredThrough;
    private LocalDate due;
    private String renewal;
    private LocalDate nextChangeOn;

    @Enumerated(EnumType.STRING)
    private Status nextStatus;

    private LocalDate computedFor;

    @Transient
    private boolean stored;

    protected Slot() {}

    Slot(SlotKey key) {
        this.key = key;
    }

    void take(RequirementAnswer answer, LocalDate since, int place, LocalDate day) {
        this.place = place;
        this.blocking = answer.level() == Requirement.Level.BLOCKING;
        this.status = answer.status();
        this.since = since;
        this.coveredThrough = answer.coveredThrough();
        this.due = answer.due();
        this.renewal = answer.renewal().code();
        this.nextChangeOn =
                answer.nextChange() == null ? null : answer.nextChange().on();
        this.nextStatus =
                answer.nextChange() == null ? null : answer.nextChange().status();
        this.computedFor = day;
    }

    @Override
    public SlotKey getId() {
        return key;
    }

    @Override
    public boolean isNew() {
        return !stored;
    }

    @PostLoad
    @PostPersist
    void wasStored() {
        stored = true;
    }

    SlotKey key() {
        return key;
    }

    int place() {
        return place;
    }

    boolean isBlocking() {
        return blocking;
    }

    Status status() {
        return status;
    }

    LocalDate coveredThrough() {
        return coveredThrough;
    }

    LocalDate nextChangeOn() {
        return nextChangeOn;
    }
}
