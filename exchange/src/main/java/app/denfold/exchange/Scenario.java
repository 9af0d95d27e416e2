package app.denfold.exchange;

import app.denfold.core.rules.Checklist;
import app.denfold.core.rules.DocumentType;
import app.denfold.core.rules.FileStanding;
import app.denfold.core.rules.KnownFile;
import app.denfold.core.rules.Person;
import app.denfold.core.rules.RuleBook;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Map;

/** One question about one person: the rules, the person, the day asked about and the day of knowledge. */
public record Scenario(RuleBook rules, Person person, LocalDate on, LocalDate knownOn) {

    /** @throws BadInput with the place of the first thing that is wrong */
    public static Scenario parse(String json) {
        Place root = Place.root(RulesJson.parse(json)).object("documentTypes", "checklists", "person", "ask");
        Map<String, DocumentType> types = RulesReader.types(root.at("documentTypes"));
        Collection<Checklist> checklists = new RulesReader(types.keySet()).checklists(root.at("checklists"));
        Person person = new PersonReader(types.keySet(), checklists).read(root.at("person"));
        Place ask = root.at("ask").object("on", "knownOn");
        LocalDate on = ask.at("on").day();
        LocalDate known = ask.at("knownOn").dayOrNull();
        RuleBook book = root.checked(() -> RuleBook.of(List.copyOf(types.values()), List.copyOf(checklists)));
        return new Scenario(book, person, on, known == null ? on : known);
    }

    public FileStanding answer() {
        return KnownFile.of(rules, person, knownOn).on(on);
    }
}
