package app.denfold.server.chasing.plans;

import app.denfold.core.notices.SendingRules;
import app.denfold.server.problems.Refusal;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.DayOfWeek;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * On which days and at which hours notices of plans go out.
 *
 * @param opens from when on, where the practice is
 * @param closes until when, excluded
 * @param mostAMonth mails for one address in a calendar month; 0 for any number
 */
public record SendingDetails(
        @NotNull List<DayOfWeek> quietDays,

        @NotNull @Size(max = 500, message = "are at most 500")
        List<@Valid Holiday> holidays,

        @NotNull LocalTime opens,
        @NotNull LocalTime closes,

        @Min(value = 0, message = "cannot be fewer than none") @Max(value = 31, message = "are at most 31")
        int mostAMonth) {

    private static final int LEAST_MINUTES = 30;

    /** A day on which nothing goes out. */
    public record Holiday(
            @NotNull LocalDate day,

            @NotNull @Size(max = 80, message = "has up to 80 letters")
            String name) {}

    public SendingRules rules() {
        return new SendingRules(
                Set.copyOf(quietDays), holidays.stream().map(Holiday::day).collect(Collectors.toSet()), mostAMonth);
    }

    /** Whether mails go out at that time of the day. */
    public boolean isOpenAt(LocalTime time) {
        return !time.isBefore(opens) && time.isBefore(closes);
    }

    SendingDetails checked() {
        if (!opens.isBefore(closes) || opens.until(closes, ChronoUnit.MINUTES) < LEAST_MINUTES) {
            throw Refusal.invalid("closes", "Leave at least half an hour a day for mails.");
        }
        if (Set.copyOf(quietDays).size() >= DayOfWeek.values().length) {
            throw Refusal.invalid("quietDays", "On one day of the week at least, mails have to go out.");
        }
        return new SendingDetails(
                quietDays.stream().distinct().sorted().toList(),
                holidays.stream()
                        .sorted((one, other) -> one.day().compareTo(other.day()))
                        .distinct()
                        .toList(),
                opens,
                closes,
                mostAMonth);
    }
}
