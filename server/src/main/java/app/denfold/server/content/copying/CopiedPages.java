package app.denfold.server.content.copying;

import app.denfold.paper.Format;
import app.denfold.paper.copies.CopyPages;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.paper.worker.WorkerFailed;
import app.denfold.paper.worker.WorkerLost;
import app.denfold.server.commits.OutsideTransactions;
import app.denfold.server.content.Contents;
import app.denfold.server.problems.NotNow;
import app.denfold.server.problems.Refusal;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;

/** Makes PDFs of chosen pages; the papers they come from stay as they are. */
@Component
public class CopiedPages {

    private final Contents contents;
    private final PaperWorkers workers;

    CopiedPages(Contents contents, PaperWorkers quickWorkers) {
        this.contents = contents;
        this.workers = quickWorkers;
    }

    /** Makes one and stores it. @throws Refusal when that is not possible */
    public Contents.Prepared copy(List<ChosenPage> pages) {
        Path made = toFile(pages);
        try {
            return contents.made(made, pages.size());
        } finally {
            delete(made);
        }
    }

    /** Makes one in a temporary file, which the caller deletes. @throws Refusal when that is not possible */
    public Path toFile(List<ChosenPage> pages) {
        return made(pages.stream().map(this::chosen).toList());
    }

    /**
     * Makes one, in a temporary file that the caller deletes, of all pages of a PDF that was just made, and of chosen pages
     * behind them.
     *
     * @param pages how many the first has
     * @throws Refusal when that is not possible
     */
    public Path behind(Path first, int pages, List<ChosenPage> chosen) {
        List<CopyPages.Chosen> all = new ArrayList<>();
        for (int page = 1; page <= pages; page++) {
            all.add(new CopyPages.Chosen(first, Format.PDF, page, 0));
        }
        chosen.forEach(page -> all.add(chosen(page)));
        return made(all);
    }

    private Path made(List<CopyPages.Chosen> pages) {
        OutsideTransactions.require("copying pages");
        try {
            Path made = Files.createTempFile("copy", ".pdf");
            try {
                workers.copy(pages, made);
                return made;
            } catch (IOException | RuntimeException failed) {
                Files.deleteIfExists(made);
                throw failed;
            }
        } catch (WorkerFailed hostile) {
            throw Refusal.conflict("pages-unreadable", "These pages cannot be copied: " + hostile.getMessage() + ".");
        } catch (WorkerLost ended) {
            throw NotNow.noAnswer(
                    "This could not be done just now: " + ended.getMessage() + ". Try again in a moment.", ended);
        } catch (IOException failed) {
            throw NotNow.notStored("The copy", failed);
        }
    }

    private CopyPages.Chosen chosen(ChosenPage page) {
        Format format =
                Format.ofMediaType(contents.content(page.sha256()).mediaType()).orElseThrow();
        return new CopyPages.Chosen(contents.file(page.sha256()), format, page.page(), page.turn());
    }

    private static void delete(Path made) {
        try {
            Files.deleteIfExists(made);
        } catch (IOException left) {
            throw NotNow.notStored("The copy", left);
        }
    }
}
