package app.denfold.server.chasing;

import java.util.Set;
import java.util.UUID;

/**
 * A mail to be sent.
 *
 * @param purpose {@code chase}, {@code invitation}, {@code share}, {@code comment} or {@code hand-over}
 * @param fileId it concerns
 */
public record Message(UUID fileId, String purpose, String recipient, String subject, String body) {

    private static final Set<String> AMONG_COLLEAGUES = Set.of("comment", "hand-over");

    /** Whether it only tells a colleague of what the trail says anyway. */
    boolean isAmongColleagues() {
        return AMONG_COLLEAGUES.contains(purpose);
    }
}
