package app.denfold.server.content.covering;

import app.denfold.paper.Format;
import app.denfold.paper.copies.BundlePdf;
import app.denfold.paper.copies.Cover;
import app.denfold.paper.copies.LeavingCopy;
import app.denfold.paper.reading.PageFacts;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.paper.worker.WorkerFailed;
import app.denfold.paper.worker.WorkerLost;
import app.denfold.server.access.secrets.Secrets;
import app.denfold.server.commits.OutsideTransactions;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.content.destroying.ContentDestroyed;
import app.denfold.server.content.destroying.DestroyContent;
import app.denfold.server.content.office.OfficePages;
import app.denfold.server.problems.NotNow;
import app.denfold.server.problems.Refusal;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;

/**
 * Copies that leave: with closed covers, with marks, with a line at their foot. What was covered is in no part of them, which
 * is looked at before they are given out; a copy of which that cannot be said is not made.
 */
@Service
public class CoveredCopies {

    /** Papers of more pages are copied in the background. */
    private static final int MOST_QUICK = 20;

    private final Contents contents;
    private final OfficePages office;
    private final PaperWorkers quick;
    private final PaperWorkers workers;
    private final CoveredCopyStore copies;
    private final DestroyContent destroy;
    private final LeavingCopy.Settings settings;

    CoveredCopies(
            Contents contents,
            OfficePages office,
            PaperWorkers quickWorkers,
            PaperWorkers readingWorkers,
            CoveredCopyStore copies,
            DestroyContent destroy,
            @Value("${denfold.recognition.on:true}") boolean recognise,
            @Value("${denfold.recognition.languages:eng}") String languages) {
        this.contents = contents;
        this.office = office;
        this.quick = quickWorkers;
        this.workers = readingWorkers;
        this.copies = copies;
        this.destroy = destroy;
        this.settings = new LeavingCopy.Settings(recognise, languages);
    }

    /** @param pages what can be read on each page of the copy */
    public record Made(Contents.Prepared copy, List<PageFacts> pages) {}

    /**
     * The copy with these covers and nothing else; made once and kept.
     *
     * @param covers in an order of their own, at least one
     * @return its hash
     * @throws Refusal when none can be made
     */
    public String closed(String sha256, List<Cover> covers) {
        String key = Secrets.sha256(covers.toString().getBytes(StandardCharsets.UTF_8));
        return copies.of(sha256, key).orElseGet(() -> close(sha256, key, covers));
    }

    /** One at a time: whoever asks for the pages of a copy asks for all of them at once, and whoever waited finds it made. */
    private synchronized String close(String sha256, String key, List<Cover> covers) {
        Optional<String> meanwhile = copies.of(sha256, key);
        if (meanwhile.isPresent()) {
            return meanwhile.get();
        }
        Made made = make(sha256, new LeavingCopy.Wanted(covers, List.of(), null));
        contents.register(made.copy());
        copies.add(sha256, key, made.copy().sha256());
        return made.copy().sha256();
    }

    /**
     * Makes a copy that is stored and not yet named.
     *
     * @throws Refusal when none can be made, with the reason
     */
    public Made make(String sha256, LeavingCopy.Wanted wanted) {
        OutsideTransactions.require("making a copy");
        Content content = withPages(sha256);
        Format format = Format.ofMediaType(content.mediaType()).orElseThrow();
        if (content.pages() == 0) {
            throw Refusal.conflict(
                    "no-pages", "This paper has no pages, so nothing on it can be marked or covered in a copy.");
        }
        try {
            Path made = Files.createTempFile("leaving", ".pdf");
            try {
                List<PageFacts> pages =
                        workersFor(content).leave(contents.file(content), format, wanted, settings, made);
                return new Made(contents.made(made, pages.size()), pages);
            } finally {
                Files.deleteIfExists(made);
            }
        } catch (WorkerFailed hostile) {
            throw Refusal.conflict("no-copy", "No copy can be made of it: " + hostile.getMessage() + ".");
        } catch (WorkerLost ended) {
            throw NotNow.noAnswer(
                    "The copy could not be made just now: " + ended.getMessage() + ". Try again in a moment.", ended);
        } catch (IOException failed) {
            throw NotNow.notStored("The copy", failed);
        }
    }

    /** A paper of a bundle. */
    public record BundlePart(String sha256, String title) {}

    /**
     * Sets copies one behind the other, with contents and bookmarks; those that are no PDF become one.
     *
     * @return a temporary file, which the caller deletes
     * @throws Refusal when one of them has no pages or cannot be read
     */
    public Path bundle(String title, List<BundlePart> parts) {
        OutsideTransactions.require("making a bundle");
        List<BundlePdf.Part> pdfs = new ArrayList<>();
        List<Path> made = new ArrayList<>();
        try {
            for (BundlePart part : parts) {
                Content content = withPages(part.sha256());
                Format format = Format.ofMediaType(content.mediaType()).orElseThrow();
                Path file = contents.file(content);
                if (format != Format.PDF) {
                    Path pdf = Files.createTempFile("part", ".pdf");
                    made.add(pdf);
                    workers.leave(file, format, new LeavingCopy.Wanted(List.of(), List.of(), null), settings, pdf);
                    file = pdf;
                }
                pdfs.add(new BundlePdf.Part(file, part.title()));
            }
            Path bundle = Files.createTempFile("bundle", ".pdf");
            try {
                workers.bundle(title, pdfs, bundle);
                return bundle;
            } catch (IOException | RuntimeException failed) {
                Files.deleteIfExists(bundle);
                throw failed;
            }
        } catch (WorkerFailed hostile) {
            throw Refusal.conflict("no-bundle", "No bundle can be made of them: " + hostile.getMessage() + ".");
        } catch (WorkerLost ended) {
            throw NotNow.noAnswer(
                    "The bundle could not be made just now: " + ended.getMessage() + ". Try again in a moment.", ended);
        } catch (IOException failed) {
            throw NotNow.notStored("The bundle", failed);
        } finally {
            made.forEach(CoveredCopies::deleteQuietly);
        }
    }

    private static void deleteQuietly(Path file) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException left) {
            file.toFile().deleteOnExit();
        }
    }

    /** Somebody waits for a copy, which is not to wait for papers that are being read; a long one leaves the quick workers free. */
    private PaperWorkers workersFor(Content content) {
        return content.pages() <= MOST_QUICK ? quick : workers;
    }

    private Content withPages(String sha256) {
        return contents.content(office.ofIfPossible(sha256).orElse(sha256));
    }

    @EventListener
    void on(ContentDestroyed event) {
        copies.remove(event.sha256()).forEach(destroy::unlessUsed);
    }
}
