package app.denfold.server.people;

import app.denfold.core.filing.Subject;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.people.kinds.FactDefinition;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.people.kinds.PersonKind;
import app.denfold.server.practice.PracticeCalendar;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What stands at the head of a file, as far as the viewer may know it. */
@Service
class FileHead {

    private final PersonFiles files;
    private final BecomeKind becomeKind;
    private final Kinds kinds;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    FileHead(PersonFiles files, BecomeKind becomeKind, Kinds kinds, AuditTrail trail, PracticeCalendar calendar) {
        this.files = files;
        this.becomeKind = becomeKind;
        this.kinds = kinds;
        this.trail = trail;
        this.calendar = calendar;
    }

    record KindAnswer(String code, String label, String plural, Subject subject, List<FactDefinition> facts) {}

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
            Subject subject,
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

    List<KindAnswer> kinds(Viewer viewer) {
        return kinds.all().stream().map(k -> answer(viewer, k)).toList();
    }

    KindAnswer kindOf(Viewer viewer, UUID id) {
        return answer(viewer, kinds.kind(files.visible(viewer, id).kind()));
    }

    private static KindAnswer answer(Viewer viewer, PersonKind kind) {
        return new KindAnswer(kind.code(), kind.label(), kind.plural(), kind.subject(), visible(viewer, kind));
    }

    @Transactional
    FileAnswer open(Viewer viewer, PersonDetails person, boolean evenIfLike) {
        return answer(viewer, files.open(viewer, person, evenIfLike));
    }

    /** The look is noted in the trail. */
    @Transactional
    FileAnswer show(Viewer viewer, UUID id) {
        PersonFile file = files.visible(viewer, id);
        trail.openedFile(viewer, id, file.name());
        return answer(viewer, file);
    }

    @Transactional
    FileAnswer change(Viewer viewer, UUID id, int version, PersonDetails person) {
        return answer(viewer, files.change(viewer, id, version, person));
    }

    @Transactional
    FileAnswer become(Viewer viewer, UUID id, int version, String kind, LocalDate startsOn) {
        return answer(viewer, becomeKind.become(viewer, id, version, kind, startsOn));
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
                kind.subject(),
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
                .forEach(fact -> words.put(fact.name(), files.nameOf(Objects.requireNonNull(values.get(fact.name())))));
        return words;
    }
}
