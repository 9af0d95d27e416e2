package app.denfold.server.signing.requests;

import jakarta.annotation.Nullable;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.util.UUID;

/**
 * A place on a page that somebody fills while signing.
 *
 * @param page from 1; the parts are of the page as seen, from 0 to 1
 * @param heightPart null for a third of the width in points, as a signature is
 * @param label what is to be written there; null where the kind tells
 * @param value what was written; null until then
 */
@Embeddable
public record SignField(
        UUID documentId,
        UUID turnId,
        @Enumerated(EnumType.STRING) Kind kind,
        int page,
        double leftPart,
        double topPart,
        double widthPart,
        @Nullable Double heightPart,
        boolean required,
        @Nullable String label,
        @Nullable String value) {

    /** What is put there. */
    public enum Kind {
        SIGNATURE,
        INITIALS,
        /** The day of signing. */
        DATE,
        /** The signer's name. */
        NAME,
        TEXT,
        TICK
    }

    /** The same place, for somebody else to fill. */
    public SignField of(UUID turn) {
        return new SignField(
                documentId, turn, kind, page, leftPart, topPart, widthPart, heightPart, required, label, null);
    }

    public SignField filled(@Nullable String words) {
        return new SignField(
                documentId, turnId, kind, page, leftPart, topPart, widthPart, heightPart, required, label, words);
    }
}
