package app.denfold.server.marks;

import app.denfold.core.marks.MarkKind;
import app.denfold.core.marks.MarkShape;
import app.denfold.server.access.Marking;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.content.Contents;
import app.denfold.server.content.office.OfficePages;
import app.denfold.server.documents.DocumentEvents;
import app.denfold.server.documents.DocumentVersion;
import app.denfold.server.documents.DocumentVersion.PageSource;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Marks on the pages of papers. They go where their papers go, and the papers' bytes know nothing of them. */
@Service
public class Marks {

    private static final int MOST_ON_PAPER = 5_000;

    private final PaperMarkRepository marks;
    private final Documents documents;
    private final Contents contents;
    private final OfficePages office;
    private final PersonFiles files;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    Marks(
            PaperMarkRepository marks,
            Documents documents,
            Contents contents,
            OfficePages office,
            PersonFiles files,
            AuditTrail trail,
            PracticeCalendar calendar) {
        this.marks = marks;
        this.documents = documents;
        this.contents = contents;
        this.office = office;
        this.files = files;
        this.trail = trail;
        this.calendar = calendar;
    }

    /** @throws Refusal when something would go with it */
    @EventListener
    void on(DocumentEvents.FilingTakenBack event) {
        if (marks.existsByDocumentId(event.documentId())) {
            throw DocumentEvents.builtOn("marked");
        }
    }

    /**
     * What stood on a paper goes on to its newer version, so that nothing that is covered is open there. On pages that were
     * only moved or turned it stands where it stood; on others nobody has looked yet where it belongs.
     */
    @EventListener
    void on(DocumentEvents.VersionAdded event) {
        List<DocumentVersion> versions = documents.versions(event.documentId());
        DocumentVersion newest = versions.get(event.number() - 1);
        List<PageSource> pages = newest.pages();
        if (pages != null) {
            follow(event, pages);
            return;
        }
        List<PaperMark> exact = sameBytes(event, versions);
        List<PaperMark> made =
                new ArrayList<>(exact.stream().map(m -> m.on(event.number())).toList());
        Optional<Integer> marked = marks.findNewestMarked(event.documentId());
        if (marked.isPresent() && marked.get() < event.number()) {
            int count = pages(newest.sha256());
            marks.findOnVersion(event.documentId(), marked.get()).stream()
                    .filter(m -> m.page() <= count)
                    // what came to be covered meanwhile stays so, also where bytes of before are the newest again
                    .filter(m -> exact.isEmpty() || m.kind() == MarkKind.COVER)
                    .filter(m -> exact.stream().noneMatch(e -> e.isSameAs(m)))
                    .map(m -> new PaperMark(m, event.number()))
                    .forEach(made::add);
        }
        marks.saveAll(made);
    }

    /** Those of the last earlier version with the same bytes. */
    private List<PaperMark> sameBytes(DocumentEvents.VersionAdded event, List<DocumentVersion> versions) {
        for (int number = event.number() - 1; number > 0; number--) {
            if (versions.get(number - 1)
                    .sha256()
                    .equals(versions.get(event.number() - 1).sha256())) {
                return marks.findOnVersion(event.documentId(), number);
            }
        }
        return List.of();
    }

    /** Marks go with the pages they stand on, also to another paper. */
    private void follow(DocumentEvents.VersionAdded event, List<PageSource> pages) {
        Map<VersionOf, List<PaperMark>> known = new HashMap<>();
        List<PaperMark> made = new ArrayList<>();
        for (int i = 0; i < pages.size(); i++) {
            PageSource from = pages.get(i);
            if (from.documentId() == null) {
                continue;
            }
            PagePlace place = new PagePlace(event.documentId(), event.number(), i + 1);
            known
                    .computeIfAbsent(
                            new VersionOf(from.documentId(), from.version()),
                            v -> marks.findOnVersion(v.documentId, v.version))
                    .stream()
                    .filter(m -> m.page() == from.page())
                    .map(m -> m.at(place, from.turn()))
                    .forEach(made::add);
        }
        marks.saveAll(made);
    }

    private record VersionOf(UUID documentId, int version) {}

    /**
     * @param changes to be sent with a change, so that nobody undoes another's
     * @param carriedFrom the version on which it was made, while nobody looked where it stands on this one
     * @param mayChange whether the viewer made it or is an administrator
     */
    public record MarkAnswer(
            UUID id,
            UUID documentId,
            int changes,
            int page,
            PageShape shape,
            @Nullable Integer carriedFrom,
            String by,
            Instant at,
            @Nullable Instant changedAt,
            boolean mayChange) {}

    /** Of a version, in the order of its pages. @throws Refusal when the viewer sees no marks, or not this paper */
    @Transactional(readOnly = true)
    public List<MarkAnswer> on(Viewer viewer, UUID documentId, int version) {
        viewer.require(Marking.SEES);
        documents.visible(viewer, documentId);
        return marks.findOnVersion(documentId, version).stream()
                .map(m -> answer(viewer, m))
                .toList();
    }

    /** @param paper name of the paper it stands on */
    public record MarkInFile(MarkAnswer mark, String paper, LocalDate documentDate) {}

    /** Of all papers of a file that the viewer may see. */
    @Transactional(readOnly = true)
    public List<MarkInFile> ofFile(Viewer viewer, UUID fileId) {
        viewer.require(Marking.SEES);
        files.visible(viewer, fileId);
        List<PaperMark> all = marks.findOfFile(fileId);
        Set<UUID> ids = all.stream().map(PaperMark::documentId).collect(Collectors.toSet());
        Map<UUID, FiledDocument> visible =
                documents.visible(viewer, ids).stream().collect(Collectors.toMap(FiledDocument::id, d -> d));
        return all.stream()
                .filter(m -> visible.containsKey(m.documentId()))
                .map(m -> {
                    FiledDocument paper = Objects.requireNonNull(visible.get(m.documentId()));
                    return new MarkInFile(answer(viewer, m), paper.name(), paper.documentDate());
                })
                .toList();
    }

    private static MarkAnswer answer(Viewer viewer, PaperMark mark) {
        return new MarkAnswer(
                mark.id(),
                mark.documentId(),
                mark.changes(),
                mark.page(),
                PageShape.of(mark.shape()),
                mark.carriedFrom(),
                mark.byName(),
                mark.at(),
                mark.changedAt(),
                mayChange(viewer, mark));
    }

    private static boolean mayChange(Viewer viewer, PaperMark mark) {
        return viewer.marking().covers(Marking.MAKES)
                && (viewer.isAdministrator() || mark.byId().equals(viewer.accountId()));
    }

    /** A mark to be put on a page of a version of one paper. */
    public record NewMark(int page, MarkShape shape) {}

    /**
     * Puts marks on a paper.
     *
     * @param version from 1
     * @throws Refusal when the viewer may not, there is no such page, or a mark cannot stand so
     */
    @Transactional
    public List<MarkAnswer> put(Viewer viewer, UUID documentId, int version, List<NewMark> wanted) {
        viewer.requireChange();
        viewer.require(Marking.MAKES);
        FiledDocument document = documents.visible(viewer, documentId);
        if (version < 1 || version > document.versions().size()) {
            throw Refusal.notFound("version");
        }
        int pages = pages(document.versions().get(version - 1).sha256());
        if (marks.findOnVersion(documentId, version).size() + wanted.size() > MOST_ON_PAPER) {
            throw Refusal.invalid("marks", "One paper holds up to " + MOST_ON_PAPER + " marks.");
        }
        List<PaperMark> made = new ArrayList<>();
        for (NewMark mark : wanted) {
            if (mark.page() < 1 || mark.page() > pages) {
                throw Refusal.invalid(
                        "page", "There is no page " + mark.page() + "; this paper has " + pages + " pages.");
            }
            mark.shape().fault().ifPresent(fault -> {
                throw Refusal.invalid("shape", fault);
            });
            made.add(new PaperMark(
                    new PagePlace(documentId, version, mark.page()), mark.shape(), viewer, calendar.now()));
        }
        marks.saveAll(made);
        tell(viewer, document, made);
        return made.stream().map(m -> answer(viewer, m)).toList();
    }

    private void tell(Viewer viewer, FiledDocument document, List<PaperMark> made) {
        for (MarkKind kind : MarkKind.values()) {
            List<PaperMark> of = made.stream().filter(m -> m.kind() == kind).toList();
            if (!of.isEmpty()) {
                String pages = of.stream()
                        .map(m -> String.valueOf(m.page()))
                        .distinct()
                        .limit(20)
                        .collect(Collectors.joining(", "));
                trail.record(new AuditEntry(
                        viewer.actor(),
                        "marked",
                        document.fileId(),
                        document.id(),
                        done(kind, of.size()) + " “" + document.name() + "”, page " + pages));
            }
        }
    }

    private static String done(MarkKind kind, int count) {
        if (kind == MarkKind.COVER) {
            return "covered " + (count == 1 ? "a place" : count + " places") + " on";
        }
        String word = kind == MarkKind.PEN ? "drawing" : kind.name().toLowerCase(Locale.ROOT);
        return "put " + (count == 1 ? (kind == MarkKind.ARROW ? "an " : "a ") + word : count + " " + word + "s")
                + " on";
    }

    /**
     * Moves or changes a mark; its kind stays.
     *
     * @param changes as it was told with the mark
     * @throws Refusal when somebody else changed it meanwhile, or the viewer neither made it nor is an administrator
     */
    @Transactional
    public MarkAnswer change(Viewer viewer, UUID id, int changes, MarkShape to) {
        PaperMark mark = changeable(viewer, id);
        if (mark.changes() != changes) {
            throw Refusal.changedMeanwhile("this mark");
        }
        MarkShape shape = new MarkShape(mark.kind(), to.areas(), to.lines(), to.text(), to.reason());
        shape.fault().ifPresent(fault -> {
            throw Refusal.invalid("shape", fault);
        });
        mark.change(shape, calendar.now());
        PaperMark saved = marks.save(mark);
        FiledDocument document = documents.visible(viewer, mark.documentId());
        trail.record(new AuditEntry(
                viewer.actor(),
                "mark-changed",
                document.fileId(),
                document.id(),
                "changed " + named(mark) + " on “" + document.name() + "”, page " + mark.page()));
        return answer(viewer, saved);
    }

    private static String named(PaperMark mark) {
        return mark.kind() == MarkKind.PEN
                ? "a drawing"
                : "the " + mark.kind().name().toLowerCase(Locale.ROOT);
    }

    /** @throws Refusal when the viewer neither made it nor is an administrator */
    @Transactional
    public void remove(Viewer viewer, UUID id) {
        PaperMark mark = changeable(viewer, id);
        marks.delete(mark);
        FiledDocument document = documents.visible(viewer, mark.documentId());
        trail.record(new AuditEntry(
                viewer.actor(),
                "mark-removed",
                document.fileId(),
                document.id(),
                "removed " + named(mark) + " from “" + document.name() + "”, page " + mark.page()));
    }

    private PaperMark changeable(Viewer viewer, UUID id) {
        viewer.requireChange();
        viewer.require(Marking.MAKES);
        PaperMark mark = marks.findById(id).orElseThrow(() -> Refusal.notFound("mark"));
        documents.visible(viewer, mark.documentId());
        if (!mayChange(viewer, mark)) {
            throw Refusal.forbidden("Only who made a mark, or an administrator, changes or removes it.");
        }
        return mark;
    }

    /** What stands on a version, for a copy of it. */
    @Transactional(readOnly = true)
    public List<MarkAnswer> forCopy(UUID documentId, int version) {
        return marks.findOnVersion(documentId, version).stream()
                .map(m -> answer(Viewer.product(), m))
                .toList();
    }

    private int pages(String sha256) {
        int own = contents.content(sha256).pages();
        return own > 0 ? own : office.made(sha256).map(c -> c.pages()).orElse(0);
    }
}
