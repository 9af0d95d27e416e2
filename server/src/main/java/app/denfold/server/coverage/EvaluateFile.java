package app.denfold.server.coverage;

import app.denfold.core.days.Window;
import app.denfold.core.rules.Checklist;
import app.denfold.core.rules.FactValue;
import app.denfold.core.rules.KnownFile;
import app.denfold.core.rules.Person;
import app.denfold.core.rules.RuleBook;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.people.ActiveSpan;
import app.denfold.server.people.Fact;
import app.denfold.server.people.FactDefinition;
import app.denfold.server.people.Kinds;
import app.denfold.server.people.PersonFile;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;

/** Turns what is stored about a person into what the core evaluates. */
@Component
class EvaluateFile {

    private final Catalog catalog;
    private final Documents documents;
    private final WaiverRepository waivers;
    private final Kinds kinds;

    EvaluateFile(Catalog catalog, Documents documents, WaiverRepository waivers, Kinds kinds) {
        this.catalog = catalog;
        this.documents = documents;
        this.waivers = waivers;
        this.kinds = kinds;
    }

    /** A file with the rules that were asked of it, evaluated as known on a day. */
    record Evaluated(
            PersonFile file,
            Catalog.Rules rules,
            List<FiledDocument> documents,
            List<Waiver> waivers,
            KnownFile known) {}

    Evaluated evaluate(PersonFile file, LocalDate known) {
        return evaluate(file, catalog.rules(), documents.ofFile(file.id()), known);
    }

    /** The same with only those requirements of which the viewer may see a type. */
    Evaluated evaluateFor(Viewer viewer, PersonFile file, LocalDate known) {
        return evaluate(file, visibleRules(viewer), documents.ofFile(file.id()), known);
    }

    Evaluated evaluate(PersonFile file, Catalog.Rules rules, List<FiledDocument> papers, LocalDate known) {
        List<Waiver> waived = waivers.findByFileId(file.id());
        Person person = new Person(
                file.kind(),
                file.birthDate(),
                file.activeSpans().stream().map(EvaluateFile::window).toList(),
                facts(file.kind(), file.facts()),
                waived.stream().map(Waiver::forRules).toList(),
                papers.stream().map(FiledDocument::forRules).toList());
        return new Evaluated(file, rules, papers, waived, KnownFile.of(rules.book(), person, known));
    }

    /** A person who has no file yet. */
    KnownFile evaluateNewcomer(
            Viewer viewer,
            String kind,
            LocalDate birthDate,
            LocalDate from,
            Map<String, String> facts,
            LocalDate known) {
        List<Fact> dated = facts.entrySet().stream()
                .map(e -> new Fact(e.getKey(), e.getValue(), from, null))
                .toList();
        Person person =
                new Person(kind, birthDate, List.of(new Window(from, null)), facts(kind, dated), List.of(), List.of());
        return KnownFile.of(visibleRules(viewer).book(), person, known);
    }

    Catalog.Rules visibleRules(Viewer viewer) {
        Catalog.Rules rules = catalog.rules();
        if (viewer.seesSensitive()) {
            return rules;
        }
        List<Checklist> visible = rules.book().checklists().stream()
                .map(list -> new Checklist(
                        list.code(),
                        list.inForce(),
                        list.appliesWhen(),
                        list.requirements().stream()
                                .filter(r -> r.types().stream()
                                        .anyMatch(t -> !rules.type(t).isSensitive()))
                                .toList()))
                .toList();
        return new Catalog.Rules(
                RuleBook.of(
                        rules.types().values().stream().map(t -> t.forRules()).toList(), visible),
                rules.types(),
                rules.requirementLabels());
    }

    private static Window window(ActiveSpan span) {
        return new Window(span.fromDay(), span.toDay());
    }

    private List<Person.Fact> facts(String kind, List<Fact> facts) {
        Map<String, FactDefinition.Form> forms =
                kinds.kind(kind).facts().stream().collect(Collectors.toMap(FactDefinition::name, FactDefinition::form));
        Stream<Person.Fact> dated = facts.stream()
                .map(f -> new Person.Fact(
                        f.name(), value(forms.get(f.name()), f.value()), new Window(f.fromDay(), f.toDay())));
        return dated.toList();
    }

    private static FactValue value(FactDefinition.Form form, String value) {
        if (form == FactDefinition.Form.NUMBER) {
            return new FactValue.Number(new BigDecimal(value));
        }
        return form == FactDefinition.Form.YES_NO ? new FactValue.YesNo(value.equals("yes")) : FactValue.text(value);
    }

    static boolean isVisible(Viewer viewer, Catalog.Rules rules, FiledDocument document) {
        return viewer.seesSensitive() || !rules.type(document.type()).isSensitive();
    }
}
