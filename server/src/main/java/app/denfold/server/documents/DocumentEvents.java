package app.denfold.server.documents;

import app.denfold.server.problems.Refusal;
import java.util.UUID;

/** What later modules hear about documents. */
public final class DocumentEvents {

    private DocumentEvents() {}

    /** A document is about to leave a file, for another one or the wastebasket; whoever needs it there can refuse. */
    public record DocumentLeft(UUID fileId, UUID documentId) {}

    /** A document is about to be destroyed for good; what hangs on it elsewhere goes in the same transaction. */
    public record DocumentDestroyed(UUID fileId, UUID documentId) {}

    /** A document came into a file, was decided on, signed, or entered in error. */
    public record FileContentChanged(UUID fileId, UUID documentId) {}

    /** Bytes were added to a document, or it was made of pages of others. @param number of the version, from 1 */
    public record VersionAdded(UUID documentId, int number) {}

    /**
     * A filing is being taken back, in the same transaction. Whoever built something on the document refuses by {@link
     * #builtOn}, since it would go with it.
     */
    public record FilingTakenBack(UUID documentId) {}

    /** @param what was done with it, such as {@code commented on} */
    public static Refusal builtOn(String what) {
        return Refusal.conflict("built-on", "This paper was " + what + " since; it stays where it is.");
    }
}
