package app.denfold.core.rules;

import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What the rules need to know of a document in a file.
 *
 * @param id what answers call it; unique within the person, except that a paper of several types is listed once as each
 *     of them under the same id
 * @param type code of its document type
 * @param documentDate the date it bears
 * @param effectiveDate the day it takes effect, when that is another than its date
 * @param statedExpiry the last valid day written on it
 * @param receivedOn the day it came in
 * @param acceptedOn the day a reviewer accepted it
 * @param sentBackOn the day a reviewer sent it back
 * @param enteredInErrorOn the day it was marked as entered in error
 * @param signatures in any order; several by one role are allowed, the first one counts
 */
public record Document(
        String id,
        String type,
        LocalDate documentDate,
        @Nullable LocalDate effectiveDate,
        @Nullable LocalDate statedExpiry,
        LocalDate receivedOn,
        @Nullable LocalDate acceptedOn,
        @Nullable LocalDate sentBackOn,
        @Nullable LocalDate enteredInErrorOn,
        List<Signature> signatures) {

    public Document {
        signatures = List.copyOf(signatures);
    }

    /** A signature a document bears: by which role, on which day. */
    public record Signature(String role, LocalDate on) {}

    /** A document with its date and the day it came in, and nothing else known. */
    public static Document dated(String id, String type, LocalDate documentDate, LocalDate receivedOn) {
        return new Document(id, type, documentDate, null, null, receivedOn, null, null, null, List.of());
    }

    /** The same document as one of another type, which it is as well. */
    public Document as(String other) {
        return new Document(
                id,
                other,
                documentDate,
                effectiveDate,
                statedExpiry,
                receivedOn,
                acceptedOn,
                sentBackOn,
                enteredInErrorOn,
                signatures);
    }

    public Document effective(LocalDate day) {
        return new Document(
                id,
                type,
                documentDate,
                day,
                statedExpiry,
                receivedOn,
                acceptedOn,
                sentBackOn,
                enteredInErrorOn,
                signatures);
    }

    public Document expiring(LocalDate day) {
        return new Document(
                id,
                type,
                documentDate,
                effectiveDate,
                day,
                receivedOn,
                acceptedOn,
                sentBackOn,
                enteredInErrorOn,
                signatures);
    }

    public Document accepted(LocalDate day) {
        return new Document(
                id,
                type,
                documentDate,
                effectiveDate,
                statedExpiry,
                receivedOn,
                day,
                sentBackOn,
                enteredInErrorOn,
                signatures);
    }

    public Document sentBack(LocalDate day) {
        return new Document(
                id,
                type,
                documentDate,
                effectiveDate,
                statedExpiry,
                receivedOn,
                acceptedOn,
                day,
                enteredInErrorOn,
                signatures);
    }

    public Document enteredInError(LocalDate day) {
        return new Document(
                id,
                type,
                documentDate,
                effectiveDate,
                statedExpiry,
                receivedOn,
                acceptedOn,
                sentBackOn,
                day,
                signatures);
    }

    public Document signed(Signature... by) {
        return new Document(
                id,
                type,
                documentDate,
                effectiveDate,
                statedExpiry,
                receivedOn,
                acceptedOn,
                sentBackOn,
                enteredInErrorOn,
                List.of(by));
    }

    /** The day the document takes effect: its effective date, else its document date. */
    public LocalDate starts() {
        return effectiveDate != null ? effectiveDate : documentDate;
    }

    /** False when nothing of it was recorded yet on that day, or it was entered in error by then. */
    boolean existsAt(LocalDate known) {
        return !receivedOn.isAfter(known) && !isEnteredInErrorAt(known);
    }

    boolean isEnteredInErrorAt(LocalDate known) {
        return enteredInErrorOn != null && !enteredInErrorOn.isAfter(known);
    }

    /** The latest decision dated on or before the day; on the same day accepted wins. */
    Decision decisionAt(LocalDate known) {
        return Decision.on(known, acceptedOn, sentBackOn);
    }
}
