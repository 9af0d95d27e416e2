package app.denfold.server.arrivals;

import app.denfold.server.access.Actor;
import java.nio.file.Path;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A paper as somebody or something brought it.
 *
 * @param file its bytes; they stay there
 * @param fileId the file it is proposed for; null when unknown
 * @param suggestedType code of the type it is proposed as; null when unknown
 * @param note words that came with it; null when none
 * @param sender mail address it was sent from; null when it did not come by mail
 * @param message the text of the mail it was attached to; null when it did not come by mail
 * @param origin what tells it from all others where it came from, so that it is not taken twice; null when nothing does
 */
public record ReceivedPaper(
        @Nullable Path file,
        String fileName,
        Arrival.Source source,
        Actor by,
        @Nullable UUID fileId,
        @Nullable String suggestedType,
        @Nullable String note,
        @Nullable String sender,
        @Nullable String message,
        @Nullable String origin) {

    /** One that did not come by mail. */
    public ReceivedPaper(
            @Nullable Path file,
            String fileName,
            Arrival.Source source,
            Actor by,
            @Nullable UUID fileId,
            @Nullable String suggestedType,
            @Nullable String note) {
        this(file, fileName, source, by, fileId, suggestedType, note, null, null, null);
    }
}
