package app.denfold.server.chasing.planned;

import app.denfold.core.notices.NoticeDay.Reason;
import app.denfold.core.notices.NoticeDay.Telling;
import app.denfold.core.notices.Occasion;
import app.denfold.core.notices.PlanStep;
import app.denfold.server.practice.PracticeCalendar;
import java.time.LocalDate;

/** Says in words why somebody is told something, or is not. */
final class WhyWords {

    private WhyWords() {}

    /** Such as {@code 30 days before it runs out on 12 May 2027, by the plan “Staff papers”}. */
    static String of(Telling telling) {
        PlanStep step = telling.step();
        LocalDate anchor = telling.turn().anchor();
        return when(step, telling.turn().number()) + " " + occasion(step.occasion(), PracticeCalendar.words(anchor))
                + ", by the plan “" + telling.plan().name() + "”" + moved(telling);
    }

    private static String when(PlanStep step, int number) {
        int days = step.days() + number * step.every();
        return days == 0
                ? "On the day"
                : Math.abs(days) + (Math.abs(days) == 1 ? " day" : " days") + (days < 0 ? " before" : " after");
    }

    private static String occasion(Occasion occasion, String day) {
        return switch (occasion) {
            case LAPSE -> "its last day, " + day;
            case DUE -> "it was due, " + day;
            case SENT_BACK -> "it was sent back, " + day;
            case SIGNATURE -> "it came to wait for signatures, " + day;
            case REVIEW -> "it came to wait to be looked at, " + day;
        };
    }

    private static String moved(Telling telling) {
        return telling.sendOn().equals(telling.planned())
                ? ""
                : "; planned for " + PracticeCalendar.words(telling.planned()) + ", moved to "
                        + PracticeCalendar.words(telling.sendOn());
    }

    /** Why it does not go out, as a sentence without its end. */
    static String of(Reason reason, Telling telling) {
        return switch (reason) {
            case NO_ADDRESS ->
                "No email address is known for " + telling.recipient().name();
            case UNREACHABLE -> "Mails to " + telling.recipient().address() + " came back";
            case HELD -> "Held by hand";
            case STOPPED -> "Notices about this person are stopped";
            case MAILED_TODAY -> telling.recipient().name() + " had a mail on this day already, so it waits";
            case MONTH_FULL -> telling.recipient().name() + " had all mails of this month, so it waits";
            case QUIET_DAY -> "No mail goes out on this day, so it waits";
            case FACT_MISSING -> "The words name something that is not known of the person";
            case UNSUBSCRIBED -> telling.recipient().name() + " asked to be told no more";
        };
    }
}
