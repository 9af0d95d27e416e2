package app.denfold.server.documents.changing;

import app.denfold.server.access.Actor;
import app.denfold.server.content.destroying.DestroyContent;
import app.denfold.server.documents.DocumentEvents.DocumentDestroyed;
import app.denfold.server.documents.DocumentEvents.DocumentLeft;
import app.denfold.server.documents.DocumentVersion;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.FiledDocumentRepository;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.problems.Refusal;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Destroys papers for good, with all their versions and what was read from them. Whether that may be is asked before. */
@Service
public class DestroyPapers {

    private final FiledDocumentRepository stored;
    private final Documents documents;
    private final PersonFiles files;
    private final DestroyContent destroy;
    private final ApplicationEventPublisher events;

    DestroyPapers(
            FiledDocumentRepository stored,
            Documents documents,
            PersonFiles files,
            DestroyContent destroy,
            ApplicationEventPublisher events) {
        this.stored = stored;
        this.documents = documents;
        this.files = files;
        this.destroy = destroy;
        this.events = events;
    }

    /**
     * The trail keeps that they were there, their hashes, who destroyed them and why. Bytes that another paper needs too
     * stay for that one.
     */
    @Transactional(propagation = Propagation.MANDATORY)
    void destroy(Actor by, List<FiledDocument> papers, String reason) {
        Set<String> hashes = new LinkedHashSet<>();
        for (FiledDocument paper : papers) {
            // the person before the paper, as everybody who holds both
            files.lock(List.of(paper.fileId()));
            List<String> own = paper.versions().stream()
                    .map(DocumentVersion::sha256)
                    .distinct()
                    .toList();
            hashes.addAll(own);
            documents.changed(
                    by,
                    paper,
                    "destroyed",
                    "destroyed “" + paper.name() + "” for good (“" + reason + "”); SHA-256 " + String.join(", ", own));
            events.publishEvent(new DocumentDestroyed(paper.fileId(), paper.id()));
            stored.delete(paper);
            stored.flush();
        }
        hashes.forEach(destroy::unlessUsed);
    }

    /**
     * Destroys all papers of a file, also those in its wastebasket.
     *
     * @return how many
     * @throws Refusal when one of them is needed where it is, such as one that waits for signatures
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public int allOf(Actor by, UUID fileId, String reason) {
        List<FiledDocument> papers = new ArrayList<>(stored.findWithVersions(fileId));
        papers.forEach(p -> events.publishEvent(new DocumentLeft(fileId, p.id())));
        papers.addAll(stored.findAllDiscarded(fileId));
        destroy(by, papers, reason);
        return papers.size();
    }
}
