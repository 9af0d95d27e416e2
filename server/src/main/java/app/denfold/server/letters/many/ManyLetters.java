package app.denfold.server.letters.many;

import app.denfold.core.letters.AskedFor;
import app.denfold.core.letters.FillLetter;
import app.denfold.server.access.Viewer;
import app.denfold.server.letters.KnownNames;
import app.denfold.server.letters.ModelVersion;
import app.denfold.server.letters.ModelVersionRepository;
import app.denfold.server.letters.ModelWords.Question;
import app.denfold.server.letters.writing.DraftLetter;
import app.denfold.server.letters.writing.DraftLetterRepository;
import app.denfold.server.letters.writing.WriteLetters;
import app.denfold.server.letters.writing.WriteLetters.Written;
import app.denfold.server.letters.writing.WrittenSoFar;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The same letter for many people: begun and answered together, each corrected by itself. */
@Service
class ManyLetters {

    private static final int MOST = 200;

    private final LetterBatchRepository batches;
    private final DraftLetterRepository letters;
    private final WriteLetters write;
    private final ModelVersionRepository versions;
    private final KnownNames names;
    private final FileLettersJob job;
    private final PracticeCalendar calendar;

    ManyLetters(
            LetterBatchRepository batches,
            DraftLetterRepository letters,
            WriteLetters write,
            ModelVersionRepository versions,
            KnownNames names,
            FileLettersJob job,
            PracticeCalendar calendar) {
        this.batches = batches;
        this.letters = letters;
        this.write = write;
        this.versions = versions;
        this.names = names;
        this.job = job;
        this.calendar = calendar;
    }

    /** @throws Refusal when one of them cannot be begun; then none is */
    @Transactional
    public UUID begin(Viewer viewer, List<UUID> fileIds, UUID modelId, String language, LocalDate day) {
        List<UUID> files = fileIds.stream().distinct().toList();
        if (files.isEmpty() || files.size() > MOST) {
            throw Refusal.invalid("files", "Choose from 1 to " + MOST + " people.");
        }
        List<DraftLetter> begun = new ArrayList<>();
        for (UUID file : files) {
            begun.add(write.begin(viewer, file, modelId, language, day));
        }
        LetterBatch batch = batches.save(new LetterBatch(begun.get(0).versionId(), day, viewer, calendar.now()));
        begun.forEach(letter -> letter.writeWith(batch.id()));
        letters.saveAll(begun);
        return batch.id();
    }

    /** One of them. @param missing what stands open in it, in words @param documentId null while it is not filed */
    record BatchLine(
            UUID id,
            UUID fileId,
            String person,
            boolean ready,
            List<String> missing,
            boolean differs,
            @Nullable UUID documentId) {}

    /**
     * All of them that the viewer may see.
     *
     * @param asks what is asked of the writer, with what was answered for all that are not filed; null where they differ
     */
    record BatchAnswer(
            UUID id,
            String model,
            int version,
            String language,
            LocalDate effectiveOn,
            String by,
            List<BatchAsk> asks,
            List<BatchLine> letters) {}

    record BatchAsk(
            String name,
            String label,
            AskedFor.Kind kind,
            @Nullable String answer) {}

    @Transactional(readOnly = true)
    BatchAnswer of(Viewer viewer, UUID id) {
        LetterBatch batch = batches.findById(id).orElseThrow(() -> Refusal.notFound("letters"));
        List<Written> visible = visible(viewer, id);
        ModelVersion version = versions.findById(batch.versionId()).orElseThrow();
        Map<String, String> labels = labels(version);
        List<DraftLetter> open = visible.stream()
                .map(Written::draft)
                .filter(d -> d.filedAt() == null)
                .toList();
        return new BatchAnswer(
                id,
                visible.get(0).model().name(),
                version.number(),
                version.language(),
                batch.effectiveOn(),
                batch.byName(),
                version.words().asks().stream().map(q -> ask(q, open)).toList(),
                visible.stream().map(w -> line(w, labels)).toList());
    }

    private List<Written> visible(Viewer viewer, UUID id) {
        List<Written> visible = letters.findByBatchIdOrderById(id).stream()
                .filter(d -> write.maySee(viewer, d))
                .map(d -> write.written(viewer, d))
                .toList();
        if (visible.isEmpty()) {
            throw Refusal.notFound("letters");
        }
        return visible;
    }

    private Map<String, String> labels(ModelVersion version) {
        Map<String, String> labels = new HashMap<>();
        names.all().forEach(n -> labels.put(n.name(), n.label()));
        version.words().asks().forEach(q -> labels.put(AskedFor.PREFIX + q.code(), q.label()));
        return labels;
    }

    private static BatchAsk ask(Question question, List<DraftLetter> open) {
        String name = AskedFor.PREFIX + question.code();
        List<String> answers = open.stream()
                .map(d -> d.writing().answers().getOrDefault(name, ""))
                .distinct()
                .toList();
        return new BatchAsk(name, question.label(), question.kind(), answers.size() == 1 ? answers.get(0) : null);
    }

    private static BatchLine line(Written written, Map<String, String> labels) {
        return new BatchLine(
                written.draft().id(),
                written.draft().fileId(),
                written.file().name(),
                written.letter().isReady(),
                written.letter().missing().stream()
                        .map(m -> m.problem() == null
                                ? labels.getOrDefault(m.name(), m.name())
                                : labels.getOrDefault(m.name(), m.name()) + ": " + m.problem())
                        .toList(),
                written.letter().blocks().stream().anyMatch(FillLetter.Filled::differs),
                written.draft().documentId());
    }

    /** Answers what is asked, for all of them that are not filed. @param answers by name; what is not among them stays */
    @Transactional
    public void answer(Viewer viewer, UUID id, Map<String, String> answers) {
        viewer.requireChange();
        for (Written written : visible(viewer, id)) {
            DraftLetter draft = written.draft();
            if (draft.filedAt() == null) {
                WrittenSoFar next = draft.writing().with(answers);
                next.asWriting();
                draft.write(next, viewer, calendar.now());
                letters.save(draft);
            }
        }
    }

    /** Files those that are ready, in the background. @return the job @throws Refusal when none is */
    @Transactional
    public UUID file(Viewer viewer, UUID id) {
        viewer.requireChange();
        LetterBatch batch = batches.findById(id).orElseThrow(() -> Refusal.notFound("letters"));
        int ready = (int) visible(viewer, id).stream()
                .filter(w -> w.draft().filedAt() == null && w.letter().isReady())
                .count();
        if (ready == 0) {
            throw Refusal.conflict("missing", "None of these letters is ready to be filed.");
        }
        return job.begin(viewer, batch, ready);
    }
}
