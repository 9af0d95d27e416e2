package app.denfold.server.documents;

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
}
