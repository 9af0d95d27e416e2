package app.denfold.server.signing.sealing;

import app.denfold.server.documents.DocumentVersion;
import app.denfold.server.documents.FiledDocument;
import java.util.List;

/** Which versions of a paper are sealed copies, and of what. */
public final class SealedCopies {

    /** How versions are called that were made here; behind it stands what they are a copy of. */
    private static final String CAUSE = "signed and sealed copy of ";

    private SealedCopies() {}

    public static boolean isOne(DocumentVersion version) {
        return version.cause().startsWith(CAUSE);
    }

    public static boolean isOf(DocumentVersion version, String sourceSha256) {
        return version.cause().equals(causeOf(sourceSha256));
    }

    static String causeOf(String sourceSha256) {
        return CAUSE + sourceSha256.substring(0, 12);
    }

    /** What is to be signed: the newest version that is not itself a sealed copy. */
    public static DocumentVersion sourceOf(FiledDocument document) {
        List<DocumentVersion> versions = document.versions();
        for (int i = versions.size() - 1; i >= 0; i--) {
            if (!isOne(versions.get(i))) {
                return versions.get(i);
            }
        }
        return document.latest();
    }
}
