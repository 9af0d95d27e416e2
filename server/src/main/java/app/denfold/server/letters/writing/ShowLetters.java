package app.denfold.server.letters.writing;

import app.denfold.core.letters.AskedFor;
import app.denfold.core.letters.FillLetter;
import app.denfold.core.letters.LetterBlock;
import app.denfold.core.letters.RichText;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.letters.KeptModel;
import app.denfold.server.letters.KeptModelRepository;
import app.denfold.server.letters.KnownNames;
import app.denfold.server.letters.ModelVersion;
import app.denfold.server.letters.ModelVersionRepository;
import app.denfold.server.letters.ModelWords;
import app.denfold.server.letters.ModelWords.Piece;
import app.denfold.server.letters.writing.WriteLetters.Written;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Letters as their writers see them. */
@Service
class ShowLetters {

    private static final Limit MOST = Limit.of(2_000);
    private static final int SHOWN = 200;

    private final DraftLetterRepository letters;
    private final WriteLetters write;
    private final KeptModelRepository models;
    private final ModelVersionRepository versions;
    private final AttachedPapers attached;
    private final KnownNames names;
    private final PersonFiles files;
    private final AuditTrail trail;

    ShowLetters(
            DraftLetterRepository letters,
            WriteLetters write,
            KeptModelRepository models,
            ModelVersionRepository versions,
            AttachedPapers attached,
            KnownNames names,
            PersonFiles files,
            AuditTrail trail) {
        this.letters = letters;
        this.write = write;
        this.models = models;
        this.versions = versions;
        this.attached = attached;
        this.names = names;
        this.files = files;
        this.trail = trail;
    }

    /** A letter in a list. @param documentId null while it is not filed */
    record LetterLine(
            UUID id,
            UUID fileId,
            String person,
            String model,
            LocalDate effectiveOn,
            String by,
            Instant changedAt,
            @Nullable UUID documentId) {}

    /** @param open that wait to be filed, the last changed first @param filed lately */
    record LettersAnswer(List<LetterLine> open, List<LetterLine> filed) {}

    /** Those that the viewer may see, of all files: all that are open, and up to 200 that were filed lately. */
    @Transactional(readOnly = true)
    LettersAnswer all(Viewer viewer) {
        List<LetterLine> filed = lines(viewer, letters.findFiled(MOST));
        return new LettersAnswer(
                lines(viewer, letters.findOpen(MOST)), filed.subList(0, Math.min(SHOWN, filed.size())));
    }

    /** Of one file. */
    @Transactional(readOnly = true)
    List<LetterLine> ofFile(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        return lines(viewer, letters.findByFileIdOrderByChangedAtDesc(fileId));
    }

    private List<LetterLine> lines(Viewer viewer, List<DraftLetter> some) {
        Set<UUID> visible = files.visibleAmong(
                viewer, some.stream().map(DraftLetter::fileId).collect(Collectors.toSet()));
        Map<UUID, String> people =
                files.files(visible).stream().collect(Collectors.toMap(PersonFile::id, PersonFile::name));
        Map<UUID, KeptModel> byVersion = new HashMap<>();
        versions.findAllById(
                        some.stream().map(DraftLetter::versionId).distinct().toList())
                .forEach(v -> byVersion.put(v.id(), models.findById(v.modelId()).orElseThrow()));
        return some.stream()
                .filter(l -> visible.contains(l.fileId()))
                .filter(l -> viewer.maySee(List.of(
                        Objects.requireNonNull(byVersion.get(l.versionId())).type())))
                .map(l -> new LetterLine(
                        l.id(),
                        l.fileId(),
                        people.getOrDefault(l.fileId(), ""),
                        Objects.requireNonNull(byVersion.get(l.versionId())).name(),
                        l.effectiveOn(),
                        l.byName(),
                        l.changedAt(),
                        l.documentId()))
                .toList();
    }

    /**
     * A block for its writer.
     *
     * @param words what it is written by: its model's, or the writer's correction, with its places
     * @param content as it will stand in the letter
     */
    record BlockAnswer(
            String id,
            @Nullable String name,
            boolean locked,
            boolean optional,
            boolean leftOut,
            boolean differs,
            List<Piece> words,
            List<Piece> content) {}

    /**
     * Something the letter says that is asked of the writer, or not known of the file.
     *
     * @param answer what was answered; null when nothing was
     * @param problem why the answer cannot stand; null when it can
     * @param keepable whether the file can keep the answer
     */
    record AskAnswer(
            String name,
            String label,
            AskedFor.Kind kind,
            boolean mustBeKnown,
            @Nullable String answer,
            @Nullable String problem,
            boolean keepable) {}

    /** Something that the model attaches or offers. @param attached whether it follows this letter */
    record AttachmentAnswer(UUID id, String name, boolean always, boolean attached) {}

    /**
     * @param attachments what the model attaches, or offers to
     * @param papers of the file that are attached
     * @param attachable whether papers can be
     * @param changes how often it was changed, which a change of it has to name
     * @param ready whether it can be filed
     */
    record LetterAnswer(
            UUID id,
            int changes,
            UUID fileId,
            String person,
            String model,
            int version,
            String language,
            LocalDate effectiveOn,
            boolean ready,
            List<AskAnswer> asks,
            List<BlockAnswer> blocks,
            List<AttachmentAnswer> attachments,
            List<AttachedPapers.Attached> papers,
            boolean attachable,
            WrittenSoFar writing,
            String by,
            Instant changedAt,
            @Nullable UUID documentId) {}

    /** Whoever reads it has seen what the file knows, which the trail says. */
    @Transactional
    LetterAnswer one(Viewer viewer, UUID id) {
        Written written = write.written(viewer, id);
        DraftLetter draft = written.draft();
        trail.openedFile(viewer, draft.fileId(), written.file().name());
        return new LetterAnswer(
                draft.id(),
                draft.changes(),
                draft.fileId(),
                written.file().name(),
                written.model().name(),
                written.version().number(),
                written.version().language(),
                draft.effectiveOn(),
                written.letter().isReady(),
                asks(written, draft.documentId() == null ? names.keepable(viewer, written.file()) : Set.of()),
                written.letter().blocks().stream().map(b -> block(b, draft)).toList(),
                attachments(written),
                attached.chosen(viewer, draft),
                AttachedPapers.canFollow(written.version().words()),
                draft.writing(),
                draft.byName(),
                draft.changedAt(),
                draft.documentId());
    }

    private static List<AttachmentAnswer> attachments(Written written) {
        List<UUID> chosen = written.draft().writing().attached();
        return written.version().words().attached().stream()
                .map(a -> new AttachmentAnswer(
                        a.formId(), a.name(), a.always(), a.always() || chosen.contains(a.formId())))
                .toList();
    }

    private static BlockAnswer block(FillLetter.Filled filled, DraftLetter draft) {
        LetterBlock block = filled.block();
        List<Piece> words = filled.differs()
                ? Objects.requireNonNull(draft.writing().corrected().get(block.id()))
                : pieces(block.content());
        return new BlockAnswer(
                block.id(),
                block.name(),
                block.locked(),
                block.optional(),
                filled.isLeftOut(),
                filled.differs(),
                words,
                pieces(filled.content()));
    }

    private static List<Piece> pieces(List<RichText> content) {
        return content.stream().map(Piece::of).toList();
    }

    /** What is asked always, then what is missing besides; what was answered stays, so that it can be changed. */
    private List<AskAnswer> asks(Written written, Set<String> keepable) {
        Map<String, String> answers = written.draft().writing().answers();
        Map<String, FillLetter.Missing> missing = written.letter().missing().stream()
                .collect(Collectors.toMap(FillLetter.Missing::name, Function.identity()));
        Map<String, String> labels = new HashMap<>();
        Map<String, AskedFor.Kind> kinds = new HashMap<>();
        names.all().forEach(n -> {
            labels.put(n.name(), n.label());
            kinds.put(n.name(), n.kind());
        });
        Set<String> asked = new LinkedHashSet<>();
        for (ModelWords.Question question : questions(written.version())) {
            String name = AskedFor.PREFIX + question.code();
            labels.put(name, question.label());
            kinds.put(name, question.kind());
            asked.add(name);
        }
        asked.addAll(missing.keySet());
        answers.forEach((name, answer) -> {
            if (!answer.isBlank()) {
                asked.add(name);
            }
        });
        return asked.stream()
                .map(name -> {
                    FillLetter.Missing open = missing.get(name);
                    return new AskAnswer(
                            name,
                            labels.getOrDefault(name, name),
                            kinds.getOrDefault(name, AskedFor.Kind.TEXT),
                            open != null && open.mustBeKnown(),
                            answers.get(name),
                            open == null ? null : open.problem(),
                            keepable.contains(name));
                })
                .toList();
    }

    private static List<ModelWords.Question> questions(ModelVersion version) {
        return version.words().asks();
    }
}
