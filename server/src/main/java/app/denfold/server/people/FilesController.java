package app.denfold.server.people;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.practice.PracticeCalendar;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class FilesController {

    private final Files files;
    private final Kinds kinds;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    FilesController(Files files, Kinds kinds, AuditTrail trail, PracticeCalendar calendar) {
        this.files = files;
        this.kinds = kinds;
        this.trail = trail;
        this.calendar = calendar;
    }

    record KindAnswer(String code, String label, String plural, List<FactDefinition> facts) {}

    record FoundFile(
            UUID id,
            String number,
            String kind,
            String name,
            @Nullable LocalDate birthDate,
            @Nullable String team) {
        static FoundFile of(PersonFile f) {
            return new FoundFile(f.id(), f.number(), f.kind(), f.name(), f.birthDate(), f.team());
        }
    }

    /**
     * The head of a file.
     *
     * @param age in full years; null when the birth date is unknown
     * @param facts values that hold today, by name
     * @param factWords the same as they are shown, persons by their names
     */
    record FileAnswer(
            UUID id,
            int version,
            String number,
            String kind,
            String kindLabel,
            String givenName,
            String familyName,
            String name,
            @Nullable LocalDate birthDate,
            @Nullable Integer age,
            @Nullable String email,
            @Nullable String team,
            @Nullable LocalDate activeFrom,
            List<PersonDetails.SpanDetails> spans,
            Map<String, String> facts,
            Map<String, String> factWords,
            List<FactDefinition> factDefinitions,
            List<String> formerNames,
            List<String> identifiers) {}

    record NewFile(@Valid @NotNull PersonDetails person, boolean evenIfLike) {}

    record ChangedFile(int version, @Valid @NotNull PersonDetails person) {}

    @GetMapping("/api/kinds")
    List<KindAnswer> kinds(Viewer viewer) {
        return kinds.all().stream()
                .map(k -> new KindAnswer(k.code(), k.label(), k.plural(), visible(viewer, k)))
                .toList();
    }

    @GetMapping("/api/files/found")
    List<FoundFile> find(Viewer viewer, @RequestParam String text, @RequestParam(defaultValue = "8") int most) {
        return files.find(viewer, text, "", most).stream().map(FoundFile::of).toList();
    }

    @PostMapping("/api/files")
    @ResponseStatus(HttpStatus.CREATED)
    @Transactional
    FileAnswer open(Viewer viewer, @Valid @RequestBody NewFile body) {
        return answer(viewer, files.open(viewer, body.person(), body.evenIfLike()));
    }

    @GetMapping("/api/files/{id}")
    @Transactional
    FileAnswer file(Viewer viewer, @PathVariable UUID id) {
        PersonFile file = files.visible(viewer, id);
        trail.openedFile(viewer, id, file.name());
        return answer(viewer, file);
    }

    @PutMapping("/api/files/{id}")
    @Transactional
    FileAnswer change(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody ChangedFile body) {
        return answer(viewer, files.change(viewer, id, body.version(), body.person()));
    }

    private static List<FactDefinition> visible(Viewer viewer, PersonKind kind) {
        return kind.facts().stream()
                .filter(f -> viewer.maySeeFact(kind.code(), f.name()))
                .toList();
    }

    private FileAnswer answer(Viewer viewer, PersonFile f) {
        LocalDate today = calendar.today();
        PersonKind kind = kinds.kind(f.kind());
        Map<String, String> facts = new LinkedHashMap<>(f.factsOn(today));
        facts.keySet().removeIf(name -> !viewer.maySeeFact(f.kind(), name));
        return new FileAnswer(
                f.id(),
                f.version(),
                f.number(),
                f.kind(),
                kind.label(),
                f.givenName(),
                f.familyName(),
                f.name(),
                f.birthDate(),
                f.birthDate() == null ? null : (int) ChronoUnit.YEARS.between(f.birthDate(), today),
                f.email(),
                f.team(),
                f.activeSpans().isEmpty() ? null : f.activeSpans().get(0).fromDay(),
                f.activeSpans().stream()
                        .map(span -> new PersonDetails.SpanDetails(span.fromDay(), span.toDay()))
                        .toList(),
                facts,
                words(kind, facts),
                visible(viewer, kind),
                f.formerNames(),
                f.identifiers());
    }

    private Map<String, String> words(PersonKind kind, Map<String, String> values) {
        Map<String, String> words = new LinkedHashMap<>(values);
        kind.facts().stream()
                .filter(fact -> fact.form() == FactDefinition.Form.PERSON && values.containsKey(fact.name()))
                .forEach(fact -> words.put(fact.name(), files.nameOf(values.get(fact.name()))));
        return words;
    }
}
