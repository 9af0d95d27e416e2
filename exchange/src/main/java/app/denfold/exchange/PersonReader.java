package app.denfold.exchange;

import app.denfold.core.days.Window;
import app.denfold.core.rules.Checklist;
import app.denfold.core.rules.Document;
import app.denfold.core.rules.Person;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Set;

/** Reads a person with his facts, waivers and documents. */
final class PersonReader {

    private final Set<String> typeCodes;
    private final Collection<Checklist> checklists;

    PersonReader(Set<String> typeCodes, Collection<Checklist> checklists) {
        this.typeCodes = typeCodes;
        this.checklists = checklists;
    }

    Person read(Place at) {
        at.object("kind", "birthDate", "active", "facts", "waivers", "documents");
        return new Person(
                at.at("kind").text(),
                at.at("birthDate").dayOrNull(),
                spans(at.at("active")),
                at.at("facts").items(this::fact),
                at.at("waivers").items(this::waiver),
                List.copyOf(at.at("documents").itemsBy("id", this::document).values()));
    }

    private static List<Window> spans(Place at) {
        if (at.isAbsent()) {
            return List.of(Window.always());
        }
        List<Window> spans = new ArrayList<>();
        for (Place item : at.items()) {
            Window span = RulesReader.window(item.object("from", "to"));
            if (spans.stream().anyMatch(span::overlaps)) {
                throw item.wrong("Active spans cannot overlap");
            }
            spans.add(span);
        }
        return spans;
    }

    private Person.Fact fact(Place at) {
        at.object("name", "value", "from", "to");
        return new Person.Fact(at.at("name").text(), RulesReader.value(at.at("value")), RulesReader.window(at));
    }

    private Person.Waiver waiver(Place at) {
        at.object("checklist", "requirement", "from", "to", "recordedOn");
        Place list = at.at("checklist");
        Place code = at.at("requirement");
        Checklist checklist = checklists.stream()
                .filter(c -> c.code().equals(list.text()))
                .findFirst()
                .orElseThrow(() -> list.wrong("No checklist is called " + list.text()));
        if (checklist.requirements().stream().noneMatch(r -> r.code().equals(code.text()))) {
            throw code.wrong("The checklist " + list.text() + " has no requirement called " + code.text());
        }
        return new Person.Waiver(
                list.text(),
                code.text(),
                RulesReader.window(at),
                at.at("recordedOn").day());
    }

    private Document document(Place at) {
        at.object(
                "id",
                "type",
                "documentDate",
                "effectiveDate",
                "statedExpiry",
                "receivedOn",
                "acceptedOn",
                "sentBackOn",
                "voidedOn",
                "signatures");
        Place type = at.at("type");
        if (!typeCodes.contains(type.text())) {
            throw type.wrong("No document type is called " + type.text());
        }
        return new Document(
                at.at("id").text(),
                type.text(),
                at.at("documentDate").day(),
                at.at("effectiveDate").dayOrNull(),
                at.at("statedExpiry").dayOrNull(),
                at.at("receivedOn").day(),
                at.at("acceptedOn").dayOrNull(),
                at.at("sentBackOn").dayOrNull(),
                at.at("voidedOn").dayOrNull(),
                at.at("signatures").items(PersonReader::signature));
    }

    private static Document.Signature signature(Place at) {
        at.object("role", "on");
        return new Document.Signature(at.at("role").text(), at.at("on").day());
    }
}
