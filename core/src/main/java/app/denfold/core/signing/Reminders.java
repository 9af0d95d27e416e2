package app.denfold.core.signing;

import java.time.LocalDate;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * How often somebody is reminded of a paper that waits for him.
 *
 * @param everyDays days between two reminders, from 1; 0 for none at all
 * @param most how many at most
 */
public record Reminders(int everyDays, int most) {

    public static final Reminders NONE = new Reminders(0, 0);

    public Reminders {
        if (everyDays < 0 || most < 0) {
            throw new IllegalArgumentException("Neither days nor reminders can be fewer than none");
        }
    }

    /**
     * The day of the next reminder.
     *
     * @param toldOn when he was first told that it is his turn
     * @param sent how many were sent since
     * @param lastSentOn when the last of them was; null for none
     * @param lastDay after which none is sent; null for no end
     * @return empty when none comes
     */
    public Optional<LocalDate> next(
            LocalDate toldOn, int sent, @Nullable LocalDate lastSentOn, @Nullable LocalDate lastDay) {
        if (everyDays == 0 || sent >= most) {
            return Optional.empty();
        }
        LocalDate next = (lastSentOn == null ? toldOn : lastSentOn).plusDays(everyDays);
        return lastDay != null && next.isAfter(lastDay) ? Optional.empty() : Optional.of(next);
    }
}
