package app.denfold.server.documents.pages;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.content.copying.ChosenPage;
import app.denfold.server.content.copying.CopiedPages;
import app.denfold.server.content.office.OfficePages;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.GivenOut;
import app.denfold.server.problems.Refusal;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Several papers as one PDF to be printed, each with its newest version, turned as readers see it. */
@Service
class PrintPapers {

    static final int MOST_PAPERS = 100;
    private static final int MOST_PAGES = 2_000;

    private final Documents documents;
    private final Contents contents;
    private final CopiedPages copies;
    private final OfficePages office;
    private final PaperTurns turns;
    private final AuditTrail trail;
    private final TransactionTemplate transactions;
    private final GivenOut given;

    PrintPapers(
            Documents documents,
            Contents contents,
            CopiedPages copies,
            OfficePages office,
            PaperTurns turns,
            AuditTrail trail,
            TransactionTemplate transactions,
            GivenOut given) {
        this.given = given;
        this.transactions = transactions;
        this.office = office;
        this.documents = documents;
        this.contents = contents;
        this.copies = copies;
        this.turns = turns;
        this.trail = trail;
    }

    /**
     * In the order of the ids; papers without pages, such as recordings, are left out.
     *
     * @return a temporary file, which the caller deletes
     * @throws Refusal when none has pages, or there are too many of them
     */
    public Path print(Viewer viewer, List<UUID> ids) {
        if (ids.isEmpty() || ids.size() > MOST_PAPERS) {
            throw Refusal.invalid("documents", "Choose from 1 to " + MOST_PAPERS + " papers to print.");
        }
        List<FiledDocument> papers = transactions.execute(t -> papers(viewer, ids));
        Map<UUID, String> hashes = given.closedNewest(papers);
        List<ChosenPage> pages = new ArrayList<>();
        List<FiledDocument> printed = new ArrayList<>();
        for (FiledDocument paper : papers) {
            Content content = withPages(Objects.requireNonNull(hashes.get(paper.id())));
            // turns are known of the paper itself, also where a copy of it is printed
            List<Integer> upright = turns.of(withPages(paper.latest().sha256()).sha256());
            for (int page = 1; page <= content.pages(); page++) {
                pages.add(new ChosenPage(
                        content.sha256(),
                        page,
                        page <= upright.size() ? Math.floorMod(upright.get(page - 1), 360) : 0));
            }
            if (content.pages() > 0) {
                printed.add(paper);
            }
        }
        if (pages.isEmpty()) {
            throw Refusal.conflict("no-pages", "None of these papers has pages to print.");
        }
        if (pages.size() > MOST_PAGES) {
            throw Refusal.invalid(
                    "documents", "These are " + pages.size() + " pages; print at most " + MOST_PAGES + " at once.");
        }
        Path made = copies.toFile(pages);
        transactions.executeWithoutResult(t -> printed.forEach(p -> trail.record(new AuditEntry(
                viewer.actor(), "printed", p.fileId(), p.id(), "printed “" + p.name() + "” for the practice itself"))));
        return made;
    }

    private List<FiledDocument> papers(Viewer viewer, List<UUID> ids) {
        Map<UUID, FiledDocument> visible = new HashMap<>();
        documents.visible(viewer, ids).forEach(d -> visible.put(d.id(), d));
        List<FiledDocument> papers = new ArrayList<>();
        for (UUID id : ids) {
            FiledDocument document = visible.get(id);
            if (document == null) {
                throw Refusal.notFound("document");
            }
            papers.add(document);
        }
        return papers;
    }

    /** An office file is printed as it is laid out; where that cannot be done, its words are. */
    private Content withPages(String sha256) {
        return contents.content(office.ofIfPossible(sha256).orElse(sha256));
    }
}
