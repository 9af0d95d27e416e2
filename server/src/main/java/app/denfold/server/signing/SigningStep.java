package app.denfold.server.signing;

import jakarta.persistence.Embeddable;
import java.time.Instant;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/**
 * One signer's turn.
 *
 * @param page where the signature goes, from 1; {@code leftPart} and {@code topPart} of the page, from 0 to 1
 * @param method {@code PEN} or {@code TYPED}; null until signed
 * @param mark JSON of the strokes or of the typed name; null until signed
 */
@Embeddable
record SigningStep(
        String role,
        String roleLabel,
        String signer,
        int page,
        double leftPart,
        double topPart,
        @Nullable String method,
        @JdbcTypeCode(SqlTypes.JSON) @Nullable String mark,
        @Nullable Instant signedAt) {

    boolean isSigned() {
        return signedAt != null;
    }

    SigningStep signed(String by, String drawing, Instant now) {
        return new SigningStep(role, roleLabel, signer, page, leftPart, topPart, by, drawing, now);
    }
}
