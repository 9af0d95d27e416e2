package app.denfold.paper.sealing;

import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A seal found in a PDF.
 *
 * @param certificate of the key that made it, in DER; empty when the seal names none
 * @param owner whom the certificate names, as it claims; who that is only the certificate's issuer can tell
 * @param sealedAt as the seal claims; null when it does not
 * @param intact whether not one of the bytes that it covers is another one now
 * @param coversAll whether nothing comes after what it covers
 * @param sha256 of the file as it was when it was sealed, in hex
 * @param added what came after it, in words, such as {@code words on page 2}; empty when it covers all, or is not intact
 */
public record CheckedSeal(
        byte[] certificate,
        String owner,
        @Nullable Instant sealedAt,
        boolean intact,
        boolean coversAll,
        String sha256,
        List<String> added) {

    public CheckedSeal {
        added = List.copyOf(added);
    }
}
