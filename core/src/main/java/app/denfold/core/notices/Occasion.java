package app.denfold.core.notices;

import app.denfold.core.rules.Renewal;
import app.denfold.core.rules.Status;
import java.time.LocalDate;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What the days of a step are counted from. */
public enum Occasion {
    /** The last day on which the slot is covered; days before it and after it. */
    LAPSE,
    /** The day on which the slot is due, or else the first on which it is missing; days before it and after it. */
    DUE,
    /** The first day on which it is sent back. */
    SENT_BACK,
    /** The first day on which it waits for signatures. */
    SIGNATURE,
    /** The first day on which it waits to be looked at. */
    REVIEW;

    /** Whether days before it can be meant. */
    public boolean isForeseen() {
        return this == LAPSE || this == DUE;
    }

    /**
     * The day from which is counted, while a slot stands so that a notice ahead of that day makes sense.
     *
     * @return empty when it does not
     */
    Optional<LocalDate> ahead(Stand stand) {
        return switch (this) {
            case LAPSE ->
                (stand.status() == Status.ON_FILE || stand.status() == Status.EXPIRING)
                                && stand.renewal() == Renewal.NONE
                        ? Optional.ofNullable(stand.coveredThrough())
                        : Optional.empty();
            case DUE -> stand.status() == Status.NOT_YET_DUE ? Optional.ofNullable(stand.due()) : Optional.empty();
            case SENT_BACK, SIGNATURE, REVIEW -> Optional.empty();
        };
    }

    /**
     * The same while a notice after that day makes sense.
     *
     * @param begins used where it was missing as long as anybody knows; null for none
     */
    Optional<LocalDate> after(Stand stand, @Nullable LocalDate begins) {
        LocalDate since = stand.from() == null ? begins : stand.from();
        return switch (this) {
            case LAPSE ->
                (stand.status() == Status.IN_GRACE || stand.status() == Status.LAPSED)
                                && stand.renewal() == Renewal.NONE
                        ? Optional.ofNullable(stand.coveredThrough())
                        : Optional.empty();
            case DUE ->
                stand.status() == Status.MISSING
                        ? Optional.ofNullable(stand.due() == null ? since : stand.due())
                        : Optional.empty();
            case SENT_BACK -> stand.status() == Status.SENT_BACK ? Optional.ofNullable(since) : Optional.empty();
            case SIGNATURE ->
                stand.status() == Status.AWAITING_SIGNATURE || stand.renewal() == Renewal.AWAITING_SIGNATURE
                        ? Optional.ofNullable(since)
                        : Optional.empty();
            case REVIEW ->
                stand.status() == Status.IN_REVIEW || stand.renewal() == Renewal.IN_REVIEW
                        ? Optional.ofNullable(since)
                        : Optional.empty();
        };
    }

    /** Whether a step of the very day from which is counted belongs to the days after it: it was missing on that day already. */
    boolean isOnItsDayAfter(Stand stand) {
        return !isForeseen() || this == DUE && stand.due() == null;
    }
}
