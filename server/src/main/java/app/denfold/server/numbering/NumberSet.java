package app.denfold.server.numbering;

import app.denfold.core.numbering.NumberForm;
import app.denfold.core.numbering.NumberPlace;
import app.denfold.server.access.Viewer;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;

/** Numbers that were given together, to the pages of several papers. */
@Entity
class NumberSet {

    @Id
    private UUID id;

    private String series;
    private String prefix;
    private int digits;
    private long first;
    private long last;

    @Enumerated(EnumType.STRING)
    private NumberPlace place;

    private float size;
    private UUID jobId;
    private UUID byId;
    private String byName;
    private Instant at;

    @SuppressWarnings("NullAway.Init")
    protected NumberSet() {}

    /** How its numbers look on pages. @param size of the letters, in points */
    record Look(NumberPlace place, float size) {}

    NumberSet(NumberForm form, long first, long last, Look look, UUID jobId, Viewer by, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.series = form.series();
        this.prefix = form.prefix();
        this.digits = form.digits();
        this.first = first;
        this.last = last;
        this.place = look.place();
        this.size = look.size();
        this.jobId = jobId;
        this.byId = by.accountId();
        this.byName = by.name();
        this.at = now;
    }

    UUID id() {
        return id;
    }

    NumberForm form() {
        return new NumberForm(prefix, digits);
    }

    long first() {
        return first;
    }

    long last() {
        return last;
    }

    NumberPlace place() {
        return place;
    }

    float size() {
        return size;
    }

    UUID jobId() {
        return jobId;
    }

    /** Another job makes the copies that are lacking. */
    void goOn(UUID job) {
        this.jobId = job;
    }

    UUID byId() {
        return byId;
    }

    String byName() {
        return byName;
    }

    Instant at() {
        return at;
    }

    /** Such as {@code OAK-000001 to OAK-000012}. */
    String inWords() {
        return words(form(), first, last);
    }

    static String words(NumberForm form, long first, long last) {
        return first == last ? form.written(first) : form.written(first) + " to " + form.written(last);
    }
}
