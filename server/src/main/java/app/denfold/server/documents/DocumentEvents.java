package app.denfold.server.documents;

import java.util.UUID;

/** What later modules hear about documents. */
public final class DocumentEvents {

    private DocumentEvents() {}

    /** A document came into a file, was decided on, signed, or voided. */
    public record FileContentChanged(UUID fileId, UUID documentId) {}
}
