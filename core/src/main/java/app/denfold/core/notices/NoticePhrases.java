package app.denfold.core.notices;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** The product's own words in a notice. Languages it does not know get English ones. */
enum NoticePhrases {
    ENGLISH(
            Locale.ENGLISH,
            "d MMMM uuuu",
            "Dear ",
            " and ",
            "Kind regards,",
            "a paper",
            "Also still open for ",
            " papers that need your attention",
            "One paper that needs your attention"),
    GERMAN(
            Locale.GERMAN,
            "d. MMMM uuuu",
            "Guten Tag ",
            " und ",
            "Mit freundlichen Grüßen",
            "ein Dokument",
            "Außerdem noch offen für ",
            " Dokumente, um die wir Sie bitten",
            "Ein Dokument, um das wir Sie bitten");

    private final Locale locale;
    private final DateTimeFormatter day;
    private final String greeting;
    private final String and;
    private final String regards;
    private final String somePaper;
    private final String alsoOpen;
    private final String several;
    private final String one;

    NoticePhrases(
            Locale locale,
            String day,
            String greeting,
            String and,
            String regards,
            String somePaper,
            String alsoOpen,
            String several,
            String one) {
        this.locale = locale;
        this.day = DateTimeFormatter.ofPattern(day, locale);
        this.greeting = greeting;
        this.and = and;
        this.regards = regards;
        this.somePaper = somePaper;
        this.alsoOpen = alsoOpen;
        this.several = several;
        this.one = one;
    }

    static NoticePhrases of(String language) {
        return language.equals(GERMAN.locale.getLanguage()) ? GERMAN : ENGLISH;
    }

    String greeting(List<String> names) {
        return greeting + String.join(and, names) + ",";
    }

    String regards() {
        return regards;
    }

    /** What outsiders read in place of the name of a sensitive paper. */
    String somePaper() {
        return somePaper;
    }

    String alsoOpen(String name) {
        return alsoOpen + name + ":";
    }

    String subject(int papers) {
        return papers == 1 ? one : papers + several;
    }

    String day(LocalDate of) {
        return day.format(of);
    }

    /** How something stands, as told after its name. */
    String stands(Stand stand, LocalDate on) {
        boolean german = this == GERMAN;
        String covered = words(stand.coveredThrough());
        String due = words(stand.due());
        return switch (stand.status()) {
            case LAPSED, IN_GRACE -> german ? "am " + covered + " abgelaufen" : "ran out on " + covered;
            case EXPIRING, ON_FILE -> german ? "läuft am " + covered + " ab" : "runs out on " + covered;
            case SENT_BACK ->
                german
                        ? "konnte nicht angenommen werden, bitte neu senden"
                        : "could not be accepted, please send it again";
            case AWAITING_SIGNATURE -> german ? "noch nicht unterschrieben" : "not signed yet";
            case IN_REVIEW -> german ? "wird geprüft" : "being looked at";
            case NOT_YET_DUE -> german ? "bis " + due : "due on " + due;
            case MISSING ->
                stand.due() != null && stand.due().isBefore(on)
                        ? (german ? "fehlt seit " + due : "was due on " + due)
                        : (german ? "fehlt" : "missing");
            case WAIVED, NOT_APPLICABLE -> german ? "nicht nötig" : "not needed";
        };
    }

    private String words(@Nullable LocalDate of) {
        return of == null ? "?" : day(of);
    }
}
