package app.denfold.server.catalog.sets;

import app.denfold.core.filing.Subject;
import app.denfold.core.filing.TypeField;
import app.denfold.core.receiving.ReceivingRule;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.KeptChecklist;
import app.denfold.server.catalog.KeptDocumentType;
import app.denfold.server.catalog.Section;
import app.denfold.server.catalog.Signer;
import app.denfold.server.people.kinds.FactDefinition;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.people.kinds.PersonKind;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Adds kinds, sections, types and checklists from a description; what is there by its code stays as it is. */
@Component
public class RuleSet {

    private final Catalog catalog;
    private final Kinds kinds;
    private final Accounts accounts;
    private final JsonMapper mapper = new JsonMapper();

    RuleSet(Catalog catalog, Kinds kinds, Accounts accounts) {
        this.catalog = catalog;
        this.kinds = kinds;
        this.accounts = accounts;
    }

    /** Reviewers are named by the addresses of their accounts, which are there before. */
    @Transactional
    public void add(JsonNode all) {
        Set<String> known = catalog.sections().stream().map(Section::code).collect(Collectors.toSet());
        int place = known.size();
        for (JsonNode section : all.get("sections")) {
            if (!known.contains(section.get(0).stringValue())) {
                Section added =
                        new Section(section.get(0).stringValue(), section.get(1).stringValue(), place++);
                added.keepFromMany(section.path(2).asBoolean(false));
                if (section.path(3).isString()) {
                    added.of(Subject.valueOf(section.path(3).stringValue()));
                }
                catalog.add(added);
            }
        }
        known = kinds.all().stream().map(PersonKind::code).collect(Collectors.toSet());
        for (JsonNode kind : all.get("kinds")) {
            if (!known.contains(kind.get("code").stringValue())) {
                kinds.add(kind(kind, known.size() + place++));
            }
        }
        known = catalog.types().stream().map(KeptDocumentType::code).collect(Collectors.toSet());
        for (JsonNode type : all.get("types")) {
            if (!known.contains(type.get("code").stringValue())) {
                catalog.add(type(type));
            }
        }
        known = catalog.checklistCodes();
        for (JsonNode list : all.get("checklists")) {
            if (!known.contains(list.get("definition").get("code").stringValue())) {
                catalog.add(checklist(list, place++));
            }
        }
    }

    private PersonKind kind(JsonNode from, int place) {
        List<FactDefinition> facts = new ArrayList<>();
        from.get("facts").forEach(f -> facts.add(mapper.treeToValue(f, FactDefinition.class)));
        PersonKind kind = new PersonKind(
                from.get("code").stringValue(),
                from.get("label").stringValue(),
                from.get("plural").stringValue(),
                from.get("prefix").stringValue(),
                place,
                facts);
        kind.about(Subject.valueOf(from.path("subject").asString(Subject.PERSON.name())));
        kind.startNumbersAt(from.path("start").asInt(1));
        return kind;
    }

    private KeptDocumentType type(JsonNode from) {
        List<Signer> signers = new ArrayList<>();
        from.path("signers")
                .forEach(s ->
                        signers.add(new Signer(s.get(0).stringValue(), s.get(1).stringValue())));
        List<String> synonyms = new ArrayList<>();
        from.path("synonyms").forEach(s -> synonyms.add(s.stringValue()));
        List<TypeField> fields = new ArrayList<>();
        from.path("fields")
                .forEach(f -> fields.add(new TypeField(
                        f.get(0).stringValue(),
                        TypeField.Found.valueOf(f.get(1).stringValue()),
                        f.get(2).stringValue())));
        KeptDocumentType type = new KeptDocumentType(
                from.get("code").stringValue(),
                from.get("label").stringValue(),
                from.get("section").stringValue(),
                from.get("validity").toString(),
                signers,
                from.path("review").asBoolean(false),
                from.path("sensitive").asBoolean(false),
                synonyms);
        if (from.has("name")) {
            type.named(from.get("name").stringValue());
        }
        String reviewer = from.path("reviewer").asString("");
        accounts.viewerByEmail(reviewer).map(Viewer::accountId).ifPresent(type::reviewedBy);
        if (from.has("receiving")) {
            type.then(mapper.treeToValue(from.get("receiving"), ReceivingRule.class));
        }
        return type.with(fields);
    }

    private static KeptChecklist checklist(JsonNode from, int place) {
        Map<String, String> labels = new LinkedHashMap<>();
        from.get("labels")
                .properties()
                .forEach(e -> labels.put(e.getKey(), e.getValue().stringValue()));
        JsonNode definition = from.get("definition");
        return new KeptChecklist(
                definition.get("code").stringValue(),
                from.get("label").stringValue(),
                place,
                definition.toString(),
                labels);
    }
}
