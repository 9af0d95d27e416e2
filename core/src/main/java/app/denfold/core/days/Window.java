package app.denfold.core.days;

import java.time.LocalDate;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A closed, non-empty range of civil days, both ends included. An absent {@code from} means "since ever", an absent
 * {@code to} means "never ends".
 *
 * @param from first day, or null when the window has no first day
 * @param to last day, or null when the window never ends
 */
public record Window(@Nullable LocalDate from, @Nullable LocalDate to) {

    /** @throws IllegalArgumentException when the last day lies before the first one */
    public Window {
        if (from != null && to != null && to.isBefore(from)) {
            throw new IllegalArgumentException("A window cannot end on " + to + " before it begins on " + from);
        }
    }

    /** The window from the first to the last day, both included. */
    public static Window closed(LocalDate from, LocalDate to) {
        return new Window(Objects.requireNonNull(from), Objects.requireNonNull(to));
    }

    /** The window from a first day on, never ending. */
    public static Window from(LocalDate from) {
        return new Window(Objects.requireNonNull(from), null);
    }

    /** The window of every day up to and including the last one. */
    public static Window through(LocalDate to) {
        return new Window(null, Objects.requireNonNull(to));
    }

    /** Every day. */
    public static Window always() {
        return new Window(null, null);
    }

    /** True when the day lies in the window, its ends included. */
    public boolean contains(LocalDate day) {
        return (from == null || !day.isBefore(from)) && (to == null || !day.isAfter(to));
    }

    /** The first day; empty when the window has none. */
    public Optional<LocalDate> firstDay() {
        return Optional.ofNullable(from);
    }

    /** The last day; empty when the window never ends. */
    public Optional<LocalDate> lastDay() {
        return Optional.ofNullable(to);
    }

    /** True when the two share at least one day. */
    public boolean overlaps(Window other) {
        return startsNoLaterThan(other.to) && other.startsNoLaterThan(to);
    }

    /** The days that both hold; empty when they share none. */
    public Optional<Window> intersect(Window other) {
        if (!overlaps(other)) {
            return Optional.empty();
        }
        LocalDate first = from == null || (other.from != null && other.from.isAfter(from)) ? other.from : from;
        LocalDate last = to == null || (other.to != null && other.to.isBefore(to)) ? other.to : to;
        return Optional.of(new Window(first, last));
    }

    private boolean startsNoLaterThan(@Nullable LocalDate day) {
        return from == null || day == null || !from.isAfter(day);
    }
}
