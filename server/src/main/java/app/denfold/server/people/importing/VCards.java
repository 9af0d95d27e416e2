package app.denfold.server.people.importing;

import app.denfold.server.problems.Refusal;
import ezvcard.Ezvcard;
import ezvcard.VCard;
import ezvcard.property.Birthday;
import ezvcard.property.Email;
import ezvcard.property.FormattedName;
import ezvcard.property.StructuredName;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.time.temporal.Temporal;
import java.util.List;
import java.util.Locale;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.jspecify.annotations.Nullable;

/** Address cards (vCard 2.1 to 4.0) as the list of people they make. */
final class VCards {

    private VCards() {}

    static boolean isOne(String text) {
        return text.stripLeading().regionMatches(true, 0, "BEGIN:VCARD", 0, "BEGIN:VCARD".length());
    }

    /**
     * One line for each card, below the names of its columns.
     *
     * @param kind of the files to be made
     * @throws Refusal when no kind is told, or there is no card
     */
    static String asList(String text, @Nullable String kind) {
        if (kind == null || kind.isBlank()) {
            throw Refusal.invalid("kind", "Say which kind of files these cards are to become.");
        }
        List<VCard> cards = Ezvcard.parse(text).all();
        if (cards.isEmpty()) {
            throw Refusal.invalid("file", "There is no card in it that can be read.");
        }
        StringWriter list = new StringWriter();
        try (CSVPrinter lines = new CSVPrinter(list, CSVFormat.RFC4180)) {
            lines.printRecord("kind", "given name", "family name", "birth date", "mail");
            for (VCard card : cards) {
                StructuredName name = card.getStructuredName();
                FormattedName whole = card.getFormattedName();
                boolean hasFamily = name != null && name.getFamily() != null;
                lines.printRecord(
                        kind,
                        hasFamily ? name.getGiven() : "",
                        hasFamily ? name.getFamily() : whole == null ? "" : whole.getValue(),
                        born(card.getBirthday()),
                        card.getEmails().stream()
                                .map(Email::getValue)
                                .findFirst()
                                .map(m -> m.toLowerCase(Locale.ROOT))
                                .orElse(""));
            }
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return list.toString();
    }

    /** Empty when it is not told, or not wholly. */
    private static String born(@Nullable Birthday birthday) {
        Temporal day = birthday == null ? null : birthday.getDate();
        return day instanceof LocalDate whole ? whole.toString() : "";
    }
}
