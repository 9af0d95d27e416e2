package app.denfold.core.rules;

import app.denfold.core.days.Window;
import java.time.LocalDate;
import java.util.List;

/** Why one document counts, or does not, for a requirement on a day. */
public record DocumentReason(String documentId, Why why) {

    /** Each variant holds the data of its own case only. */
    public sealed interface Why {}

    /** It counts: its window holds the day. */
    public record Counts(Window window) implements Why {}

    public record NotYetReceived(LocalDate receivedOn) implements Why {}

    public record EnteredInError(LocalDate on) implements Why {}

    public record PendingReview() implements Why {}

    public record SentBack(LocalDate on) implements Why {}

    /** Signatures of these roles are missing. */
    public record UnsignedBy(List<String> roles) implements Why {
        public UnsignedBy {
            roles = List.copyOf(roles);
        }
    }

    /** Its window begins after the day. */
    public record NotYetValid(LocalDate from) implements Why {}

    /** Its last valid day lies before the day. */
    public record Expired(LocalDate lastValidDay) implements Why {}

    /** It stopped being fresh enough after this day, though valid longer by its type. */
    public record TooOld(LocalDate freshThrough) implements Why {}

    /** It is dated before the first day that counts. */
    public record DatedBefore(LocalDate firstDayThatCounts) implements Why {}

    /** Its last valid day lies before its first one. */
    public record NeverValid() implements Why {}
}
