package app.denfold.server.documents.changing;

import app.denfold.core.rules.Decision;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.DocumentTypes;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.Decisions;
import app.denfold.server.documents.DocumentEvents.DocumentLeft;
import app.denfold.server.documents.DocumentVersion;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.FiledDocumentRepository;
import app.denfold.server.documents.FilingCheck;
import app.denfold.server.documents.FilingDetails;
import app.denfold.server.documents.guarding.ConfirmedSections;
import app.denfold.server.documents.guarding.Holds;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import app.denfold.server.reading.Readings;
import jakarta.annotation.Nullable;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** What is done with papers once they are in a file: corrected, renewed, moved, copied. */
@Service
class ChangeDocuments {

    static final int MOST_AT_ONCE = 500;

    private final Documents documents;
    private final Decisions decisions;
    private final FiledDocumentRepository stored;
    private final Holds holds;
    private final ConfirmedSections sections;
    private final FilingCheck check;
    private final PersonFiles files;
    private final Catalog catalog;
    private final Contents contents;
    private final Readings readings;
    private final PracticeCalendar calendar;
    private final ApplicationEventPublisher events;
    private final TransactionTemplate transactions;

    ChangeDocuments(
            Documents documents,
            Decisions decisions,
            FiledDocumentRepository stored,
            Holds holds,
            ConfirmedSections sections,
            FilingCheck check,
            PersonFiles files,
            Catalog catalog,
            Contents contents,
            Readings readings,
            PracticeCalendar calendar,
            ApplicationEventPublisher events,
            TransactionTemplate transactions) {
        this.transactions = transactions;
        this.documents = documents;
        this.decisions = decisions;
        this.stored = stored;
        this.holds = holds;
        this.sections = sections;
        this.check = check;
        this.files = files;
        this.catalog = catalog;
        this.contents = contents;
        this.readings = readings;
        this.calendar = calendar;
        this.events = events;
    }

    /**
     * Corrects what is said of a paper and lets go of it.
     *
     * @param changes of the paper as the viewer looked at it
     * @throws Refusal when it was changed meanwhile, somebody else holds it, or the details cannot be
     */
    @Transactional
    public void correct(Viewer viewer, UUID id, int changes, FilingDetails details, @Nullable String description) {
        FiledDocument document = documents.open(viewer, id);
        requireUnchanged(document, changes);
        if (!document.fileId().equals(details.fileId())) {
            throw Refusal.invalid("fileId", "A paper is moved to another file by “Move”.");
        }
        String before = document.name();
        String seen = describe(viewer, document, details);
        document.describe(description);
        documents.renamed(document);
        documents.changed(viewer.actor(), document, "corrected", "changed the details of “" + before + "”" + seen);
        holds.release(viewer, id);
    }

    private String describe(Viewer viewer, FiledDocument document, FilingDetails details) {
        DocumentTypes types = documents.visibleTypes(viewer, details);
        check.check(details, types);
        sections.requireOpen(viewer, details.fileId(), types);
        return documents.correct(viewer, document, details);
    }

    /** What is to be the same of several papers; what is null stays as it is. */
    public record SharedDetails(
            @Nullable String type,
            @Nullable List<String> furtherTypes,
            @Nullable LocalDate documentDate,
            @Nullable LocalDate effectiveDate,
            @Nullable LocalDate statedExpiry,
            @Nullable Map<String, String> fields,
            @Nullable String description) {

        private FilingDetails over(FiledDocument document) {
            FilingDetails old = document.details();
            boolean retyped = type != null && !type.equals(old.type());
            Map<String, String> values = new java.util.LinkedHashMap<>(retyped ? Map.of() : old.fields());
            values.putAll(fields == null ? Map.of() : fields);
            return new FilingDetails(
                    old.fileId(),
                    type == null ? old.type() : type,
                    furtherTypes == null ? old.furtherTypes() : furtherTypes,
                    documentDate == null ? old.documentDate() : documentDate,
                    effectiveDate == null ? old.effectiveDate() : effectiveDate,
                    statedExpiry == null ? old.statedExpiry() : statedExpiry,
                    values,
                    null,
                    old.reviewer());
        }
    }

    /** What a paper was like before it was changed with others, so that it can be taken back. */
    public record Before(
            UUID id,
            int changes,
            FilingDetails details,
            @Nullable String description) {}

    /** A paper as the viewer looked at it. @param changes how often it had been changed then */
    public record Seen(UUID id, int changes) {

        private static int changes(List<Seen> seen, UUID id) {
            return seen.stream()
                    .filter(s -> s.id.equals(id))
                    .mapToInt(Seen::changes)
                    .findFirst()
                    .orElseThrow();
        }
    }

    private static void requireUnchanged(FiledDocument document, int changes) {
        if (document.changes() != changes) {
            throw Refusal.changedMeanwhile("“" + document.name() + "”");
        }
    }

    /**
     * Changes several papers: all of them, or none.
     *
     * @return how they were before, with the number of changes they have now
     * @throws Refusal naming the paper that cannot be changed
     */
    @Transactional
    public List<Before> correctAll(Viewer viewer, List<Seen> seen, SharedDetails to) {
        return each(seen.stream().map(Seen::id).toList(), id -> {
            FiledDocument document = documents.open(viewer, id);
            requireUnchanged(document, Seen.changes(seen, id));
            FilingDetails old = document.details();
            String oldDescription = document.description();
            String before = document.name();
            describe(viewer, document, to.over(document));
            if (to.description() != null) {
                document.describe(to.description());
            }
            documents.renamed(document);
            documents.changed(viewer.actor(), document, "corrected", "changed the details of “" + before + "”");
            stored.flush();
            return new Before(id, document.changes(), old, oldDescription);
        });
    }

    /** Takes a change of several papers back, unless one was changed since. */
    @Transactional
    public void undo(Viewer viewer, List<Before> before) {
        each(before.stream().map(Before::id).toList(), id -> {
            Before one =
                    before.stream().filter(b -> b.id().equals(id)).findFirst().orElseThrow();
            correct(viewer, id, one.changes(), one.details(), one.description());
            return id;
        });
    }

    /**
     * Accepts papers that wait for review: all of them, or none.
     *
     * @throws Refusal naming one that does not wait for review or may not be changed
     */
    @Transactional
    public void acceptAll(Viewer viewer, List<Shown> shown) {
        each(Shown.ids(shown), id -> {
            requireInReview(viewer, id);
            decisions.accept(viewer, id, Shown.version(shown, id));
            return id;
        });
    }

    /** A paper as it was shown. @param version number of the one that was the newest then, from 1 */
    public record Shown(UUID id, int version) {

        private static List<UUID> ids(List<Shown> shown) {
            return shown.stream().map(Shown::id).toList();
        }

        private static int version(List<Shown> shown, UUID id) {
            return shown.stream()
                    .filter(s -> s.id.equals(id))
                    .mapToInt(Shown::version)
                    .findFirst()
                    .orElseThrow();
        }
    }

    /** Sends papers back that wait for review, each with the same words: all of them, or none. */
    @Transactional
    public void sendBackAll(Viewer viewer, List<Shown> shown, String reason) {
        each(Shown.ids(shown), id -> {
            requireInReview(viewer, id);
            decisions.sendBack(viewer, id, Shown.version(shown, id), reason);
            return id;
        });
    }

    private void requireInReview(Viewer viewer, UUID id) {
        FiledDocument document = documents.visible(viewer, id);
        boolean waits = catalog.types(document.types()).needsReview()
                && document.decision() == Decision.PENDING
                && !document.isEnteredInError();
        if (!waits) {
            throw Refusal.conflict(
                    "not-in-review", "“" + document.name() + "” does not wait for review. Nothing was changed.");
        }
    }

    private <T> List<T> each(List<UUID> ids, Function<UUID, T> change) {
        if (ids.isEmpty() || ids.size() > MOST_AT_ONCE) {
            throw Refusal.invalid("documents", "Choose from 1 to " + MOST_AT_ONCE + " papers.");
        }
        return ids.stream().distinct().map(change).toList();
    }

    /**
     * Adds bytes as the newest version; older ones stay.
     *
     * @throws Refusal when the bytes cannot be taken
     */
    public void renew(Viewer viewer, UUID id, Path file, String fileName) {
        transactions.executeWithoutResult(t -> documents.open(viewer, id));
        Contents.Prepared prepared = contents.prepare(file, fileName);
        transactions.executeWithoutResult(t -> renew(viewer, id, prepared, fileName));
    }

    private void renew(Viewer viewer, UUID id, Contents.Prepared prepared, String fileName) {
        FiledDocument document = documents.open(viewer, id);
        Contents.Taken taken = contents.register(prepared);
        if (taken instanceof Contents.Refused refused) {
            throw Refusal.invalid("file", refused.reason());
        }
        if (taken instanceof Contents.SetAside aside) {
            throw Refusal.invalid(
                    "file", aside.reason() + " Bring it in through Arrivals if it is to be kept all the same.");
        }
        String sha256 = ((Contents.Whole) taken).sha256();
        if (document.latest().sha256().equals(sha256)) {
            throw Refusal.conflict("newest-already", "This is the newest version already, byte for byte.");
        }
        // whoever brought it wants to read and compare it now
        readings.ask(sha256);
        documents.addVersion(
                viewer.actor(),
                id,
                sha256,
                "brought by " + viewer.name(),
                "added version " + (document.versions().size() + 1) + " of “" + document.name() + "”, “" + fileName
                        + "”, SHA-256 " + sha256);
    }

    /** Makes an older version the newest again; none is lost. @param number from 1 */
    @Transactional
    public void restoreVersion(Viewer viewer, UUID id, int number) {
        FiledDocument document = documents.open(viewer, id);
        List<DocumentVersion> versions = document.versions();
        if (number < 1 || number > versions.size()) {
            throw Refusal.notFound("version");
        }
        if (number == versions.size()) {
            throw Refusal.conflict("is-newest", "This is the newest version already.");
        }
        documents.addVersion(
                viewer.actor(),
                id,
                versions.get(number - 1).sha256(),
                "version " + number + " again",
                "made version " + number + " of “" + document.name() + "” the newest again");
    }

    /**
     * Moves papers to another file, with all their versions and what was decided on them. Guests of the old file no longer
     * see them.
     *
     * @throws Refusal when a file may not be seen, a paper not be changed, or it is just being signed
     */
    @Transactional
    public void move(Viewer viewer, List<UUID> ids, UUID to) {
        viewer.requireChange();
        PersonFile target = files.visible(viewer, to);
        each(ids, id -> {
            FiledDocument document = documents.open(viewer, id);
            PersonFile source = files.file(document.fileId());
            if (source.id().equals(to)) {
                throw Refusal.invalid("fileId", "“" + document.name() + "” is in this file already.");
            }
            sections.requireOpen(viewer, to, catalog.types(document.types()));
            String before = document.name();
            events.publishEvent(new DocumentLeft(source.id(), id));
            documents.changed(
                    viewer.actor(),
                    document,
                    "moved-away",
                    "moved “" + before + "” to the file " + target.number() + " of " + target.name());
            document.moveTo(to);
            documents.renamed(document);
            documents.changed(
                    viewer.actor(),
                    document,
                    "moved-here",
                    "moved “" + before + "” here from the file " + source.number() + " of " + source.name());
            return id;
        });
    }

    /** Puts copies of papers into another file; decisions and signatures stay with the papers they were given on. */
    @Transactional
    public List<UUID> copy(Viewer viewer, List<UUID> ids, UUID to) {
        viewer.requireChange();
        files.visible(viewer, to);
        return each(ids, id -> {
            FiledDocument document = documents.visible(viewer, id);
            FilingDetails old = document.details();
            FilingDetails details = new FilingDetails(
                    to,
                    old.type(),
                    old.furtherTypes(),
                    old.documentDate(),
                    old.effectiveDate(),
                    old.statedExpiry(),
                    old.fields(),
                    old.signedOnPaper(),
                    old.reviewer());
            String from = files.file(document.fileId()).number();
            return documents
                    .file(
                            viewer,
                            details,
                            new Documents.Received(
                                    document.latest().sha256(), calendar.today(), "copied from the file " + from))
                    .id();
        });
    }
}
