package app.denfold.server.letters.writing;

import app.denfold.core.letters.FillLetter.Letter;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.content.destroying.DestroyContent;
import app.denfold.server.letters.KeptModel;
import app.denfold.server.letters.KeptModelRepository;
import app.denfold.server.letters.ModelVersion;
import app.denfold.server.letters.ModelVersionRepository;
import app.denfold.server.letters.ReadModels;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Letters from the first word to the last correction. */
@Service
public class WriteLetters {

    private final DraftLetterRepository letters;
    private final KeptModelRepository models;
    private final ModelVersionRepository versions;
    private final ReadModels read;
    private final PersonFiles files;
    private final Accounts accounts;
    private final DestroyContent destroy;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    WriteLetters(
            DraftLetterRepository letters,
            KeptModelRepository models,
            ModelVersionRepository versions,
            ReadModels read,
            PersonFiles files,
            Accounts accounts,
            DestroyContent destroy,
            AuditTrail trail,
            PracticeCalendar calendar) {
        this.letters = letters;
        this.models = models;
        this.versions = versions;
        this.read = read;
        this.files = files;
        this.accounts = accounts;
        this.destroy = destroy;
        this.trail = trail;
        this.calendar = calendar;
    }

    /** A letter with all that it is written by. */
    public record Written(DraftLetter draft, PersonFile file, KeptModel model, ModelVersion version, Letter letter) {}

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
    public Written written(Viewer viewer, DraftLetter draft) {
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
    DraftLetter draft(Viewer viewer, UUID id) {
        DraftLetter draft = letters.findById(id).orElseThrow(() -> Refusal.notFound("letter"));
        requireVisible(viewer, draft);
        return draft;
    }

    void requireVisible(Viewer viewer, DraftLetter draft) {
        if (!maySee(viewer, draft)) {
            throw Refusal.notFound("letter");
        }
    }

    public boolean maySee(Viewer viewer, DraftLetter draft) {
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

    static DraftLetter open(Viewer viewer, DraftLetter draft, int changes) {
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
