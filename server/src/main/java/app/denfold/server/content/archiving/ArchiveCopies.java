package app.denfold.server.content.archiving;

import app.denfold.paper.Format;
import app.denfold.paper.copies.ArchiveCopy;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.paper.worker.WorkerFailed;
import app.denfold.paper.worker.WorkerLost;
import app.denfold.server.commits.OutsideTransactions;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.problems.NotNow;
import app.denfold.server.problems.Refusal;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.stereotype.Service;

/** Copies of papers for the archive, PDF/A-2b; made when first asked for and kept beside the paper, which stays as it is. */
@Service
public class ArchiveCopies {

    private final Contents contents;
    private final PaperWorkers workers;
    private final ArchiveCopyStore copies;

    ArchiveCopies(Contents contents, PaperWorkers readingWorkers, ArchiveCopyStore copies) {
        this.contents = contents;
        this.workers = readingWorkers;
        this.copies = copies;
    }

    /** @return hash of the copy @throws Refusal when none can be made, with the reason */
    public String of(String sha256) {
        return copies.of(sha256).orElseGet(() -> make(sha256));
    }

    private String make(String sha256) {
        OutsideTransactions.require("making an archive copy");
        Content content = contents.content(sha256);
        Format format = Format.ofMediaType(content.mediaType()).orElseThrow();
        if (content.pages() == 0) {
            throw Refusal.conflict("no-pages", "This paper has no pages, so there is no archive copy of it.");
        }
        try {
            Path made = Files.createTempFile("archive", ".pdf");
            try {
                ArchiveCopy.Made how = workers.archive(contents.file(sha256), format, made);
                String copy = contents.keepMade(made, content.pages());
                copies.add(sha256, copy, how.name());
                return copy;
            } finally {
                Files.deleteIfExists(made);
            }
        } catch (WorkerFailed hostile) {
            throw Refusal.conflict("no-copy", "No archive copy can be made of it: " + hostile.getMessage() + ".");
        } catch (WorkerLost ended) {
            throw NotNow.noAnswer(
                    "The archive copy could not be made just now: " + ended.getMessage() + ". Try again in a moment.",
                    ended);
        } catch (IOException failed) {
            throw NotNow.notStored("The archive copy", failed);
        }
    }
}
