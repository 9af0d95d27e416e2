package app.denfold.server.practice;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** The day it is in the practice. */
@Service
public class PracticeCalendar {

    private static final DateTimeFormatter MOMENT = DateTimeFormatter.ofPattern("d MMM uuuu HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM uuuu", Locale.ENGLISH);

    private final Clock clock;
    private final PracticeSettings settings;

    PracticeCalendar(Clock clock, PracticeSettings settings) {
        this.clock = clock;
        this.settings = settings;
    }

    public LocalDate today() {
        return dayOf(now());
    }

    public Instant now() {
        return clock.instant();
    }

    /**
     * What a request asks about.
     *
     * @param on the day asked about; null for today
     * @param known {@code then} for what was known on that day, otherwise what is known now; of a day ahead nothing
     *     more is known than today
     */
    public AsOf asOf(@Nullable LocalDate on, @Nullable String known) {
        LocalDate today = today();
        if (on == null) {
            return new AsOf(today, today);
        }
        return new AsOf(on, "then".equals(known) && on.isBefore(today) ? on : today);
    }

    /** The first moment of a day where the practice is. */
    public Instant startOf(LocalDate day) {
        return day.atStartOfDay(settings.zone()).toInstant();
    }

    /** The civil day of an instant in the practice's zone. */
    public LocalDate dayOf(Instant instant) {
        return instant.atZone(settings.zone()).toLocalDate();
    }

    /** Day and time in words, such as {@code 25 Nov 2026 09:12}. */
    public String words(Instant instant) {
        return MOMENT.format(instant.atZone(settings.zone()));
    }

    /** A day in words, such as {@code 25 November 2026}. */
    public static String words(@Nullable LocalDate day) {
        return DAY.format(day);
    }
}
