package app.denfold.core.dates;

import java.time.LocalDate;
import java.time.YearMonth;
import org.jspecify.annotations.Nullable;

/**
 * A day or month as it stands in a text.
 *
 * @param start first character @param end behind the last one
 * @param dayFirst what it is if the first number is the day; null when it cannot be
 * @param monthFirst likewise if the first is the month
 * @param month instead of a day, where only month and year are told; null otherwise
 * @param isWeak whether it is a day only where words say so, such as eight digits in a row
 */
record Mention(
        int start,
        int end,
        @Nullable LocalDate dayFirst,
        @Nullable LocalDate monthFirst,
        @Nullable YearMonth month,
        boolean isWeak) {

    static Mention day(int start, int end, LocalDate day) {
        return new Mention(start, end, day, day, null, false);
    }

    static Mention month(int start, int end, YearMonth month) {
        return new Mention(start, end, null, null, month, false);
    }

    /** Whether both readings are days, and other ones. */
    boolean isAmbiguous() {
        return dayFirst != null && monthFirst != null && !dayFirst.equals(monthFirst);
    }

    boolean isOnly(DayOrder order) {
        return order == DayOrder.DAY_FIRST
                ? dayFirst != null && monthFirst == null
                : monthFirst != null && dayFirst == null;
    }

    /** In an order, or in the other where it is no day in this one. */
    @Nullable
    LocalDate in(DayOrder order) {
        LocalDate meant = order == DayOrder.DAY_FIRST ? dayFirst : monthFirst;
        return meant != null ? meant : order == DayOrder.DAY_FIRST ? monthFirst : dayFirst;
    }

    /** The other of two readings; null where there is none. */
    @Nullable
    LocalDate otherThan(LocalDate day) {
        if (!isAmbiguous()) {
            return null;
        }
        return day.equals(dayFirst) ? monthFirst : dayFirst;
    }
}
