package app.denfold.server.catalog.setup;

import app.denfold.core.rules.Document;
import app.denfold.core.rules.Validity;
import app.denfold.server.practice.PracticeCalendar;
import java.time.LocalDate;

/** Says by an example what a validity rule does. */
final class ValidityWords {

    private ValidityWords() {}

    /**
     * What a document of that date would do, such as {@code A first aid certificate of 5 November 2024 would hold until
     * 30 November 2026.}
     *
     * @param label what the type is called
     */
    static String example(String label, Validity validity, LocalDate dated) {
        String paper = "A " + (label.isBlank() ? "paper" : label) + " of " + PracticeCalendar.words(dated);
        if (validity instanceof Validity.Stated) {
            return paper + " would hold until the expiry stated on it, and without end if none is stated.";
        }
        if (validity instanceof Validity.UntilAge until) {
            LocalDate born = dated.minusYears(until.age() - 2L);
            LocalDate last = born.plusYears(until.age()).minusDays(1);
            return paper + " of a person born " + PracticeCalendar.words(born) + " would hold until "
                    + PracticeCalendar.words(last) + ".";
        }
        Document document = Document.dated("example", "example", dated, dated);
        return validity.lastValidDay(document, null)
                .map(last -> paper + " would hold until " + PracticeCalendar.words(last) + ".")
                .orElse(paper + " would hold without end.");
    }
}
