package app.denfold.server.arrivals.upload;

import app.denfold.server.access.Viewer;
import app.denfold.server.arrivals.Arrival;
import app.denfold.server.arrivals.ReceivedPaper;
import app.denfold.server.arrivals.receiving.Arrivals;
import app.denfold.server.content.UploadedFile;
import app.denfold.server.problems.Refusal;
import app.denfold.server.uploads.ResumableUploads;
import java.io.IOException;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Takes whole uploads into Arrivals, each once, however often it is asked for. */
@Service
public class SentPapers {

    private final ResumableUploads uploads;
    private final Arrivals arrivals;

    SentPapers(ResumableUploads uploads, Arrivals arrivals) {
        this.uploads = uploads;
        this.arrivals = arrivals;
    }

    /**
     * What is known of a paper before it is filed.
     *
     * @param fileId the file it is for; null when unknown
     * @param type code of the type it is proposed as; null when unknown
     * @param note words for whoever files it; null when none
     */
    public record Known(
            @Nullable UUID fileId,
            @Nullable String type,
            @Nullable String note) {}

    /**
     * @param viewer whose upload it is; whether it may bring papers there has been asked
     * @return the arrival's id, the same one each time
     * @throws Refusal when the upload is unknown, not whole, or not taken as a paper
     */
    public UUID takeOnce(Viewer viewer, UUID upload, Arrival.Source source, Known known) throws IOException {
        String origin = "upload:" + viewer.accountId() + ":" + upload;
        UUID taken = arrivals.ofOrigin(origin).orElse(null);
        if (taken != null) {
            return taken;
        }
        try (UploadedFile file = uploads.whole(viewer, upload)) {
            UUID id = arrivals.receiveOnce(new ReceivedPaper(
                    file.path(),
                    file.name(),
                    source,
                    viewer.actor(),
                    known.fileId(),
                    known.type(),
                    known.note(),
                    null,
                    null,
                    origin));
            uploads.remove(viewer, upload);
            return id;
        } catch (Refusal | IOException gone) {
            // asked side by side, the other one was quicker and cleared the upload away
            taken = arrivals.ofOrigin(origin).orElse(null);
            if (taken == null) {
                throw gone;
            }
            return taken;
        }
    }
}
