package app.denfold.server.documents.changing;

import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.documents.DocumentEvents.DocumentLeft;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.FiledDocumentRepository;
import app.denfold.server.documents.guarding.ConfirmedSections;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Papers that were thrown away: out of their file and of every search, and to be had back. */
@Service
public class Wastebasket {

    private final Documents documents;
    private final FiledDocumentRepository stored;
    private final ConfirmedSections sections;
    private final PersonFiles files;
    private final Catalog catalog;
    private final DestroyPapers destroying;
    private final PracticeCalendar calendar;
    private final ApplicationEventPublisher events;

    Wastebasket(
            Documents documents,
            FiledDocumentRepository stored,
            ConfirmedSections sections,
            PersonFiles files,
            Catalog catalog,
            DestroyPapers destroying,
            PracticeCalendar calendar,
            ApplicationEventPublisher events) {
        this.documents = documents;
        this.stored = stored;
        this.sections = sections;
        this.files = files;
        this.catalog = catalog;
        this.destroying = destroying;
        this.calendar = calendar;
        this.events = events;
    }

    public record DiscardedPaper(
            UUID id,
            String name,
            String typeLabel,
            @Nullable String discardedBy,
            @Nullable Instant discardedAt) {}

    /** The last thrown away first. */
    @Transactional(readOnly = true)
    public List<DiscardedPaper> of(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        return stored.findDiscarded(fileId).stream()
                .filter(d -> viewer.maySee(d.types()))
                .map(d -> new DiscardedPaper(
                        d.id(), d.name(), catalog.type(d.type()).label(), d.discardedBy(), d.discardedAt()))
                .toList();
    }

    /** @throws Refusal when it may not be changed, or is just being signed */
    @Transactional
    public void discard(Viewer viewer, List<UUID> ids) {
        if (ids.isEmpty() || ids.size() > ChangeDocuments.MOST_AT_ONCE) {
            throw Refusal.invalid("documents", "Choose from 1 to " + ChangeDocuments.MOST_AT_ONCE + " papers.");
        }
        for (UUID id : ids) {
            FiledDocument document = documents.changeable(viewer, id);
            events.publishEvent(new DocumentLeft(document.fileId(), id));
            document.discard(viewer.name(), calendar.now());
            documents.changed(
                    viewer.actor(), document, "discarded", "threw “" + document.name() + "” into the wastebasket");
        }
    }

    /** @throws Refusal when its section was confirmed meanwhile */
    @Transactional
    public void restore(Viewer viewer, UUID id) {
        viewer.requireChange();
        FiledDocument document = stored.findInWastebasket(id).orElseThrow(() -> Refusal.notFound("document"));
        files.visible(viewer, document.fileId());
        if (!viewer.maySee(document.types())) {
            throw Refusal.notFound("document");
        }
        sections.requireOpen(viewer, document.fileId(), catalog.types(document.types()));
        document.takeOut();
        documents.renamed(document);
        documents.changed(
                viewer.actor(), document, "restored", "took “" + document.name() + "” out of the wastebasket");
    }

    /**
     * Destroys papers in the wastebasket for good, all their versions with what was read from them. The trail keeps that
     * they were there, their hashes, who destroyed them and why. Bytes that another paper needs too stay for that one.
     *
     * @throws Refusal when the viewer is no administrator, gives no reason, or one of them is not in the wastebasket
     */
    @Transactional
    public void destroy(Viewer viewer, List<UUID> ids, String reason) {
        viewer.requireAdministrator();
        if (reason == null || reason.isBlank()) {
            throw Refusal.invalid("reason", "A reason is needed; it stands in the trail.");
        }
        if (ids.isEmpty() || ids.size() > ChangeDocuments.MOST_AT_ONCE) {
            throw Refusal.invalid("documents", "Choose from 1 to " + ChangeDocuments.MOST_AT_ONCE + " papers.");
        }
        List<FiledDocument> papers = ids.stream()
                .map(id -> stored.findInWastebasket(id).orElseThrow(() -> Refusal.notFound("paper in the wastebasket")))
                .toList();
        papers.forEach(p -> files.visible(viewer, p.fileId()));
        destroying.destroy(viewer.actor(), papers, reason.strip());
    }
}
