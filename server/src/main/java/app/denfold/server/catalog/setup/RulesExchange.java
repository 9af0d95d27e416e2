package app.denfold.server.catalog.setup;

import app.denfold.exchange.BadInput;
import app.denfold.exchange.RulesJson;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.ChecklistRepository;
import app.denfold.server.catalog.ChecklistVersion;
import app.denfold.server.catalog.Codes;
import app.denfold.server.catalog.DocumentTypeRepository;
import app.denfold.server.catalog.KeptChecklist;
import app.denfold.server.catalog.KeptDocumentType;
import app.denfold.server.catalog.SectionRepository;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Types and checklists out to the open JSON of scenarios, and in from it. */
@Service
class RulesExchange {

    private final DocumentTypeRepository types;
    private final ChecklistRepository checklists;
    private final SectionRepository sections;
    private final Catalog catalog;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;
    private final JsonMapper mapper = new JsonMapper();

    RulesExchange(
            DocumentTypeRepository types,
            ChecklistRepository checklists,
            SectionRepository sections,
            Catalog catalog,
            AuditTrail trail,
            PracticeCalendar calendar) {
        this.types = types;
        this.checklists = checklists;
        this.sections = sections;
        this.catalog = catalog;
        this.trail = trail;
        this.calendar = calendar;
    }

    /** What an import does, or would do. @param outcome {@code new}, {@code changed} or {@code same} */
    record ImportLine(String what, String code, String outcome) {}

    record ImportAnswer(boolean applied, List<ImportLine> lines) {}

    /** The rules in force today; versions that begin later are not among them. */
    @Transactional(readOnly = true)
    JsonNode export() {
        LocalDate today = calendar.today();
        ObjectNode out = mapper.createObjectNode();
        var typeList = out.putArray("documentTypes");
        types.findAllByOrderByLabel()
                .forEach(
                        t -> typeList.addObject().put("code", t.code()).set("validity", mapper.readTree(t.validity())));
        var lists = out.putArray("checklists");
        checklists.findAllWithVersions().forEach(c -> c.inForceOn(today)
                .ifPresent(v -> lists.add(mapper.readTree(v.definition()))));
        return out;
    }

    /** @throws Refusal with the place of the first thing that is wrong; then nothing is taken */
    @Transactional
    ImportAnswer take(Viewer viewer, String json, boolean apply) {
        viewer.requireAdministrator();
        Map<String, KeptDocumentType> keptTypes = new LinkedHashMap<>();
        types.findAllByOrderByLabel().forEach(t -> keptTypes.put(t.code(), t));
        Map<String, KeptChecklist> keptLists = new HashMap<>();
        checklists.findAllWithVersions().forEach(c -> keptLists.put(c.code(), c));
        RulesJson.Rules read = read(json, keptTypes);
        List<ImportLine> lines = new ArrayList<>();
        LocalDate today = calendar.today();
        read.types().forEach((code, validity) -> lines.add(type(keptTypes.get(code), code, validity, apply)));
        read.checklists()
                .forEach((code, definition) ->
                        lines.add(checklist(keptLists.get(code), code, definition, apply, keptLists.size(), today)));
        boolean changes = lines.stream().anyMatch(l -> !l.outcome().equals("same"));
        if (apply && changes) {
            trail.record(AuditEntry.general(viewer.actor(), "rules-imported", "imported types and checklists"));
            catalog.changed("imported types and checklists", viewer.actor(), true, true);
        }
        return new ImportAnswer(apply, lines);
    }

    private RulesJson.Rules read(String json, Map<String, KeptDocumentType> kept) {
        try {
            return RulesJson.rules(json, kept.keySet(), catalog.sense());
        } catch (BadInput wrong) {
            throw Refusal.invalid("json" + wrong.at(), wrong.getMessage());
        }
    }

    private ImportLine type(@Nullable KeptDocumentType kept, String code, String validity, boolean apply) {
        if (kept == null) {
            if (apply) {
                String section = sections.findAllByOrderByOrdinal().get(0).code();
                types.save(new KeptDocumentType(
                        code, Codes.label(code), section, validity, List.of(), false, false, List.of()));
            }
            return new ImportLine("type", code, "new");
        }
        if (mapper.readTree(kept.validity()).equals(mapper.readTree(validity))) {
            return new ImportLine("type", code, "same");
        }
        if (apply) {
            kept.holdBy(validity);
        }
        return new ImportLine("type", code, "changed");
    }

    private ImportLine checklist(
            @Nullable KeptChecklist kept, String code, String definition, boolean apply, int place, LocalDate today) {
        Map<String, String> labels = new LinkedHashMap<>();
        mapper.readTree(definition)
                .path("requirements")
                .forEach(r -> labels.put(
                        r.get("code").stringValue(),
                        kept == null
                                ? Codes.label(r.get("code").stringValue())
                                : kept.requirementLabels()
                                        .getOrDefault(
                                                r.get("code").stringValue(),
                                                Codes.label(r.get("code").stringValue()))));
        if (kept == null) {
            if (apply) {
                checklists.save(new KeptChecklist(code, Codes.label(code), place, definition, labels));
            }
            return new ImportLine("checklist", code, "new");
        }
        boolean isSame = kept.inForceOn(today)
                .filter(v -> mapper.readTree(v.definition()).equals(mapper.readTree(definition)))
                .isPresent();
        if (isSame) {
            return new ImportLine("checklist", code, "same");
        }
        if (apply) {
            kept.insert(new ChecklistVersion(today, definition, labels));
        }
        return new ImportLine("checklist", code, "changed");
    }
}
