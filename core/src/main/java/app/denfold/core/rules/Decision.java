package app.denfold.core.rules;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/** What was decided about a document that came in. */
public enum Decision {
    PENDING,
    ACCEPTED,
    SENT_BACK;

    /**
     * The latest decision dated on or before the day; on the same day the acceptance wins.
     *
     * @param acceptedOn null when it was never accepted
     * @param sentBackOn null when it was never sent back
     */
    public static Decision on(LocalDate day, @Nullable LocalDate acceptedOn, @Nullable LocalDate sentBackOn) {
        LocalDate accepted = acceptedOn != null && !acceptedOn.isAfter(day) ? acceptedOn : null;
        LocalDate sentBack = sentBackOn != null && !sentBackOn.isAfter(day) ? sentBackOn : null;
        if (accepted != null && (sentBack == null || !sentBack.isAfter(accepted))) {
            return ACCEPTED;
        }
        return sentBack != null ? SENT_BACK : PENDING;
    }
}
