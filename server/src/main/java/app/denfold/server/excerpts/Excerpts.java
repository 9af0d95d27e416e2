package app.denfold.server.excerpts;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.DocumentEvents;
import app.denfold.server.documents.DocumentVersion;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Excerpts of the papers of a file. They go where their papers go. */
@Service
class Excerpts {

    private static final int LONGEST = 4_000;
    private static final int LONGEST_NOTE = 200;

    private final ExcerptRepository excerpts;
    private final Documents documents;
    private final Contents contents;
    private final PersonFiles files;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    Excerpts(
            ExcerptRepository excerpts,
            Documents documents,
            Contents contents,
            PersonFiles files,
            AuditTrail trail,
            PracticeCalendar calendar) {
        this.excerpts = excerpts;
        this.documents = documents;
        this.contents = contents;
        this.files = files;
        this.trail = trail;
        this.calendar = calendar;
    }
    /** @throws Refusal when something would go with it */
    @EventListener
    void on(DocumentEvents.FilingTakenBack event) {
        if (excerpts.existsByDocumentId(event.documentId())) {
            throw DocumentEvents.builtOn("kept an excerpt of");
        }
    }

    /**
     * @param paper name of the paper it stands on
     * @param version from 1
     * @param page from 1; 0 for a paper without pages
     * @param mayRemove whether the viewer picked it or is an administrator
     */
    public record ExcerptAnswer(
            UUID id,
            UUID documentId,
            String paper,
            LocalDate documentDate,
            int version,
            int page,
            String words,
            @Nullable String note,
            String by,
            Instant at,
            boolean mayRemove) {}

    /** Of all papers of the file that the viewer may see, the last picked first. */
    @Transactional(readOnly = true)
    public List<ExcerptAnswer> of(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        List<Excerpt> picked = excerpts.findOfFile(fileId);
        Set<UUID> ids = picked.stream().map(Excerpt::documentId).collect(Collectors.toSet());
        Map<UUID, FiledDocument> visible =
                documents.visible(viewer, ids).stream().collect(Collectors.toMap(FiledDocument::id, d -> d));
        return picked.stream()
                .flatMap(e -> Optional.ofNullable(visible.get(e.documentId())).map(d -> answer(viewer, e, d)).stream())
                .toList();
    }

    private static ExcerptAnswer answer(Viewer viewer, Excerpt excerpt, FiledDocument document) {
        return new ExcerptAnswer(
                excerpt.id(),
                document.id(),
                document.name(),
                document.documentDate(),
                excerpt.version(),
                excerpt.page(),
                excerpt.words(),
                excerpt.note(),
                excerpt.byName(),
                excerpt.at(),
                mayRemove(viewer, excerpt));
    }

    private static boolean mayRemove(Viewer viewer, Excerpt excerpt) {
        return viewer.isAdministrator() || excerpt.byId().equals(viewer.accountId());
    }

    /** @throws Refusal when there is no such version or page, or nothing or too much was picked */
    @Transactional
    public UUID keep(Viewer viewer, UUID documentId, int version, int page, String words, @Nullable String note) {
        viewer.requireChange();
        FiledDocument document = documents.visible(viewer, documentId);
        List<DocumentVersion> versions = document.versions();
        if (version < 1 || version > versions.size()) {
            throw Refusal.notFound("version");
        }
        int pages = contents.content(versions.get(version - 1).sha256()).pages();
        if (page < Math.min(1, pages) || page > pages) {
            throw Refusal.notFound("page");
        }
        String picked = words == null ? "" : words.strip();
        if (picked.isEmpty() || picked.length() > LONGEST) {
            throw Refusal.invalid("words", "An excerpt has from 1 to " + LONGEST + " letters.");
        }
        if (note != null && note.length() > LONGEST_NOTE) {
            throw Refusal.invalid("note", "The note has up to " + LONGEST_NOTE + " letters.");
        }
        Excerpt excerpt = excerpts.save(new Excerpt(
                new Excerpt.Place(documentId, version, page),
                picked,
                note == null || note.isBlank() ? null : note.strip(),
                viewer,
                calendar.now()));
        trail.record(new AuditEntry(
                viewer.actor(),
                "excerpt-kept",
                document.fileId(),
                documentId,
                "kept an excerpt of “" + document.name() + "”, page " + page));
        return excerpt.id();
    }

    /** @throws Refusal when the viewer neither picked it nor is an administrator */
    @Transactional
    public void remove(Viewer viewer, UUID id) {
        Excerpt excerpt = excerpts.findById(id).orElseThrow(() -> Refusal.notFound("excerpt"));
        FiledDocument document = documents.visible(viewer, excerpt.documentId());
        viewer.requireChange();
        if (!mayRemove(viewer, excerpt)) {
            throw Refusal.forbidden("Only who picked an excerpt, or an administrator, removes it.");
        }
        excerpts.delete(excerpt);
        trail.record(new AuditEntry(
                viewer.actor(),
                "excerpt-removed",
                document.fileId(),
                document.id(),
                "removed an excerpt of “" + document.name() + "”"));
    }
}
