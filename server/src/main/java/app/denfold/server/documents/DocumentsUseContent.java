package app.denfold.server.documents;

import app.denfold.server.content.destroying.UsesContent;
import org.springframework.stereotype.Component;

/** Every version of a document needs its bytes, also in the wastebasket. */
@Component
class DocumentsUseContent implements UsesContent {

    private final FiledDocumentRepository documents;

    DocumentsUseContent(FiledDocumentRepository documents) {
        this.documents = documents;
    }

    @Override
    public boolean uses(String sha256) {
        return documents.existsWithContent(sha256);
    }
}
