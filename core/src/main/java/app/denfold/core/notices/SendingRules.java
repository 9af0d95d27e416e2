package app.denfold.core.notices;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.Set;

/**
 * On which days mails go out, and how many one person gets.
 *
 * @param quiet days of the week on which none does; never all of them
 * @param holidays further days on which none does
 * @param mostAMonth how many mails one address gets in a calendar month; 0 for any number
 */
public record SendingRules(Set<DayOfWeek> quiet, Set<LocalDate> holidays, int mostAMonth) {

    /** Nobody enters so many holidays in a row; the search for a day ends after them. */
    private static final int MOST_IN_A_ROW = 366;

    public SendingRules {
        quiet = Set.copyOf(quiet);
        holidays = Set.copyOf(holidays);
        if (quiet.size() >= DayOfWeek.values().length) {
            throw new IllegalArgumentException("On one day of the week at least, mails go out");
        }
        if (mostAMonth < 0) {
            throw new IllegalArgumentException("Nobody gets fewer mails than none");
        }
    }

    public boolean isQuiet(LocalDate day) {
        return quiet.contains(day.getDayOfWeek()) || holidays.contains(day);
    }

    /** The day itself, or the next on which mails go out. */
    public LocalDate onOrAfter(LocalDate day) {
        LocalDate on = day;
        for (int i = 0; i < MOST_IN_A_ROW && isQuiet(on); i++) {
            on = on.plusDays(1);
        }
        return on;
    }

    /**
     * When something planned for a day goes out: on that day, or the next on which mails go out, unless that comes too
     * late; then on the last one before.
     *
     * @param latest the last day on which it still makes sense
     */
    LocalDate sendOn(LocalDate planned, LocalDate latest) {
        LocalDate next = onOrAfter(planned);
        if (!next.isAfter(latest)) {
            return next;
        }
        LocalDate before = planned;
        for (int i = 0; i < MOST_IN_A_ROW && isQuiet(before); i++) {
            before = before.minusDays(1);
        }
        return before;
    }
}
