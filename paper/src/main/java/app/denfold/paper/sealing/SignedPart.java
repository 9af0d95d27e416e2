package app.denfold.paper.sealing;

import java.time.Instant;
import java.util.List;

/**
 * What one signer put on a paper; it is a revision of its own in the copy.
 *
 * @param reason printed in the seal of the revision, such as {@code Signed by Tamsin Korhola}
 * @param at when it was signed
 */
public record SignedPart(String reason, Instant at, List<SignatureMark> marks) {

    public SignedPart {
        marks = List.copyOf(marks);
    }
}
