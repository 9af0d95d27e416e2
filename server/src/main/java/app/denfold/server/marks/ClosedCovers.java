package app.denfold.server.marks;

import app.denfold.core.marks.MarkKind;
import app.denfold.core.marks.WordsToCover;
import app.denfold.paper.copies.Cover;
import app.denfold.server.access.Marking;
import app.denfold.server.access.Viewer;
import app.denfold.server.content.covering.CoveredCopies;
import app.denfold.server.documents.DocumentVersion;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.GivenOut;
import app.denfold.server.problems.Refusal;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Whoever is given a paper gets it with its covers closed. */
@Component
public class ClosedCovers implements GivenOut {

    private final PaperMarkRepository marks;
    private final ReadWords words;
    private final Documents documents;
    private final CoveredCopies copies;
    private final TransactionTemplate transactions;

    ClosedCovers(
            PaperMarkRepository marks,
            ReadWords words,
            Documents documents,
            CoveredCopies copies,
            TransactionTemplate transactions) {
        this.marks = marks;
        this.words = words;
        this.documents = documents;
        this.copies = copies;
        this.transactions = transactions;
    }

    @Override
    public String closed(UUID documentId, int number) {
        return closed(documentId, number, version(documents.versions(documentId), number));
    }

    @Override
    public String closedNewest(UUID documentId) {
        List<DocumentVersion> versions = documents.versions(documentId);
        return closed(documentId, versions.size(), version(versions, versions.size()));
    }

    @Override
    public Map<UUID, String> closedNewest(Collection<FiledDocument> papers) {
        Set<UUID> covered =
                marks.findCovered(papers.stream().map(FiledDocument::id).toList());
        return papers.stream()
                .collect(Collectors.toMap(
                        FiledDocument::id,
                        p -> covered.contains(p.id())
                                ? closed(p.id(), p.versions().size(), p.latest())
                                : p.latest().sha256()));
    }

    private String closed(UUID documentId, int number, DocumentVersion version) {
        List<Cover> covers = covers(documentId, number, version);
        return covers.isEmpty() ? version.sha256() : copies.closed(version.sha256(), covers);
    }

    @Override
    public String open(Viewer by, UUID documentId, int number) {
        DocumentVersion version = version(documents.versions(documentId), number);
        if (!covers(documentId, number, version).isEmpty()) {
            by.require(Marking.OPENS_COVERS);
        }
        return version.sha256();
    }

    private static DocumentVersion version(List<DocumentVersion> versions, int number) {
        if (number < 1 || number > versions.size()) {
            throw Refusal.notFound("version");
        }
        return versions.get(number - 1);
    }

    /** What is to be closed on a version, with the words that are known to stand beneath. */
    public List<Cover> covers(UUID documentId, int number, DocumentVersion version) {
        return transactions.execute(t -> {
            List<PaperMark> covers = marks.findOnVersion(documentId, number).stream()
                    .filter(m -> m.kind() == MarkKind.COVER)
                    .toList();
            if (covers.isEmpty()) {
                return List.<Cover>of();
            }
            Map<Integer, WordsToCover.Page> pages = words.of(version.sha256());
            return covers.stream().map(m -> cover(m, pages)).toList();
        });
    }

    private static Cover cover(PaperMark mark, Map<Integer, WordsToCover.Page> pages) {
        WordsToCover.Page page = pages.get(mark.page());
        return new Cover(
                mark.page(),
                mark.shape().areas(),
                mark.shape().reason(),
                page == null ? List.of() : WordsToCover.under(page, mark.shape().areas()));
    }
}
