package app.denfold.server.letters.writing;

import app.denfold.core.letters.FillLetter.Letter;
import app.denfold.paper.reading.PageFacts;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.content.Contents;
import app.denfold.server.content.destroying.DestroyContent;
import app.denfold.server.documents.DocumentVersion.PageSource;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.FilingDetails;
import app.denfold.server.letters.KeptModel;
import app.denfold.server.letters.KeptModelRepository;
import app.denfold.server.letters.ModelVersion;
import app.denfold.server.letters.ModelVersionRepository;
import app.denfold.server.letters.ModelWords;
import app.denfold.server.letters.ReadModels;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import app.denfold.server.reading.Readings;
import java.time.LocalDate;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Letters from the first word to the paper in the file. */
@Service
class WriteLetters {

    private final DraftLetterRepository letters;
    private final KeptModelRepository models;
    private final ModelVersionRepository versions;
    private final ReadModels read;
    private final LayOutLetters layOut;
    private final AttachedPapers attached;
    private final PersonFiles files;
    private final Accounts accounts;
    private final Documents documents;
    private final Contents contents;
    private final Readings readings;
    private final DestroyContent destroy;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;

    WriteLetters(
            DraftLetterRepository letters,
            KeptModelRepository models,
            ModelVersionRepository versions,
            ReadModels read,
            LayOutLetters layOut,
            AttachedPapers attached,
            PersonFiles files,
            Accounts accounts,
            Documents documents,
            Contents contents,
            Readings readings,
            DestroyContent destroy,
            AuditTrail trail,
            PracticeCalendar calendar,
            TransactionTemplate transactions) {
        this.letters = letters;
        this.models = models;
        this.versions = versions;
        this.read = read;
        this.layOut = layOut;
        this.attached = attached;
        this.files = files;
        this.accounts = accounts;
        this.documents = documents;
        this.contents = contents;
        this.readings = readings;
        this.destroy = destroy;
        this.trail = trail;
        this.calendar = calendar;
        this.transactions = transactions;
    }

    /** A letter with all that it is written by. */
    record Written(DraftLetter draft, PersonFile file, KeptModel model, ModelVersion version, Letter letter) {}

    /**
     * Begins a letter.
     *
     * @param day on which it takes effect: the version and the facts are those that hold then
     * @throws Refusal when the model is not for this file, or has no version in that language on that day
     */
    @Transactional
    public DraftLetter begin(Viewer viewer, UUID fileId, UUID modelId, String language, LocalDate day) {
        viewer.requireChange();
        PersonFile file = files.visible(viewer, fileId);
        KeptModel model = visible(viewer, modelId);
        if (model.isRetired()) {
            throw Refusal.conflict("retired", "“" + model.name() + "” is no longer in use.");
        }
        if (!model.kinds().contains(file.kind())) {
            throw Refusal.invalid("modelId", "“" + model.name() + "” is not for such files.");
        }
        ModelVersion version =
                versions.findFirstByModelIdAndLanguageAndHoldsFromLessThanEqualOrderByHoldsFromDescNumberDesc(
                                modelId, language, day)
                        .orElseThrow(() -> Refusal.invalid(
                                "day",
                                "“" + model.name() + "” has no version in this language that holds on "
                                        + PracticeCalendar.words(day) + "."));
        DraftLetter draft = letters.save(new DraftLetter(fileId, version.id(), day, viewer, calendar.now()));
        tell(viewer, draft, model, "began the letter");
        return draft;
    }

    private KeptModel visible(Viewer viewer, UUID modelId) {
        return models.findById(modelId)
                .filter(m -> viewer.maySee(List.of(m.type())))
                .orElseThrow(() -> Refusal.notFound("model"));
    }

    @Transactional(readOnly = true)
    public Written written(Viewer viewer, UUID id) {
        return written(viewer, draft(viewer, id));
    }

    /** The same of one that the viewer may see. */
    Written written(Viewer viewer, DraftLetter draft) {
        ModelVersion version = version(draft);
        KeptModel model = visible(viewer, version.modelId());
        PersonFile file = files.visible(viewer, draft.fileId());
        Letter letter = read.fill(
                viewer,
                accounts.viewerEvenIfClosed(draft.writerId()).orElse(viewer),
                file,
                version.words(),
                version.language(),
                draft.effectiveOn(),
                draft.writing().asWriting());
        return new Written(draft, file, model, version, letter);
    }

    private ModelVersion version(DraftLetter draft) {
        return versions.findById(draft.versionId()).orElseThrow();
    }

    /** Whoever may see file and papers of the type may go on with it. */
    private DraftLetter draft(Viewer viewer, UUID id) {
        DraftLetter draft = letters.findById(id).orElseThrow(() -> Refusal.notFound("letter"));
        requireVisible(viewer, draft);
        return draft;
    }

    private void requireVisible(Viewer viewer, DraftLetter draft) {
        if (!maySee(viewer, draft)) {
            throw Refusal.notFound("letter");
        }
    }

    boolean maySee(Viewer viewer, DraftLetter draft) {
        KeptModel model = models.findById(version(draft).modelId()).orElseThrow();
        return files.maySee(viewer, draft.fileId()) && viewer.maySee(List.of(model.type()));
    }

    /** @param changes as the writer read it @throws Refusal when somebody else changed it since, or it is filed */
    @Transactional
    public int write(Viewer viewer, UUID id, int changes, WrittenSoFar writing) {
        DraftLetter draft = toChange(viewer, id, changes);
        writing.asWriting();
        draft.write(writing, viewer, calendar.now());
        letters.save(draft);
        return changes + 1;
    }

    /** One that is written on. @param changes as the writer read it */
    DraftLetter toChange(Viewer viewer, UUID id, int changes) {
        viewer.requireChange();
        return open(viewer, draft(viewer, id), changes);
    }

    private static DraftLetter open(Viewer viewer, DraftLetter draft, int changes) {
        if (draft.filedAt() != null) {
            throw Refusal.conflict("filed", "This letter was filed by " + draft.byName() + " meanwhile.");
        }
        if (draft.changes() != changes) {
            throw Refusal.conflict(
                    "changed-meanwhile",
                    draft.byName().equals(viewer.name())
                            ? "You changed this letter elsewhere meanwhile. Look at it again."
                            : draft.byName() + " changed this letter meanwhile. Look at it again.");
        }
        return draft;
    }

    /** Its pages as they are now. */
    record Pages(String sha256, int count) {}

    /** Lays it out unless that was done already. */
    Pages pages(Viewer viewer, UUID id) {
        return pages(Objects.requireNonNull(transactions.execute(t -> whole(viewer, id))));
    }

    /** A letter, and what follows it. */
    private record Whole(Written written, LayOutLetters.Wanted wanted, List<AttachedPapers.Page> attached) {}

    private Whole whole(Viewer viewer, UUID id) {
        Written written = written(viewer, id);
        ModelWords words = written.version.words();
        List<AttachedPapers.Page> behind = attached.of(viewer, written.draft, written.model, words);
        return new Whole(
                written,
                layOut.wanted(
                        written.letter,
                        words,
                        written.model.name(),
                        written.version.language(),
                        behind.stream().map(AttachedPapers.Page::page).toList()),
                behind);
    }

    private Pages pages(Whole whole) {
        DraftLetter draft = whole.written.draft;
        String key = LayOutLetters.key(whole.wanted);
        String shown = draft.previewSha256();
        if (shown == null || !key.equals(draft.previewOf())) {
            shown = show(draft.id(), key, layOut.layOut(whole.wanted));
        }
        return new Pages(shown, contents.content(shown).pages());
    }

    /** @return what is shown from now on: of two that were laid out alike at once, the first */
    private String show(UUID id, String key, Contents.Prepared made) {
        return Objects.requireNonNull(transactions.execute(t -> {
            DraftLetter draft = letters.findToFile(id)
                    .filter(d -> d.filedAt() == null)
                    .orElseThrow(() -> Refusal.conflict("filed", "This letter was filed meanwhile."));
            String before = draft.previewSha256();
            if (before != null && key.equals(draft.previewOf())) {
                return before;
            }
            contents.register(made);
            letters.show(id, made.sha256(), key);
            if (before != null && !before.equals(made.sha256())) {
                destroy.unlessUsed(before);
            }
            return made.sha256();
        }));
    }

    /** The pages as they were last laid out, unless they say something else than the viewer may know by now. */
    @Transactional(readOnly = true)
    public String shown(Viewer viewer, UUID id) {
        Whole whole = whole(viewer, id);
        DraftLetter draft = whole.written.draft;
        String shown = draft.previewSha256();
        if (shown == null || !LayOutLetters.key(whole.wanted).equals(draft.previewOf())) {
            throw Refusal.notFound("page");
        }
        return shown;
    }

    /**
     * Files it as a paper of its model's type.
     *
     * @throws Refusal when something is missing that must be known, or somebody changed it since it was looked at
     */
    FiledDocument file(Viewer viewer, UUID id, int changes) {
        viewer.requireChange();
        Whole whole = Objects.requireNonNull(transactions.execute(t -> {
            open(viewer, draft(viewer, id), changes);
            return whole(viewer, id);
        }));
        Written written = whole.written;
        requireReady(written.letter);
        // what was found ready is what is filed: the pages that were looked at, unless the file knows something else by
        // now
        Pages pages = pages(whole);
        List<PageFacts> read = layOut.read(whole.wanted, pages.sha256);
        return Objects.requireNonNull(transactions.execute(t -> {
            DraftLetter draft = letters.findToFile(id).orElseThrow(() -> Refusal.notFound("letter"));
            requireVisible(viewer, draft);
            open(viewer, draft, changes);
            if (!pages.sha256.equals(draft.previewSha256())) {
                throw Refusal.conflict(
                        "changed-meanwhile", "What the file knows changed just now. Look at the letter again.");
            }
            LocalDate today = calendar.today();
            LocalDate day = draft.effectiveOn();
            FiledDocument filed = documents.file(
                    viewer,
                    new FilingDetails(
                            draft.fileId(), written.model.type(), today, day.equals(today) ? null : day, null),
                    new Documents.Received(
                            pages.sha256,
                            today,
                            "written as “" + written.model.name() + "”, version " + written.version.number(),
                            false,
                            sources(pages.count, whole.attached)));
            if (read.isEmpty()) {
                readings.ask(pages.sha256);
            } else {
                readings.note(pages.sha256, read);
            }
            draft.file(filed.id(), viewer, calendar.now());
            letters.save(draft);
            return filed;
        }));
    }

    /** @return null where none of its pages comes from elsewhere */
    private static @Nullable List<PageSource> sources(int pages, List<AttachedPapers.Page> attached) {
        return attached.isEmpty()
                ? null
                : Stream.concat(
                                IntStream.rangeClosed(1, pages - attached.size())
                                        .mapToObj(page -> new PageSource(null, 0, page, 0)),
                                attached.stream().map(AttachedPapers.Page::source))
                        .toList();
    }

    private static void requireReady(Letter letter) {
        if (!letter.isReady()) {
            throw Refusal.conflict(
                    "missing",
                    "Something is missing that the letter must say. Answer what is asked before you file it.");
        }
    }

    /** A filed one stays, as the paper does. */
    @Transactional
    public void discard(Viewer viewer, UUID id) {
        viewer.requireChange();
        DraftLetter draft = draft(viewer, id);
        if (draft.filedAt() != null) {
            throw Refusal.conflict("filed", "This letter is filed; its paper can be thrown away in the file.");
        }
        tell(viewer, draft, models.findById(version(draft).modelId()).orElseThrow(), "threw away the letter");
        String shown = draft.previewSha256();
        letters.delete(draft);
        if (shown != null) {
            letters.flush();
            destroy.unlessUsed(shown);
        }
    }

    private void tell(Viewer viewer, DraftLetter draft, KeptModel model, String done) {
        trail.record(AuditEntry.ofFile(viewer.actor(), "letter", draft.fileId(), done + " “" + model.name() + "”")
                .about(List.of(model.type())));
    }
}
