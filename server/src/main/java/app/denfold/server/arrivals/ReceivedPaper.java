package app.denfold.server.arrivals;

import app.denfold.server.access.Actor;
import java.nio.file.Path;
import java.util.UUID;

/**
 * A paper as somebody or something brought it.
 *
 * @param file its bytes; they stay there
 * @param fileId the file it is proposed for; null when unknown
 * @param suggestedType code of the type it is proposed as; null when unknown
 * @param note words that came with it; null when none
 */
public record ReceivedPaper(
        Path file, String fileName, Way source, Actor by, UUID fileId, String suggestedType, String note) {

    /** How it came in. */
    public enum Way {
        DROP,
        PICKUP,
        PORTAL
    }
}
