package app.denfold.server.demo;

import app.denfold.core.filing.TypeField;
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
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.springframework.stereotype.Component;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Sets up kinds, sections, types and checklists of the demo practice from its description. */
@Component
public class DemoCatalog {

    private final Catalog catalog;
    private final Kinds kinds;
    private final Accounts accounts;
    private final JsonMapper mapper = new JsonMapper();

    DemoCatalog(Catalog catalog, Kinds kinds, Accounts accounts) {
        this.accounts = accounts;
        this.catalog = catalog;
        this.kinds = kinds;
    }

    /** Names reviewers by their accounts, which are there before. */
    public void load() {
        JsonNode all = read();
        int place = 0;
        for (JsonNode section : all.get("sections")) {
            catalog.add(new Section(section.get(0).stringValue(), section.get(1).stringValue(), place++));
        }
        for (JsonNode kind : all.get("kinds")) {
            kinds.add(kind(kind, place++));
        }
        for (JsonNode type : all.get("types")) {
            catalog.add(type(type));
        }
        for (JsonNode list : all.get("checklists")) {
            catalog.add(checklist(list, place++));
        }
    }

    private JsonNode read() {
        try (InputStream in = Objects.requireNonNull(getClass().getResourceAsStream("/demo/catalog.json"))) {
            return mapper.readTree(in);
        } catch (IOException unreadable) {
            throw new IllegalStateException(unreadable);
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
        kind.startNumbersAt(from.get("start").intValue());
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
        if (from.has("reviewer")) {
            String email = from.get("reviewer").stringValue();
            accounts.viewerByEmail(email).map(Viewer::accountId).ifPresent(type::reviewedBy);
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
