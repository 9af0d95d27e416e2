package app.denfold.core.rules;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * How one requirement stands on a day.
 *
 * @param coveredThrough the last covered day: of the present run when on file or expiring (null when it never ends),
 *     of the last run when in grace or lapsed; else null
 * @param due the day by which it is to be met; null when due at once or not applicable
 * @param nextChange null when the status never changes after the day asked about
 * @param counted ids of the documents whose windows hold the day, when on file or expiring; else empty
 */
public record RequirementAnswer(
        String checklist,
        String requirement,
        Requirement.Level level,
        Status status,
        @Nullable LocalDate coveredThrough,
        @Nullable LocalDate due,
        Renewal renewal,
        @Nullable Change nextChange,
        List<String> counted) {

    /** The same with another next change. */
    RequirementAnswer changing(@Nullable Change next) {
        return new RequirementAnswer(
                checklist, requirement, level, status, coveredThrough, due, renewal, next, counted);
    }

    /** From this day on the status is another one. */
    public record Change(LocalDate on, Status status) {}
}
