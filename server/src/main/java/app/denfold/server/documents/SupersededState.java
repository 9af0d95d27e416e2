package app.denfold.server.documents;

import app.denfold.core.rules.Document;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;

/**
 * What was decided on a version of a paper, and who signed it, before other bytes took its place: none of it is said of
 * those, and all of it stays known for the days before.
 *
 * @param from the first day on which it was the newest, that is, on which it was received
 * @param until the day on which a newer one came, from which on it no longer counts
 */
record SupersededState(
        LocalDate from,
        @Nullable LocalDate acceptedOn,
        @Nullable LocalDate sentBackOn,
        List<GivenSignature> signatures,
        LocalDate until) {

    private static final String MARK = "#";

    /** The same for the rules: a document of its own that ended with the newer version. */
    Document forRules(Document newest, int number) {
        return new Document(
                newest.id() + MARK + number,
                newest.type(),
                newest.documentDate(),
                newest.effectiveDate(),
                newest.statedExpiry(),
                from,
                acceptedOn,
                sentBackOn,
                until,
                signatures.stream()
                        .map(s -> new Document.Signature(s.role(), s.signedOn()))
                        .toList());
    }

    boolean isOn(LocalDate day) {
        return !day.isBefore(from) && day.isBefore(until);
    }

    /** Whether the rules mean a former version by this id. */
    static boolean isMeant(String idForRules) {
        return idForRules.contains(MARK);
    }

    static UUID document(String idForRules) {
        int mark = idForRules.indexOf(MARK);
        return UUID.fromString(mark < 0 ? idForRules : idForRules.substring(0, mark));
    }
}
