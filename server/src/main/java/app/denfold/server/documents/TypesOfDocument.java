package app.denfold.server.documents;

import app.denfold.server.audit.TypesOfDocuments;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Tells the trail of which types a document is, also one in the wastebasket. */
@Component
class TypesOfDocument implements TypesOfDocuments {

    private final FiledDocumentRepository documents;

    TypesOfDocument(FiledDocumentRepository documents) {
        this.documents = documents;
    }

    @Override
    public List<String> of(@Nullable UUID documentId) {
        if (documentId == null) {
            return List.of();
        }
        return documents
                .findById(documentId)
                .or(() -> documents.findInWastebasket(documentId))
                .map(FiledDocument::types)
                .orElse(List.of());
    }
}
