package app.denfold.server.letters.models;

import app.denfold.core.letters.FillLetter;
import app.denfold.core.letters.FillLetter.Letter;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.KeptDocumentType;
import app.denfold.server.letters.KeptModel;
import app.denfold.server.letters.KeptModelRepository;
import app.denfold.server.letters.ModelVersion;
import app.denfold.server.letters.ModelVersionRepository;
import app.denfold.server.letters.ModelWords;
import app.denfold.server.letters.ModelWords.Piece;
import app.denfold.server.letters.ReadModels;
import app.denfold.server.letters.models.CompareVersions.ChangedPart;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.IllformedLocaleException;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps what letters are written by. A version is never changed: a new one follows it, and old letters keep theirs. */
@Service
class Models {

    private static final int LONGEST_NAME = 80;

    private final KeptModelRepository models;
    private final ModelVersionRepository versions;
    private final ReadModels read;
    private final Catalog catalog;
    private final Kinds kinds;
    private final PersonFiles files;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    Models(
            KeptModelRepository models,
            ModelVersionRepository versions,
            ReadModels read,
            Catalog catalog,
            Kinds kinds,
            PersonFiles files,
            AuditTrail trail,
            PracticeCalendar calendar) {
        this.models = models;
        this.versions = versions;
        this.read = read;
        this.catalog = catalog;
        this.kinds = kinds;
        this.files = files;
        this.trail = trail;
        this.calendar = calendar;
    }

    private static final ModelWords NO_WORDS = ModelWords.letter(List.of(), List.of());

    /** @param isInForce whether letters that take effect today are written by it */
    record VersionLine(
            UUID id, int number, String language, LocalDate holdsFrom, boolean isInForce, String by, Instant at) {}

    /** @param changes how often it was changed, which a change of it has to name */
    record ModelAnswer(
            UUID id,
            int changes,
            String name,
            String type,
            String typeLabel,
            List<String> kinds,
            boolean retired,
            List<VersionLine> versions) {}

    record WordsAnswer(VersionLine version, ModelWords words) {}

    /** Of papers that the viewer may see, by name. */
    @Transactional(readOnly = true)
    List<ModelAnswer> all(Viewer viewer) {
        Map<UUID, List<ModelVersion>> byModel =
                versions.findAllByOrderByNumber().stream().collect(Collectors.groupingBy(ModelVersion::modelId));
        return models.findAllByOrderByNameAscIdAsc().stream()
                .filter(m -> viewer.maySee(List.of(m.type())))
                .map(m -> answer(m, byModel.getOrDefault(m.id(), List.of())))
                .toList();
    }

    private ModelAnswer answer(KeptModel model, List<ModelVersion> of) {
        LocalDate today = calendar.today();
        List<VersionLine> lines =
                of.stream().map(v -> line(v, isInForce(v, of, today))).toList();
        return new ModelAnswer(
                model.id(),
                model.changes(),
                model.name(),
                model.type(),
                catalog.type(model.type()).label(),
                model.kinds(),
                model.isRetired(),
                lines);
    }

    private static VersionLine line(ModelVersion version, boolean isInForce) {
        return new VersionLine(
                version.id(),
                version.number(),
                version.language(),
                version.holdsFrom(),
                isInForce,
                version.madeBy(),
                version.madeAt());
    }

    private static boolean isInForce(ModelVersion version, List<ModelVersion> of, LocalDate day) {
        return !version.holdsFrom().isAfter(day)
                && of.stream()
                        .filter(v -> v.language().equals(version.language()))
                        .filter(v -> !v.holdsFrom().isAfter(day))
                        .noneMatch(v -> v.holdsFrom().isAfter(version.holdsFrom())
                                || v.holdsFrom().equals(version.holdsFrom()) && v.number() > version.number());
    }

    /** The words of a version. */
    @Transactional(readOnly = true)
    WordsAnswer words(Viewer viewer, UUID versionId) {
        ModelVersion version = versions.findById(versionId).orElseThrow(() -> Refusal.notFound("version"));
        visible(viewer, version.modelId());
        List<ModelVersion> of = versions.findByModelIdOrderByNumber(version.modelId());
        return new WordsAnswer(line(version, isInForce(version, of, calendar.today())), version.words());
    }

    /**
     * What a version changed.
     *
     * @param from the version before it, of the same language; null for the first, in which all is new
     */
    record VersionChanges(@Nullable VersionLine from, List<ChangedPart> parts, List<String> notes) {}

    /** Against the version before it in the same language. */
    @Transactional(readOnly = true)
    VersionChanges changes(Viewer viewer, UUID versionId) {
        ModelVersion version = versions.findById(versionId).orElseThrow(() -> Refusal.notFound("version"));
        visible(viewer, version.modelId());
        List<ModelVersion> of = versions.findByModelIdOrderByNumber(version.modelId());
        Optional<ModelVersion> before = of.stream()
                .filter(v -> v.language().equals(version.language()) && v.number() < version.number())
                .max(Comparator.comparing(ModelVersion::number));
        ModelWords older = before.map(ModelVersion::words).orElse(NO_WORDS);
        return new VersionChanges(
                before.map(v -> line(v, isInForce(v, of, calendar.today()))).orElse(null),
                CompareVersions.parts(older, version.words()),
                CompareVersions.notes(older, version.words()));
    }

    /** @throws Refusal when there is none, or the viewer may not see papers of its type */
    KeptModel visible(Viewer viewer, UUID id) {
        return models.findById(id)
                .filter(m -> viewer.maySee(List.of(m.type())))
                .orElseThrow(() -> Refusal.notFound("model"));
    }

    /**
     * A model as it is typed.
     *
     * @param changes as it was read; 0 for a new one
     * @param version its words; null to leave them as they are
     */
    record ModelDetails(
            int changes,
            String name,
            String type,
            List<String> kinds,
            @Nullable VersionDetails version) {}

    /** Of words that cannot be so no model is left. @throws Refusal when the viewer is no administrator, or it cannot be so */
    @Transactional
    UUID add(Viewer viewer, ModelDetails details) {
        viewer.requireAdministrator();
        ModelDetails checked = checked(new UUID(0, 0), details);
        KeptModel model = models.save(new KeptModel(checked.name, checked.type, checked.kinds));
        tell(viewer, model, "made the model");
        if (details.version != null) {
            write(viewer, model, details.version);
        }
        return model.id();
    }

    /** Both the model and its words, or neither. */
    @Transactional
    void change(Viewer viewer, UUID id, ModelDetails details) {
        viewer.requireAdministrator();
        KeptModel model = visible(viewer, lock(id));
        if (model.changes() != details.changes) {
            throw Refusal.conflict(
                    "changed-meanwhile", "Somebody else changed this model meanwhile. Look at it again.");
        }
        ModelDetails checked = checked(id, details);
        if (!model.is(checked.name, checked.type, checked.kinds)) {
            model.take(checked.name, checked.type, checked.kinds);
            tell(viewer, model, "changed the model");
        }
        if (details.version != null) {
            write(viewer, model, details.version);
        }
    }

    /** Others that write versions of it wait, so that no number is given twice. */
    private UUID lock(UUID id) {
        return models.lock(id).map(KeptModel::id).orElseThrow(() -> Refusal.notFound("model"));
    }

    /** @throws Refusal when there cannot be such a model */
    @Transactional(readOnly = true)
    void check(ModelDetails details) {
        checked(new UUID(0, 0), details);
    }

    private ModelDetails checked(UUID own, ModelDetails details) {
        String name = details.name.strip();
        if (name.isEmpty() || name.length() > LONGEST_NAME) {
            throw Refusal.invalid("name", "Give the model a name of up to " + LONGEST_NAME + " letters.");
        }
        if (models.existsByNameAndIdNot(name, own)) {
            throw Refusal.invalid("name", "There is a model of this name already.");
        }
        KeptDocumentType type = catalog.type(details.type);
        if (details.kinds.isEmpty()) {
            throw Refusal.invalid("kinds", "Say for which kinds of file it is.");
        }
        details.kinds.forEach(kinds::kind);
        return new ModelDetails(
                details.changes,
                name,
                type.code(),
                details.kinds.stream().distinct().toList(),
                details.version);
    }

    /** Letters that are begun go on; no more are begun. */
    @Transactional
    void retire(Viewer viewer, UUID id, boolean retired) {
        viewer.requireAdministrator();
        KeptModel model = visible(viewer, id);
        model.retire(retired ? calendar.now() : null);
        tell(viewer, model, retired ? "no longer uses the model" : "uses again the model");
    }

    /** A version as it is typed. */
    record VersionDetails(String language, LocalDate holdsFrom, ModelWords words) {}

    /** @throws Refusal in words, when it cannot be so */
    @Transactional
    UUID addVersion(Viewer viewer, UUID id, VersionDetails details) {
        viewer.requireAdministrator();
        return write(viewer, visible(viewer, lock(id)), details);
    }

    private UUID write(Viewer viewer, KeptModel model, VersionDetails details) {
        String language = language(details.language);
        read.checked(details.words);
        ModelVersion version = versions.save(new ModelVersion(
                model.id(),
                versions.countByModelId(model.id()) + 1,
                language,
                details.holdsFrom,
                details.words,
                viewer.name(),
                calendar.now()));
        tell(
                viewer,
                model,
                "wrote version " + version.number() + " (" + language + ", from "
                        + PracticeCalendar.words(details.holdsFrom) + ") of the model");
        return version.id();
    }

    private static String language(String tag) {
        try {
            Locale locale = new Locale.Builder().setLanguageTag(tag.strip()).build();
            if (!locale.getLanguage().isEmpty()) {
                return locale.toLanguageTag();
            }
        } catch (IllformedLocaleException none) {
            // told below
        }
        throw Refusal.invalid("language", "Name a language, such as en-GB or de-AT.");
    }

    private void tell(Viewer viewer, KeptModel model, String done) {
        trail.record(AuditEntry.general(viewer.actor(), "set-up", done + " “" + model.name() + "”"));
    }

    /** @param name of what is missing, as set-up knows it */
    record TriedMissing(
            String name, boolean mustBeKnown, @Nullable String problem) {}

    /** How words would stand in a letter. @param content block by block, those left out by their condition not among them */
    record TriedAnswer(List<List<Piece>> content, List<TriedMissing> missing) {}

    /** Words that are not kept yet, filled for a file. */
    @Transactional(readOnly = true)
    TriedAnswer tried(Viewer viewer, UUID fileId, VersionDetails details) {
        viewer.requireAdministrator();
        read.checked(details.words);
        Letter letter = read.fill(
                viewer,
                viewer,
                files.visible(viewer, fileId),
                details.words,
                language(details.language),
                details.holdsFrom,
                FillLetter.Writing.nothing());
        return new TriedAnswer(
                letter.blocks().stream()
                        .map(b -> b.content().stream().map(Piece::of).toList())
                        .toList(),
                letter.missing().stream()
                        .map(m -> new TriedMissing(m.name(), m.mustBeKnown(), m.problem()))
                        .toList());
    }
}
