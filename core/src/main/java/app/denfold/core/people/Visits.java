package app.denfold.core.people;

import java.time.LocalDate;
import java.util.Collection;
import java.util.Optional;
import java.util.TreeSet;

/**
 * The days on which a person was here. They part his time: what is dated from one visit until the day before the next
 * belongs to the earlier of the two, and what is dated before the first belongs to none.
 */
public final class Visits {

    private final TreeSet<LocalDate> days;

    /** @param days in any order; several visits on one day count as one */
    public Visits(Collection<LocalDate> days) {
        this.days = new TreeSet<>(days);
    }

    /** The visit to which a paper dated {@code day} belongs; that of the day itself included. */
    public Optional<LocalDate> visitOf(LocalDate day) {
        return Optional.ofNullable(days.floor(day));
    }

    /** The first visit that is not over on {@code today}; that of the day itself included. */
    public Optional<LocalDate> next(LocalDate today) {
        return Optional.ofNullable(days.ceiling(today));
    }
}
