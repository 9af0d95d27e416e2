package app.denfold.server.catalog.sets;

import app.denfold.core.people.Teams.Size;
import app.denfold.core.people.Teams.Team;
import app.denfold.exchange.BadInput;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.teams.TeamTree;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.KeptDocumentType;
import app.denfold.server.catalog.Section;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.people.kinds.PersonKind;
import app.denfold.server.practice.DayOrder;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeLook;
import app.denfold.server.practice.PracticeSettings;
import app.denfold.server.problems.Refusal;
import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What an administrator has set up, as JSON: the practice, teams, sections, kinds, types and checklists. People, papers,
 * accounts and what belongs to this installation alone, such as pickups, stay where they are.
 */
@Service
class WholeSetUp {

    private final RuleSet rules;
    private final Catalog catalog;
    private final Kinds kinds;
    private final TeamTree teams;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;
    private final AuditTrail trail;
    private final JsonMapper mapper = new JsonMapper();

    WholeSetUp(
            RuleSet rules,
            Catalog catalog,
            Kinds kinds,
            TeamTree teams,
            PracticeSettings settings,
            PracticeCalendar calendar,
            AuditTrail trail) {
        this.rules = rules;
        this.catalog = catalog;
        this.kinds = kinds;
        this.teams = teams;
        this.settings = settings;
        this.calendar = calendar;
        this.trail = trail;
    }

    @Transactional(readOnly = true)
    JsonNode out(Viewer viewer) {
        viewer.requireAdministrator();
        ObjectNode all = mapper.createObjectNode();
        all.set("practice", practice());
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

    private ObjectNode practice() {
        PracticeLook look = settings.look();
        ObjectNode practice = mapper.createObjectNode()
                .put("name", look.name())
                .put("address", look.address())
                .put("colour", look.colour())
                .put("mailFrom", look.mailFrom())
                .put("replyTo", look.replyTo())
                .put("zone", settings.zone().getId())
                .put("dayOrder", settings.dayOrder().name())
                .put("weekStart", settings.weekStart().getValue());
        practice.set("languages", mapper.valueToTree(look.languages()));
        return practice;
    }

    private ObjectNode type(KeptDocumentType type) {
        ObjectNode node = mapper.createObjectNode()
                .put("code", type.code())
                .put("label", type.label())
                .put("section", type.section())
                .put("review", type.needsReview())
                .put("sensitive", type.isSensitive())
                .put("name", type.namingPatternText());
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
     * Adds what is not there yet, by code; what is there stays, but for the practice itself, which becomes as it says.
     *
     * @throws Refusal when it is no such JSON; nothing is taken then
     */
    @Transactional
    void in(Viewer viewer, JsonNode all) {
        viewer.requireAdministrator();
        try {
            if (all.has("practice")) {
                take(all.get("practice"));
            }
            if (all.has("teams")) {
                take(viewer, all.get("teams"));
            }
            ObjectNode whole = mapper.createObjectNode();
            for (String part : List.of("sections", "kinds", "types", "checklists")) {
                whole.set(part, all.has(part) ? all.get(part) : mapper.createArrayNode());
            }
            rules.add(whole);
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

    private void take(JsonNode practice) {
        List<String> languages = new ArrayList<>();
        practice.get("languages").forEach(l -> languages.add(l.stringValue()));
        settings.show(new PracticeLook(
                practice.get("name").stringValue(),
                practice.get("address").stringValue(),
                practice.get("colour").stringValue(),
                languages,
                practice.path("mailFrom").asString(null),
                practice.path("replyTo").asString(null)));
        settings.keepDays(
                ZoneId.of(practice.get("zone").stringValue()),
                DayOrder.valueOf(practice.get("dayOrder").stringValue()),
                DayOfWeek.of(practice.get("weekStart").intValue()));
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
