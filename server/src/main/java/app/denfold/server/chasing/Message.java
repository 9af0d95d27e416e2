package app.denfold.server.chasing;

import java.time.Instant;
import java.time.LocalDate;
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
 * @param notified of one that chases; null for all others
 */
public record Message(
        @Nullable UUID fileId,
        @Nullable UUID documentId,
        List<String> types,
        String purpose,
        String recipient,
        String subject,
        String body,
        @Nullable Notified notified) {

    /**
     * What is known besides of a mail that chases.
     *
     * @param language it is written in, by ISO 639-1
     * @param secret of the link in it; null without one
     * @param courtesy whether the recipient may ask to be told no more
     * @param plannedOn day of the plans that tell this; null when somebody sends it by hand
     * @param notBefore when it may go out; null for at once
     * @param threadOf number of the earlier mail that it goes on with; null for none
     */
    public record Notified(
            String language,
            @Nullable String secret,
            boolean courtesy,
            @Nullable LocalDate plannedOn,
            @Nullable Instant notBefore,
            @Nullable UUID threadOf) {}

    /** The purpose of mails that chase. */
    public static final String CHASE = "chase";

    private static final Set<String> AMONG_COLLEAGUES = Set.of("comment", "hand-over", "signing");

    public Message {
        types = List.copyOf(types);
    }

    /** One that concerns no file, such as about an account. */
    public static Message ofNoFile(String purpose, String recipient, String subject, String body) {
        return new Message(null, null, List.of(), purpose, recipient, subject, body, null);
    }

    /** One that tells of no paper. */
    public Message(UUID fileId, String purpose, String recipient, String subject, String body) {
        this(fileId, null, List.of(), purpose, recipient, subject, body, null);
    }

    public static Message aboutPaper(
            UUID fileId,
            @Nullable UUID documentId,
            Collection<String> types,
            String purpose,
            String recipient,
            String subject,
            String body) {
        return new Message(fileId, documentId, List.copyOf(types), purpose, recipient, subject, body, null);
    }

    /** One that chases. @param fileId the first file it concerns */
    public static Message chasing(
            UUID fileId, Collection<String> types, String recipient, String subject, String body, Notified notified) {
        return new Message(fileId, null, List.copyOf(types), CHASE, recipient, subject, body, notified);
    }

    /** Whether it only tells a colleague of what the trail says anyway. */
    boolean isAmongColleagues() {
        return isAmongColleagues(purpose);
    }

    static boolean isAmongColleagues(String purpose) {
        return AMONG_COLLEAGUES.contains(purpose);
    }
}
