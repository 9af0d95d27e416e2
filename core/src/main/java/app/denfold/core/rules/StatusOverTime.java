package app.denfold.core.rules;

import app.denfold.core.days.DaySet;
import app.denfold.core.days.Window;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A status as a function of the day that changes only on known days, so that whatever is asked about its course is
 * answered at those days and never by walking the calendar.
 */
abstract class StatusOverTime {

    abstract Status statusOn(int day);

    /** Every day at which the status can change, ascending; a superset of the days at which it does. */
    abstract int[] changeDays();

    public Status statusOn(LocalDate day) {
        return statusOn(DaySet.dayNumber(day));
    }

    RequirementAnswer.@Nullable Change nextChange(int day, Status status) {
        for (int change : changeDays()) {
            if (change > day) {
                Status then = statusOn(change);
                if (then != status) {
                    return new RequirementAnswer.Change(LocalDate.ofEpochDay(change), then);
                }
            }
        }
        return null;
    }

    /** The first day of the run of days, holding the day, with one and the same status; empty when it has none. */
    public Optional<LocalDate> since(LocalDate asked) {
        int day = DaySet.dayNumber(asked);
        Status status = statusOn(day);
        int[] changes = changeDays();
        for (int i = changes.length - 1; i >= 0; i--) {
            if (changes[i] <= day && statusOn(changes[i] - 1) != status) {
                return Optional.of(LocalDate.ofEpochDay(changes[i]));
            }
        }
        return Optional.empty();
    }

    /** The stretches of equal status that touch the window from the first to the last day, both included. */
    public List<SlotCourse.Stretch> stretches(LocalDate from, LocalDate to) {
        List<SlotCourse.Stretch> result = new ArrayList<>();
        LocalDate first = from;
        Status status = statusOn(from);
        for (int change : changeDays()) {
            LocalDate day = LocalDate.ofEpochDay(change);
            if (day.isAfter(from) && !day.isAfter(to)) {
                Status then = statusOn(change);
                if (then != status) {
                    result.add(new SlotCourse.Stretch(Window.closed(first, day.minusDays(1)), status));
                    first = day;
                    status = then;
                }
            }
        }
        result.add(new SlotCourse.Stretch(Window.closed(first, to), status));
        return result;
    }
}
