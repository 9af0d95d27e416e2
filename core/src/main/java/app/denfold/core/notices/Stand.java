package app.denfold.core.notices;

import app.denfold.core.rules.Renewal;
import app.denfold.core.rules.Status;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * How a slot stands from a day on, if nothing new is recorded.
 *
 * @param from first day; null for as long as anybody knows
 * @param coveredThrough as in {@link app.denfold.core.rules.RequirementAnswer}
 * @param due by when it is to be met; null when due at once
 */
public record Stand(
        @Nullable LocalDate from,
        Status status,
        @Nullable LocalDate coveredThrough,
        @Nullable LocalDate due,
        Renewal renewal) {

    /** Whether a new paper from the person would help. */
    public boolean isWanting() {
        return status.isWanting(renewal);
    }
}
