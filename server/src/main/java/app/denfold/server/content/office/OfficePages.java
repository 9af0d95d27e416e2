package app.denfold.server.content.office;

import app.denfold.paper.Format;
import app.denfold.paper.reading.Reading;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.paper.worker.WorkerFailed;
import app.denfold.server.commits.OutsideTransactions;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.content.destroying.ContentDestroyed;
import app.denfold.server.content.destroying.DestroyContent;
import app.denfold.server.problems.NotNow;
import app.denfold.server.problems.Refusal;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;

/**
 * Office files as pages, laid out by LibreOffice where that is installed. A copy in PDF is made when first asked for and
 * kept beside the file, which stays as it is.
 */
@Service
public class OfficePages {

    private static final Set<Format> OFFICE = EnumSet.of(
            Format.DOCX,
            Format.XLSX,
            Format.PPTX,
            Format.DOC,
            Format.XLS,
            Format.PPT,
            Format.RTF,
            Format.ODT,
            Format.ODS,
            Format.ODP);

    private final Contents contents;
    private final OfficePagesStore copies;
    private final DestroyContent destroy;
    private final LibreOffice libreOffice;
    private final PaperWorkers workers;

    OfficePages(
            Contents contents,
            OfficePagesStore copies,
            DestroyContent destroy,
            LibreOffice libreOffice,
            PaperWorkers quickWorkers) {
        this.workers = quickWorkers;
        this.contents = contents;
        this.copies = copies;
        this.destroy = destroy;
        this.libreOffice = libreOffice;
    }

    public static boolean isOffice(Content content) {
        return Format.ofMediaType(content.mediaType()).filter(OFFICE::contains).isPresent();
    }

    /**
     * The copy with pages.
     *
     * @return its hash
     * @throws Refusal when it is no office file, nothing that could lay it out is installed, or it cannot be laid out
     */
    public String of(String sha256) {
        Content content = contents.content(sha256);
        if (!isOffice(content)) {
            throw Refusal.conflict("no-office-file", "Only office files are laid out as pages.");
        }
        return copies.of(sha256).orElseGet(() -> make(content));
    }

    /** The copy with pages, where it can be made; empty when it cannot, or it is no office file. */
    public Optional<String> ofIfPossible(String sha256) {
        try {
            return isOffice(contents.content(sha256)) ? Optional.of(of(sha256)) : Optional.empty();
        } catch (Refusal notLaidOut) {
            return Optional.empty();
        }
    }

    /** The copy with pages that was made already. */
    public Optional<Content> made(String sha256) {
        return copies.of(sha256).map(contents::content);
    }

    /** One at a time; whoever waited may find it made. */
    private synchronized String make(Content content) {
        OutsideTransactions.require("laying out an office file");
        Optional<String> meanwhile = copies.of(content.sha256());
        if (meanwhile.isPresent()) {
            return meanwhile.get();
        }
        Format format = Format.ofMediaType(content.mediaType()).orElseThrow();
        try {
            Path made = libreOffice.layOut(contents.file(content), format);
            try {
                if (!(workers.identify(made, "paper.pdf") instanceof Reading.Readable pdf)) {
                    throw LibreOffice.notLaidOut();
                }
                String copy = contents.keepMade(made, pdf.pages());
                copies.add(content.sha256(), copy);
                return copy;
            } finally {
                Files.deleteIfExists(made);
            }
        } catch (WorkerFailed hostile) {
            throw LibreOffice.notLaidOut();
        } catch (IOException failed) {
            throw NotNow.notStored("The copy with pages", failed);
        }
    }

    @EventListener
    void on(ContentDestroyed event) {
        copies.remove(event.sha256()).forEach(destroy::unlessUsed);
    }
}
