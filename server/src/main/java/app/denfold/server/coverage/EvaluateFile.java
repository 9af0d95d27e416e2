package app.denfold.server.coverage;

import app.denfold.core.days.Window;
import app.denfold.core.rules.Checklist;
import app.denfold.core.rules.Document;
import app.denfold.core.rules.FactValue;
import app.denfold.core.rules.KnownFile;
import app.denfold.core.rules.Person;
import app.denfold.core.rules.RuleBook;
import app.denfold.core.rules.SlotCourse;
import app.denfold.core.rules.Verdict;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.ActiveSpan;
import app.denfold.server.people.Fact;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.people.PersonForRules;
import app.denfold.server.people.kinds.FactDefinition;
import app.denfold.server.people.kinds.Kinds;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Turns what is stored about a person into what the core evaluates. */
@Component
public class EvaluateFile {

    private final Catalog catalog;
    private final Documents documents;
    private final WaiverRepository waivers;
    private final Kinds kinds;
    private final PersonFiles files;

    EvaluateFile(Catalog catalog, Documents documents, WaiverRepository waivers, Kinds kinds, PersonFiles files) {
        this.files = files;
        this.catalog = catalog;
        this.documents = documents;
        this.waivers = waivers;
        this.kinds = kinds;
    }

    /** A file with the rules that were asked of it, evaluated as known on a day. */
    public record Evaluated(
            PersonFile file,
            Catalog.Rules rules,
            List<FiledDocument> documents,
            List<Waiver> waivers,
            KnownFile known) {}

    /** Whether the viewer may know of a requirement, as it is asked on a day. */
    public static boolean isVisible(Viewer viewer, SlotCourse slot, LocalDate day) {
        return viewer.maySeeAny(slot.requirementOn(day).types());
    }

    /** How the file stands, as it is told to the viewer. */
    public static Verdict verdict(Viewer viewer, KnownFile known, LocalDate day) {
        Set<String> hidden = known.slots().stream()
                .filter(slot -> !isVisible(viewer, slot, day))
                .map(slot -> slot.checklist() + "/" + slot.code())
                .collect(Collectors.toSet());
        return Verdict.of(known.on(day), a -> !hidden.contains(a.checklist() + "/" + a.requirement()));
    }

    /** The rules whoever asks; what they say of a file is told as far as it may be seen. */
    public Catalog.Rules allRules() {
        return catalog.rules();
    }

    public Evaluated evaluate(PersonFile file, LocalDate known) {
        return evaluate(file, catalog.rules(), documents.ofFile(file.id()), known);
    }

    public Evaluated evaluate(PersonFile file, Catalog.Rules rules, List<FiledDocument> papers, LocalDate known) {
        List<Waiver> waived = waivers.findByFileIdIn(List.of(file.id()));
        Person person = person(
                new PersonForRules(file.id(), file.kind(), file.birthDate(), file.activeSpans(), file.facts()),
                papers.stream().flatMap(d -> d.forRules().stream()).toList(),
                waived,
                kinds.forms());
        return new Evaluated(file, rules, papers, waived, KnownFile.of(rules.book(), person, known));
    }

    /** What the core evaluates of each of these files, in a fixed number of reads. */
    public Map<UUID, Person> persons(Collection<UUID> fileIds) {
        Map<String, Map<String, FactDefinition.Form>> forms = kinds.forms();
        Map<UUID, List<Document>> papers = documents.forRules(fileIds);
        Map<UUID, List<Waiver>> waived =
                waivers.findByFileIdIn(fileIds).stream().collect(Collectors.groupingBy(Waiver::fileId));
        Map<UUID, Person> persons = new LinkedHashMap<>();
        for (PersonForRules person : files.forRules(fileIds)) {
            persons.put(
                    person.id(),
                    person(
                            person,
                            papers.getOrDefault(person.id(), List.of()),
                            waived.getOrDefault(person.id(), List.of()),
                            forms));
        }
        return persons;
    }

    /** A person who has no file yet. */
    public KnownFile evaluateNewcomer(
            Viewer viewer,
            String kind,
            @Nullable LocalDate birthDate,
            LocalDate from,
            Map<String, String> facts,
            LocalDate known) {
        kinds.kind(kind);
        List<Fact> dated = facts.entrySet().stream()
                .map(e -> new Fact(e.getKey(), e.getValue(), from, null))
                .toList();
        PersonForRules newcomer = new PersonForRules(null, kind, birthDate, List.of(new ActiveSpan(from, null)), dated);
        return KnownFile.of(visibleRules(viewer).book(), person(newcomer, List.of(), List.of(), kinds.forms()), known);
    }

    private static Person person(
            PersonForRules from,
            List<Document> papers,
            List<Waiver> waived,
            Map<String, Map<String, FactDefinition.Form>> forms) {
        Map<String, FactDefinition.Form> ofKind = forms.getOrDefault(from.kind(), Map.of());
        return new Person(
                from.kind(),
                from.birthDate(),
                from.activeSpans().stream()
                        .map(s -> new Window(s.fromDay(), s.toDay()))
                        .toList(),
                from.facts().stream().map(f -> fact(f, ofKind.get(f.name()))).toList(),
                waived.stream().map(Waiver::forRules).toList(),
                papers);
    }

    private static Person.Fact fact(Fact fact, FactDefinition.@Nullable Form form) {
        return new Person.Fact(fact.name(), value(form, fact.value()), new Window(fact.fromDay(), fact.toDay()));
    }

    private static FactValue value(FactDefinition.@Nullable Form form, String value) {
        if (form == FactDefinition.Form.NUMBER) {
            return new FactValue.Number(new BigDecimal(value));
        }
        return form == FactDefinition.Form.YES_NO ? new FactValue.YesNo(value.equals("yes")) : FactValue.text(value);
    }

    public Catalog.Rules visibleRules(Viewer viewer) {
        Catalog.Rules rules = catalog.rules();
        if (viewer.hiddenTypes().isEmpty()) {
            return rules;
        }
        List<Checklist> visible = rules.book().checklists().stream()
                .map(list -> new Checklist(
                        list.code(),
                        list.inForce(),
                        list.appliesWhen(),
                        list.requirements().stream()
                                .filter(r -> viewer.maySeeAny(r.types()))
                                .toList()))
                .toList();
        return new Catalog.Rules(
                rules.revision(),
                rules.slotsRevision(),
                RuleBook.of(
                        rules.types().values().stream().map(t -> t.forRules()).toList(), visible),
                rules.types(),
                rules.kindLabels(),
                rules.checklistLabels(),
                rules.requirementLabels());
    }
}
