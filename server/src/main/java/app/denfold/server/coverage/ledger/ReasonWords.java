package app.denfold.server.coverage.ledger;

import static app.denfold.server.practice.PracticeCalendar.words;

import app.denfold.core.days.Window;
import app.denfold.core.rules.DocumentReason;
import app.denfold.server.documents.FiledDocument;

/** Says in a sentence why a document counts or does not. */
final class ReasonWords {

    private ReasonWords() {}

    /** @param label what the document's type is called */
    static String of(DocumentReason.Why why, FiledDocument document, String label) {
        String paper = "The " + inSentence(label) + " of " + words(document.documentDate());
        if (why instanceof DocumentReason.Counts counts) {
            return paper + " " + holds(counts.window()) + ".";
        }
        if (why instanceof DocumentReason.NotYetReceived later) {
            return paper + " was received only on " + words(later.receivedOn()) + ".";
        }
        if (why instanceof DocumentReason.EnteredInError inError) {
            return paper + " was marked as entered in error on " + words(inError.on()) + ".";
        }
        if (why instanceof DocumentReason.PendingReview) {
            return paper + ", received " + words(document.receivedOn())
                    + ", waits for review and counts once accepted.";
        }
        if (why instanceof DocumentReason.SentBack sentBack) {
            String reason = document.sentBackReason() == null ? "" : ": “" + document.sentBackReason() + "”";
            return paper + " was sent back on " + words(sentBack.on()) + reason + ".";
        }
        if (why instanceof DocumentReason.UnsignedBy unsigned) {
            return paper + " is not signed by " + String.join(" and ", unsigned.roles()) + ".";
        }
        if (why instanceof DocumentReason.NotYetValid later) {
            return paper + " holds only from " + words(later.from()) + " on.";
        }
        if (why instanceof DocumentReason.Expired expired) {
            return paper + " held until " + words(expired.lastValidDay()) + ".";
        }
        if (why instanceof DocumentReason.TooOld old) {
            return paper + " was fresh enough until " + words(old.freshThrough()) + ".";
        }
        if (why instanceof DocumentReason.DatedBefore before) {
            return paper + " is dated before " + words(before.firstDayThatCounts()) + ", the first day that counts.";
        }
        return paper + " ended before it began and never held.";
    }

    /** With a small first letter, unless it begins with an abbreviation. */
    static String inSentence(String label) {
        boolean abbreviation = label.length() > 1 && Character.isUpperCase(label.charAt(1));
        return abbreviation ? label : label.substring(0, 1).toLowerCase(java.util.Locale.ROOT) + label.substring(1);
    }

    private static String holds(Window window) {
        String from = window.from() == null ? "" : "from " + words(window.from()) + " ";
        return window.to() == null
                ? ("holds " + from + "without end").strip()
                : "holds " + from + "to " + words(window.to());
    }
}
