package app.denfold.server.catalog.sets;

import app.denfold.core.people.Teams.Size;
import app.denfold.core.people.Teams.Team;
import app.denfold.exchange.BadInput;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.teams.TeamTree;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.KeptDocumentType;
import app.denfold.server.catalog.Section;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.people.kinds.PersonKind;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.time.DateTimeException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What an administrator has set up, as JSON: teams, sections, kinds, types and checklists, and the parts that other
 * modules keep, such as the practice itself and its pickups. People, papers and accounts stay where they are.
 */
@Service
class WholeSetUp {

    private final RuleSet rules;
    private final Catalog catalog;
    private final Kinds kinds;
    private final TeamTree teams;
    private final List<SetUpPart> parts;
    private final Accounts accounts;
    private final PracticeCalendar calendar;
    private final AuditTrail trail;
    private final JsonMapper mapper = new JsonMapper();

    WholeSetUp(
            RuleSet rules,
            Catalog catalog,
            Kinds kinds,
            TeamTree teams,
            List<SetUpPart> parts,
            Accounts accounts,
            PracticeCalendar calendar,
            AuditTrail trail) {
        this.rules = rules;
        this.catalog = catalog;
        this.kinds = kinds;
        this.teams = teams;
        this.parts = parts;
        this.accounts = accounts;
        this.calendar = calendar;
        this.trail = trail;
    }

    @Transactional(readOnly = true)
    JsonNode out(Viewer viewer) {
        viewer.requireAdministrator();
        ObjectNode all = mapper.createObjectNode();
        parts.forEach(part -> all.set(part.name(), part.out()));
        ArrayNode tree = all.putArray("teams");
        teams.all().forEach(t -> tree.addObject()
                .put("name", t.name())
                .put("size", t.size().name())
                .put("within", t.within()));
        ArrayNode sections = all.putArray("sections");
        for (Section section : catalog.sections()) {
            sections.addArray()
                    .add(section.code())
                    .add(section.label())
                    .add(section.sensitive())
                    .add(section.subject() == null ? null : section.subject().name());
        }
        ArrayNode kept = all.putArray("kinds");
        for (PersonKind kind : kinds.all()) {
            kept.addObject()
                    .put("code", kind.code())
                    .put("label", kind.label())
                    .put("plural", kind.plural())
                    .put("prefix", kind.numberPrefix())
                    .put("subject", kind.subject().name())
                    .set("facts", mapper.valueToTree(kind.facts()));
        }
        ArrayNode types = all.putArray("types");
        catalog.types().forEach(type -> types.add(type(type)));
        ArrayNode lists = all.putArray("checklists");
        catalog.checklists().forEach(list -> list.inForceOn(calendar.today()).ifPresent(now -> {
            ObjectNode node = lists.addObject();
            node.put("label", list.label());
            node.set("labels", mapper.valueToTree(list.requirementLabels()));
            node.set("definition", mapper.readTree(now.definition()));
        }));
        return all;
    }

    private ObjectNode type(KeptDocumentType type) {
        ObjectNode node = mapper.createObjectNode()
                .put("code", type.code())
                .put("label", type.label())
                .put("section", type.section())
                .put("review", type.needsReview())
                .put("sensitive", type.isSensitive())
                .put("name", type.namingPatternText());
        Optional.ofNullable(type.reviewer())
                .flatMap(accounts::viewer)
                .ifPresent(reviewer -> node.put("reviewer", reviewer.email()));
        node.set("validity", mapper.readTree(type.validity()));
        node.set("synonyms", mapper.valueToTree(type.synonyms()));
        ArrayNode signers = node.putArray("signers");
        type.signers().forEach(s -> signers.addArray().add(s.role()).add(s.label()));
        ArrayNode fields = node.putArray("fields");
        type.fields()
                .forEach(f ->
                        fields.addArray().add(f.name()).add(f.found().name()).add(f.sign()));
        return node;
    }

    /**
     * Adds what is not there yet, by code; what is there stays, but for the parts of other modules, which become as they
     * say.
     *
     * @throws Refusal when it is no such JSON; nothing is taken then
     */
    @Transactional
    void in(Viewer viewer, JsonNode all) {
        viewer.requireAdministrator();
        try {
            if (all.has("teams")) {
                take(viewer, all.get("teams"));
            }
            ObjectNode whole = mapper.createObjectNode();
            for (String part : List.of("sections", "kinds", "types", "checklists")) {
                whole.set(part, all.has(part) ? all.get(part) : mapper.createArrayNode());
            }
            rules.add(whole);
            parts.stream().filter(part -> all.has(part.name())).forEach(part -> part.in(viewer, all.get(part.name())));
        } catch (BadInput | NullPointerException | IllegalArgumentException | DateTimeException wrong) {
            throw unreadable(wrong);
        } catch (tools.jackson.core.JacksonException wrong) {
            throw unreadable(wrong);
        }
        trail.record(AuditEntry.general(viewer.actor(), "set-up", "took in a whole set-up"));
    }

    private static Refusal unreadable(Exception wrong) {
        return Refusal.invalid(
                "setUp",
                "This is no set-up that Den Fold can read"
                        + (wrong instanceof BadInput ? ": " + wrong.getMessage() : "") + ". Nothing was taken.");
    }

    private void take(Viewer viewer, JsonNode tree) {
        Map<String, Team> together = new LinkedHashMap<>();
        for (JsonNode team : tree) {
            together.put(
                    team.get("name").stringValue(),
                    new Team(
                            team.get("name").stringValue(),
                            Size.valueOf(team.get("size").stringValue()),
                            team.path("within").asString(null)));
        }
        teams.all().forEach(t -> together.putIfAbsent(t.name(), t));
        teams.keep(viewer, List.copyOf(together.values()));
    }
}
