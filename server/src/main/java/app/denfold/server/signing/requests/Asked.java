package app.denfold.server.signing.requests;

import app.denfold.core.signing.Reminders;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * With which words and until when signatures are asked for.
 *
 * @param message to the signers; null for none
 * @param dueOn day by which they are wanted; null for none
 * @param endsAtDue whether nobody can sign after it
 * @param mayPassOn whether a signer may name somebody else in his place
 */
public record Asked(
        @Nullable String message,
        @Nullable LocalDate dueOn,
        boolean endsAtDue,
        Reminders reminders,
        boolean mayPassOn) {

    /** At the desk, where everybody is present. */
    public static final Asked AT_DESK = new Asked(null, null, false, Reminders.NONE, false);
}
