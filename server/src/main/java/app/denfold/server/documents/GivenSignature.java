package app.denfold.server.documents;

import jakarta.annotation.Nullable;
import jakarta.persistence.Embeddable;
import java.time.LocalDate;

/** A signature that a document bears. @param seenBy who saw it on the paper itself; null for one given in this product */
@Embeddable
public record GivenSignature(
        String role,
        String signer,
        LocalDate signedOn,
        @Nullable String seenBy) {

    /** One given in this product. */
    public GivenSignature(String role, String signer, LocalDate signedOn) {
        this(role, signer, signedOn, null);
    }

    public boolean wasSeenOnPaper() {
        return seenBy != null;
    }
}
