package app.denfold.server.numbering;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;

/** All numbers with the same letters before them: those below {@link #next} were given. */
@Entity
class NumberSeries {

    @Id
    private String series;

    private long next;

    @SuppressWarnings("NullAway.Init")
    protected NumberSeries() {}

    long next() {
        return next;
    }

    /** Numbers up to and including this one are given from now on. */
    void taken(long last) {
        this.next = last + 1;
    }
}
