package app.denfold.server.chasing;

import java.util.Collection;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A mail to be sent.
 *
 * @param purpose {@code chase}, {@code invitation}, {@code account}, {@code share}, {@code signature}, {@code copies}, {@code code},
 *     {@code comment}, {@code hand-over} or {@code signing}
 * @param fileId it concerns; null when it concerns none
 * @param documentId of the paper it is about; null when it is about none
 * @param types codes of the document types of which it tells
 */
public record Message(
        @Nullable UUID fileId,
        @Nullable UUID documentId,
        List<String> types,
        String purpose,
        String recipient,
        String subject,
        String body) {

    private static final Set<String> AMONG_COLLEAGUES = Set.of("comment", "hand-over", "signing");

    public Message {
        types = List.copyOf(types);
    }

    /** One that concerns no file, such as about an account. */
    public static Message ofNoFile(String purpose, String recipient, String subject, String body) {
        return new Message(null, null, List.of(), purpose, recipient, subject, body);
    }

    /** One that tells of no paper. */
    public Message(UUID fileId, String purpose, String recipient, String subject, String body) {
        this(fileId, null, List.of(), purpose, recipient, subject, body);
    }

    public static Message aboutPaper(
            UUID fileId,
            @Nullable UUID documentId,
            Collection<String> types,
            String purpose,
            String recipient,
            String subject,
            String body) {
        return new Message(fileId, documentId, List.copyOf(types), purpose, recipient, subject, body);
    }

    /** Whether it only tells a colleague of what the trail says anyway. */
    boolean isAmongColleagues() {
        return isAmongColleagues(purpose);
    }

    static boolean isAmongColleagues(String purpose) {
        return AMONG_COLLEAGUES.contains(purpose);
    }
}
