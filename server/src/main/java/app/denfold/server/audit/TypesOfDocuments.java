package app.denfold.server.audit;

import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** Tells of which types a document is; whoever has the documents answers. */
public interface TypesOfDocuments {

    /** Codes of its types, wherever it lies; empty when there is no such document any more. */
    List<String> of(@Nullable UUID documentId);
}
