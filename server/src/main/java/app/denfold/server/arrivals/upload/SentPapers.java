package app.denfold.server.arrivals.upload;

import app.denfold.paper.Format;
import app.denfold.paper.copies.CopyPages;
import app.denfold.paper.reading.Reading;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.paper.worker.WorkerFailed;
import app.denfold.server.access.Viewer;
import app.denfold.server.arrivals.Arrival;
import app.denfold.server.arrivals.ReceivedPaper;
import app.denfold.server.arrivals.receiving.Arrivals;
import app.denfold.server.content.UploadedFile;
import app.denfold.server.problems.Refusal;
import app.denfold.server.uploads.ResumableUploads;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Service;

/** Takes whole uploads into Arrivals, each once, however often it is asked for. */
@Service
public class SentPapers {

    private final ResumableUploads uploads;
    private final Arrivals arrivals;
    private final PaperWorkers workers;

    SentPapers(ResumableUploads uploads, Arrivals arrivals, @Qualifier("quickWorkers") PaperWorkers workers) {
        this.workers = workers;
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

    /**
     * Makes one paper of several uploads, page after page, in their order.
     *
     * @return the arrival's id, the same one each time
     * @throws Refusal when one of them is unknown or not whole, or has no pages to be joined
     */
    public UUID joinOnce(Viewer viewer, List<UUID> several, Arrival.Source source, Known known) throws IOException {
        String origin = "upload:" + viewer.accountId() + ":" + several.get(0);
        UUID taken = arrivals.ofOrigin(origin).orElse(null);
        if (taken != null) {
            return taken;
        }
        List<UploadedFile> files = new ArrayList<>();
        Path joined = Files.createTempFile("joined", ".pdf");
        try {
            List<CopyPages.Chosen> pages = new ArrayList<>();
            for (UUID upload : several) {
                UploadedFile file = uploads.whole(viewer, upload);
                files.add(file);
                pages.addAll(pagesOf(file));
            }
            workers.copy(pages, joined);
            UUID id = arrivals.receiveOnce(new ReceivedPaper(
                    joined,
                    nameOf(files.get(0)),
                    source,
                    viewer.actor(),
                    known.fileId(),
                    known.type(),
                    known.note(),
                    null,
                    null,
                    origin));
            several.forEach(upload -> uploads.remove(viewer, upload));
            return id;
        } catch (WorkerFailed hostile) {
            throw Refusal.invalid(
                    "more", "These pictures cannot be joined to one paper: " + hostile.getMessage() + ".");
        } finally {
            Files.deleteIfExists(joined);
            for (UploadedFile file : files) {
                file.close();
            }
        }
    }

    private List<CopyPages.Chosen> pagesOf(UploadedFile file) throws IOException {
        if (!(workers.identify(file.path(), file.name()) instanceof Reading.Readable readable)
                || readable.format().shown() != Format.Shown.PAGES) {
            throw Refusal.invalid(
                    "more", "“" + file.name() + "” has no pages that can be joined. Send it as a paper of its own.");
        }
        return IntStream.rangeClosed(1, readable.pages())
                .mapToObj(page -> new CopyPages.Chosen(file.path(), readable.format(), page, 0))
                .toList();
    }

    private static String nameOf(UploadedFile first) {
        int dot = first.name().lastIndexOf('.');
        return (dot < 1 ? first.name() : first.name().substring(0, dot)) + ".pdf";
    }
}
