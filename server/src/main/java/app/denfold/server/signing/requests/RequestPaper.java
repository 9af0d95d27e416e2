package app.denfold.server.signing.requests;

import jakarta.persistence.Embeddable;
import java.util.UUID;

/**
 * A paper of a request.
 *
 * @param sourceSha256 of the very bytes that are signed
 * @param waits whether its request is open; of one paper only one is
 * @param sealed whether nothing is left to be done: signatures that were given are on a sealed copy
 */
@Embeddable
public record RequestPaper(UUID documentId, String sourceSha256, boolean waits, boolean sealed) {

    RequestPaper ended(boolean nothingToSeal) {
        return new RequestPaper(documentId, sourceSha256, false, nothingToSeal);
    }

    RequestPaper withSeal() {
        return new RequestPaper(documentId, sourceSha256, waits, true);
    }
}
