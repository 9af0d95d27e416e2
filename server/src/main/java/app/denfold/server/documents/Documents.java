package app.denfold.server.documents;

import app.denfold.core.filing.DocumentState;
import app.denfold.core.rules.Document;
import app.denfold.server.access.Actor;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.DocumentTypes;
import app.denfold.server.catalog.KeptDocumentType;
import app.denfold.server.documents.DocumentEvents.FileContentChanged;
import app.denfold.server.documents.DocumentEvents.VersionAdded;
import app.denfold.server.documents.DocumentVersion.PageSource;
import app.denfold.server.documents.FiledDocumentRepository.KeptState;
import app.denfold.server.documents.FilingDetails.SignedOnPaper;
import app.denfold.server.documents.guarding.ConfirmedSections;
import app.denfold.server.documents.guarding.Holds;
import app.denfold.server.people.PeopleEvents.PersonChanged;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Documents in files: filed, seen, signed, renewed. */
@Service
public class Documents {

    private final FiledDocumentRepository documents;
    private final PersonFiles files;
    private final Catalog catalog;
    private final FilingCheck check;
    private final Holds holds;
    private final ConfirmedSections sections;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;
    private final ApplicationEventPublisher events;

    Documents(
            FiledDocumentRepository documents,
            PersonFiles files,
            Catalog catalog,
            FilingCheck check,
            Holds holds,
            ConfirmedSections sections,
            AuditTrail trail,
            PracticeCalendar calendar,
            ApplicationEventPublisher events) {
        this.documents = documents;
        this.files = files;
        this.catalog = catalog;
        this.check = check;
        this.holds = holds;
        this.sections = sections;
        this.trail = trail;
        this.calendar = calendar;
        this.events = events;
    }

    /**
     * Where a paper's bytes are and how they came.
     *
     * @param pages where each of its pages comes from; null where from no filed paper
     */
    public record Received(
            String sha256,
            LocalDate receivedOn,
            String source,
            boolean fromOutside,
            @Nullable List<PageSource> pages) {

        /** One whose pages come from no filed paper. */
        public Received(String sha256, LocalDate receivedOn, String source, boolean fromOutside) {
            this(sha256, receivedOn, source, fromOutside, null);
        }

        /** One that somebody of the practice brought in. */
        public Received(String sha256, LocalDate receivedOn, String source) {
            this(sha256, receivedOn, source, false, null);
        }
    }

    /** @throws Refusal when the viewer may not change the file or not see the type, or a day cannot be */
    @Transactional
    public FiledDocument file(Viewer viewer, FilingDetails details, Received received) {
        viewer.requireChange();
        files.visible(viewer, details.fileId());
        DocumentTypes types = visibleTypes(viewer, details);
        check.check(details, types);
        sections.requireOpen(viewer, details.fileId(), types);
        UUID ended = endWaiting(viewer, details);
        FiledDocument filed = keep(viewer.actor(), details, types, received, false);
        filed.endWait(ended);
        return filed;
    }

    /** Files a placeholder for a paper that has not come. @throws Refusal as filing would */
    @Transactional
    public FiledDocument await(Viewer viewer, FilingDetails details, Received received) {
        viewer.requireChange();
        files.visible(viewer, details.fileId());
        DocumentTypes types = visibleTypes(viewer, details);
        check.check(details, types);
        sections.requireOpen(viewer, details.fileId(), types);
        return keep(viewer.actor(), details, types, received, true);
    }

    /**
     * What was awaited has come: its placeholder goes, unless something was done with it.
     *
     * @return the placeholder's id; null when nothing was awaited
     */
    private @Nullable UUID endWaiting(Viewer viewer, FilingDetails details) {
        return documents
                .findByFileIdAndTypeAndAwaitedTrueAndEnteredInErrorOnIsNullOrderByCreatedAt(
                        details.fileId(), details.type())
                .stream()
                .filter(FiledDocument::isUntouched)
                .findFirst()
                .map(awaited -> {
                    awaited.discard(viewer.name(), calendar.now());
                    changed(
                            viewer.actor(),
                            awaited,
                            "discarded",
                            "filed what was awaited, so that “" + awaited.name() + "” is no longer");
                    return awaited.id();
                })
                .orElse(null);
    }

    /** What had come was taken back: its placeholder, if it still lies in the wastebasket, waits again. */
    private void waitAgain(Viewer viewer, FiledDocument takenBack) {
        if (takenBack.endedWait() == null) {
            return;
        }
        documents.findInWastebasket(takenBack.endedWait()).ifPresent(awaited -> {
            awaited.takeOut();
            rename(awaited);
            changed(viewer.actor(), awaited, "restored", "“" + awaited.name() + "” waits again");
        });
    }

    /** What was decided about a paper before it came into this installation; nulls where nothing was. */
    public record History(
            @Nullable LocalDate acceptedOn,
            @Nullable String acceptedBy,
            @Nullable LocalDate sentBackOn,
            @Nullable String sentBackReason,
            List<GivenSignature> signatures) {

        public static History none() {
            return new History(null, null, null, null, List.of());
        }
    }

    /** Takes over a paper together with what was decided about it earlier. */
    @Transactional
    public FiledDocument takeOver(Actor by, FilingDetails details, Received received, History history) {
        DocumentTypes types = catalog.types(details.types());
        DocumentVersion first = new DocumentVersion(received.sha256(), "as received", by.name(), calendar.now());
        FiledDocument document = new FiledDocument(details, received, first);
        document.remember(history);
        rename(document, types);
        documents.save(document);
        changed(by, document, "filed", "filed “" + document.name() + "”, " + received.source());
        return document;
    }

    private FiledDocument keep(
            Actor by, FilingDetails details, DocumentTypes types, Received received, boolean awaited) {
        DocumentVersion first =
                new DocumentVersion(received.sha256(), "as received", by.name(), calendar.now(), received.pages());
        FiledDocument document = new FiledDocument(details, received, first);
        if (awaited) {
            document.await();
        }
        see(by, document, details);
        rename(document, types);
        documents.save(document);
        if (received.pages() != null) {
            events.publishEvent(new VersionAdded(document.id(), 1));
        }
        changed(by, document, "filed", "filed “" + document.name() + "”, " + received.source() + seen(details));
        return document;
    }

    private static void see(Actor by, FiledDocument document, FilingDetails details) {
        if (details.signedOnPaper() != null) {
            document.see(details.signedOnPaper(), by.name());
        }
    }

    /** What was seen on the paper, for the trail: {@code ; saw that Ruth signed it as guardian on 1 March 2026}. */
    private static String seen(FilingDetails details) {
        List<SignedOnPaper> signatures = details.signedOnPaper() == null ? List.of() : details.signedOnPaper();
        return signatures.stream()
                .map(s -> s.signer() + " signed it as " + s.role() + " on " + PracticeCalendar.words(s.signedOn()))
                .collect(Collectors.collectingAndThen(
                        Collectors.joining(", "), all -> all.isEmpty() ? "" : "; saw on the paper that " + all));
    }

    /** What is said of the paper from now on, its signatures on paper included. @return what was seen of these, for the trail */
    public String correct(Viewer viewer, FiledDocument document, FilingDetails details) {
        boolean isSame = details.signedOnPaper() == null
                || details.signedOnPaper().equals(document.details().signedOnPaper());
        document.correct(details);
        see(viewer.actor(), document, details);
        return isSame ? "" : seen(details).isEmpty() ? "; no signature is on the paper" : seen(details);
    }

    /** The document this paper would become, named and not stored. @throws Refusal as filing would */
    @Transactional(readOnly = true)
    public FiledDocument draft(Viewer viewer, FilingDetails details, LocalDate receivedOn) {
        files.visible(viewer, details.fileId());
        DocumentTypes types = visibleTypes(viewer, details);
        check.check(details, types);
        sections.requireOpen(viewer, details.fileId(), types);
        DocumentVersion none = new DocumentVersion("", "draft", viewer.name(), calendar.now());
        FiledDocument draft = new FiledDocument(details, new Received("", receivedOn, "draft"), none);
        see(viewer.actor(), draft, details);
        rename(draft, types);
        return draft;
    }

    public DocumentTypes visibleTypes(Viewer viewer, FilingDetails details) {
        DocumentTypes types = catalog.types(details.types());
        for (KeptDocumentType type : types.all()) {
            if (!viewer.maySee(List.of(type.code()))) {
                String field = type.code().equals(details.type()) ? "type" : "furtherTypes";
                throw Refusal.invalid(field, "Your account does not handle papers of this type.");
            }
        }
        return types;
    }

    /** Gives it its name anew. */
    public void renamed(FiledDocument document) {
        rename(document);
    }

    /**
     * Has the name of a complete paper say what it still lacks, at its end.
     *
     * @param words such as {@code not sent to insurer}; empty for nothing
     */
    @Transactional(propagation = Propagation.MANDATORY)
    public void lack(FiledDocument document, String words) {
        if (document.lack(words)) {
            String before = document.name();
            rename(document);
            if (!before.equals(document.name())) {
                events.publishEvent(new FileContentChanged(document.fileId(), document.id()));
            }
        }
    }

    private void rename(FiledDocument document) {
        rename(document, typesOf(document));
    }

    DocumentTypes typesOf(FiledDocument document) {
        return catalog.types(document.types());
    }

    private void rename(FiledDocument document, DocumentTypes types) {
        Set<String> taken = new HashSet<>(documents.findNames(document.fileId(), document.id()));
        document.rename(types, files.file(document.fileId()), taken);
    }

    /** Names that say whose the papers are follow the person. */
    @EventListener
    void on(PersonChanged event) {
        List<FiledDocument> all = documents.findWithVersions(event.fileId());
        Set<String> names = all.stream().map(FiledDocument::name).collect(Collectors.toCollection(HashSet::new));
        PersonFile file = files.file(event.fileId());
        for (FiledDocument document : all) {
            names.remove(document.name());
            document.rename(typesOf(document), file, names);
            names.add(document.name());
        }
    }

    /** @throws Refusal when there is no such document or the viewer may not see it */
    @Transactional(readOnly = true)
    public FiledDocument visible(Viewer viewer, UUID id) {
        FiledDocument document = document(id);
        files.visible(viewer, document.fileId());
        if (!maySee(viewer, document)) {
            throw Refusal.notFound("document");
        }
        return document;
    }

    /** Those of these documents that the viewer may see, in no order. */
    @Transactional(readOnly = true)
    public List<FiledDocument> visible(Viewer viewer, Collection<UUID> ids) {
        List<FiledDocument> all = documents.findByIdIn(ids);
        Set<UUID> visible = files.visibleAmong(
                viewer, all.stream().map(FiledDocument::fileId).toList());
        return all.stream()
                .filter(d -> visible.contains(d.fileId()) && maySee(viewer, d))
                .toList();
    }

    private static boolean maySee(Viewer viewer, FiledDocument document) {
        return viewer.maySee(document.types());
    }

    /** Reads these documents and their files at once, so that each of them is at hand in the running transaction. */
    @Transactional(propagation = Propagation.MANDATORY)
    public void readTogether(Collection<UUID> ids) {
        files.readTogether(
                documents.findAllById(ids).stream().map(FiledDocument::fileId).toList());
    }

    /** The document, whoever asks; for the product's own work. */
    @Transactional(readOnly = true)
    public FiledDocument document(UUID id) {
        return documents.findById(id).orElseThrow(() -> Refusal.notFound("document"));
    }

    /** What the document's type is called. */
    public String typeLabel(FiledDocument document) {
        return catalog.type(document.type()).label();
    }

    /** How the document stands now. */
    public DocumentState state(FiledDocument document) {
        return document.state(typesOf(document));
    }

    /** The versions of a document, oldest first. */
    @Transactional(readOnly = true)
    public List<DocumentVersion> versions(UUID id) {
        return document(id).versions();
    }

    /** One that lies in its file; empty when it lies in the wastebasket or is destroyed. */
    @Transactional(readOnly = true)
    public Optional<FiledDocument> outsideWastebasket(UUID id) {
        return documents.findById(id);
    }

    /** Those of these that lie in their files. */
    @Transactional(readOnly = true)
    public List<FiledDocument> outsideWastebasket(Collection<UUID> ids) {
        return documents.findByIdIn(ids);
    }

    /** Of papers that were read before: those that others changed since, and those that are gone. */
    public record Outdated(Set<UUID> changed, Set<UUID> gone) {}

    @Transactional(readOnly = true)
    public Outdated outdated(Collection<FiledDocument> papers) {
        Map<UUID, KeptState> now = documents
                .findStates(papers.stream().map(FiledDocument::id).toList())
                .stream()
                .collect(Collectors.toMap(KeptState::id, s -> s));
        Outdated outdated = new Outdated(new HashSet<>(), new HashSet<>());
        for (FiledDocument paper : papers) {
            KeptState kept = now.get(paper.id());
            if (kept == null) {
                outdated.gone.add(paper.id());
            } else if (kept.changes() != paper.changes() || !kept.lacks().equals(paper.lacks())) {
                outdated.changed.add(paper.id());
            }
        }
        return outdated;
    }

    @Transactional(readOnly = true)
    public List<UUID> idsOfFile(UUID fileId) {
        return documents.findIdsOfFile(fileId);
    }

    /** Of those one of whose versions has these bytes. */
    @Transactional(readOnly = true)
    public List<UUID> idsWith(String sha256) {
        return documents.findIdsWithContent(sha256);
    }

    @Transactional(readOnly = true)
    public List<UUID> allIds() {
        return documents.findAllIds();
    }

    /** All documents of a file, newest date first, those entered in error included. */
    @Transactional(readOnly = true)
    public List<FiledDocument> ofFile(UUID fileId) {
        return documents.findWithVersions(fileId);
    }

    /** Documents that hold these bytes, whoever asks; those in the wastebasket are left out. */
    @Transactional(readOnly = true)
    public List<FiledDocument> with(String sha256) {
        return documents.findWithContent(sha256);
    }

    /** Documents that hold these bytes and that the viewer may see. */
    @Transactional(readOnly = true)
    public List<FiledDocument> visibleWith(Viewer viewer, String sha256) {
        return documents.findWithContent(sha256).stream()
                .filter(d -> maySee(viewer, d) && files.maySee(viewer, d.fileId()))
                .toList();
    }

    /** What the rules need to know of the documents of these files, in two reads however many they are. */
    @Transactional(readOnly = true)
    public Map<UUID, List<Document>> forRules(Collection<UUID> fileIds) {
        Map<UUID, List<Document.Signature>> signatures = new HashMap<>();
        documents.findSignatures(fileIds).forEach(row -> signatures
                .computeIfAbsent((UUID) row[0], id -> new ArrayList<>())
                .add(new Document.Signature((String) row[1], (LocalDate) row[2])));
        Map<UUID, List<Document>> byFile = new HashMap<>();
        for (Object[] row : documents.findForRules(fileIds)) {
            Document newest = new Document(
                    row[1].toString(),
                    (String) row[2],
                    (LocalDate) row[3],
                    (LocalDate) row[4],
                    (LocalDate) row[5],
                    (LocalDate) (row[11] == null ? row[6] : row[11]),
                    (LocalDate) row[7],
                    (LocalDate) row[8],
                    (LocalDate) row[9],
                    signatures.getOrDefault((UUID) row[1], List.of()));
            List<Document> papers = byFile.computeIfAbsent((UUID) row[0], id -> new ArrayList<>());
            FiledDocument.withSuperseded(newest, former(row[12])).forEach(one -> {
                papers.add(one);
                for (String further : (String[]) row[10]) {
                    papers.add(one.as(further));
                }
            });
        }
        return byFile;
    }

    @SuppressWarnings("unchecked")
    private static List<SupersededState> former(Object column) {
        return (List<SupersededState>) column;
    }

    /** The document, if the viewer may change it now. @throws Refusal naming what keeps him from it */
    public FiledDocument changeable(Viewer viewer, UUID id) {
        viewer.requireChange();
        FiledDocument document = visible(viewer, id);
        holds.requireFree(viewer, id);
        sections.requireOpen(viewer, document.fileId(), typesOf(document));
        return document;
    }

    /** The same, if it was not marked as entered in error. */
    public FiledDocument open(Viewer viewer, UUID id) {
        FiledDocument document = changeable(viewer, id);
        if (document.isEnteredInError()) {
            throw Refusal.conflict(
                    "entered-in-error", "This paper was marked as entered in error and can no longer be changed.");
        }
        return document;
    }

    /**
     * Removes a document on which nothing was built: one version, no decision, no signature.
     *
     * @throws Refusal when something was
     */
    @Transactional
    public void takeBack(Viewer viewer, UUID id) {
        FiledDocument document = open(viewer, id);
        if (!document.isUntouched()) {
            throw Refusal.conflict("built-on", "Something was done with this paper since; it stays where it is.");
        }
        events.publishEvent(new DocumentEvents.FilingTakenBack(id));
        // the person before the paper, as everybody who holds both
        files.lock(List.of(document.fileId()));
        documents.delete(document);
        try {
            documents.flush();
        } catch (org.springframework.dao.DataIntegrityViolationException used) {
            throw Refusal.conflict("built-on", "This paper was shared or is being signed; it stays where it is.");
        }
        changed(viewer.actor(), document, "filing-undone", "took back the filing of “" + document.name() + "”");
        waitAgain(viewer, document);
    }

    /**
     * Notes a signature given on the newest version of the document, or on what that is a sealed copy of.
     *
     * @param by as the trail names whoever signed
     * @param where that was, as it follows the sentence in the trail; empty for nothing
     */
    @Transactional
    public void sign(UUID id, GivenSignature signature, Actor by, String where) {
        FiledDocument document = document(id);
        document.sign(signature);
        rename(document);
        changed(by, document, "signed", "signed “" + document.name() + "” as " + signature.role() + where);
    }

    /**
     * Takes what was written on a paper into the fields of its types that are still empty; other words are left.
     *
     * @param written by what stands beside them, capital letters aside
     */
    @Transactional
    public void fillIn(UUID id, Map<String, String> written, Actor by) {
        FiledDocument document = document(id);
        Map<String, String> values = new LinkedHashMap<>();
        typesOf(document)
                .fieldNames()
                .forEach(field -> written.forEach((label, value) -> {
                    boolean isEmpty = document.fields().getOrDefault(field, "").isBlank();
                    if (field.equalsIgnoreCase(label) && isEmpty) {
                        values.put(field, value);
                    }
                }));
        if (!values.isEmpty()) {
            document.fillIn(values);
            rename(document);
            changed(
                    by,
                    document,
                    "filled-in",
                    "wrote " + String.join(" and ", values.keySet()) + " of “" + document.name() + "” while signing");
        }
    }

    /** Adds other bytes as a newer version; older ones stay, and what was decided on them holds for them alone. */
    @Transactional
    public void addVersion(Actor by, UUID id, String sha256, String cause, String sentence) {
        add(by, id, sha256, null, cause, sentence, false);
    }

    /** The same of a version made of pages that were there. @param pages where each of them comes from */
    @Transactional
    public void addVersion(Actor by, UUID id, String sha256, List<PageSource> pages, String cause, String sentence) {
        add(by, id, sha256, pages, cause, sentence, false);
    }

    /** Adds a newer version that shows the same paper, such as its sealed copy; what was decided on it goes on. */
    @Transactional
    public void addCopy(Actor by, UUID id, String sha256, String cause, String sentence) {
        add(by, id, sha256, null, cause, sentence, true);
    }

    private void add(
            Actor by,
            UUID id,
            String sha256,
            @Nullable List<PageSource> pages,
            String cause,
            String sentence,
            boolean same) {
        FiledDocument document = document(id);
        String before = document.name();
        document.add(new DocumentVersion(sha256, cause, by.name(), calendar.now(), pages), calendar.today(), same);
        rename(document);
        events.publishEvent(new VersionAdded(id, document.versions().size()));
        changed(by, document, "version-added", sentence + (before.equals(document.name()) ? "" : waitsAgain(document)));
    }

    private String waitsAgain(FiledDocument document) {
        return ", now “" + document.name() + "”";
    }

    public void changed(Actor by, FiledDocument document, String action, String sentence) {
        trail.record(new AuditEntry(by, action, document.fileId(), document.id(), sentence));
        files.touch(document.fileId());
        events.publishEvent(new FileContentChanged(document.fileId(), document.id()));
    }
}
