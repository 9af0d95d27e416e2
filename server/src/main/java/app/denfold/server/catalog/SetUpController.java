package app.denfold.server.catalog;

import app.denfold.core.filing.TypeField;
import app.denfold.exchange.BadInput;
import app.denfold.exchange.RulesJson;
import app.denfold.server.access.Viewer;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Set-up of sections, types and checklists. */
@RestController
@RequestMapping("/api/set-up")
class SetUpController {

    private final Catalog catalog;
    private final SetUpRules setUp;
    private final CatalogRepositories.Checklists checklists;
    private final RulesExchange exchange;
    private final JsonMapper mapper = new JsonMapper();

    SetUpController(
            Catalog catalog, SetUpRules setUp, CatalogRepositories.Checklists checklists, RulesExchange exchange) {
        this.catalog = catalog;
        this.setUp = setUp;
        this.checklists = checklists;
        this.exchange = exchange;
    }

    record SectionAnswerOfSetUp(String code, String label, int types) {}

    record TypeSetUp(
            String code,
            int version,
            String label,
            String section,
            JsonNode validity,
            String namingPattern,
            List<Signer> signers,
            boolean needsReview,
            boolean sensitive,
            List<String> synonyms,
            List<TypeField> fields,
            @Nullable UUID reviewer) {}

    /** @param to last day in force; null for the newest version */
    record ChecklistVersionAnswer(
            @Nullable LocalDate from, @Nullable LocalDate to, JsonNode definition, Map<String, String> labels) {}

    /** @param versions oldest first */
    record ChecklistSetUp(String code, int version, String label, List<ChecklistVersionAnswer> versions) {}

    record ExampleRequest(
            @Nullable String label,
            @NotNull JsonNode validity,
            @Nullable LocalDate dated) {}

    record ExampleAnswer(String words) {}

    record ImportRequest(@NotNull String json) {}

    @GetMapping("/sections")
    List<SectionAnswerOfSetUp> sections(Viewer viewer) {
        viewer.requireAdministrator();
        List<PaperType> types = catalog.types();
        return catalog.sections().stream()
                .map(s -> new SectionAnswerOfSetUp(s.code(), s.label(), (int)
                        types.stream().filter(t -> t.section().equals(s.code())).count()))
                .toList();
    }

    @PutMapping("/sections")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void saveSections(Viewer viewer, @Valid @RequestBody List<SetUpRules.SectionDetails> body) {
        setUp.save(viewer, body);
    }

    @GetMapping("/document-types")
    List<TypeSetUp> types(Viewer viewer) {
        viewer.requireAdministrator();
        return catalog.types().stream()
                .map(t -> new TypeSetUp(
                        t.code(),
                        t.version(),
                        t.label(),
                        t.section(),
                        mapper.readTree(t.validity()),
                        t.namingPatternText(),
                        t.signers(),
                        t.needsReview(),
                        t.isSensitive(),
                        t.synonyms(),
                        t.fields(),
                        t.reviewer()))
                .toList();
    }

    @PutMapping("/document-types/{code}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void saveType(Viewer viewer, @PathVariable String code, @Valid @RequestBody SetUpRules.TypeDetails body) {
        setUp.save(viewer, code, body);
    }

    /** An example of what a validity rule does, in words. */
    @PostMapping("/document-types/example")
    ExampleAnswer example(Viewer viewer, @Valid @RequestBody ExampleRequest body) {
        viewer.requireAdministrator();
        try {
            LocalDate dated = body.dated() == null ? setUp.today().minusMonths(3) : body.dated();
            String label = body.label() == null ? "" : body.label();
            return new ExampleAnswer(ValidityWords.example(
                    label, RulesJson.validity(body.validity().toString()), dated));
        } catch (BadInput wrong) {
            throw Refusal.invalid("validity" + wrong.at(), wrong.getMessage());
        }
    }

    @GetMapping("/checklists")
    @Transactional(readOnly = true)
    List<ChecklistSetUp> checklists(Viewer viewer) {
        viewer.requireAdministrator();
        return checklists.findAllWithVersions().stream().map(this::answer).toList();
    }

    private ChecklistSetUp answer(KeptChecklist list) {
        List<ChecklistVersionAnswer> versions = new ArrayList<>();
        for (ChecklistVersion v : list.versions()) {
            versions.add(new ChecklistVersionAnswer(
                    v.fromDay(),
                    list.lastDay(versions.size()),
                    mapper.readTree(v.definition()),
                    v.requirementLabels()));
        }
        return new ChecklistSetUp(list.code(), list.version(), list.label(), versions);
    }

    @PutMapping("/checklists/{code}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void saveChecklist(Viewer viewer, @PathVariable String code, @Valid @RequestBody SetUpRules.ChecklistDetails body) {
        setUp.save(viewer, code, body);
    }

    @PutMapping("/checklists")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void order(Viewer viewer, @RequestBody List<String> codes) {
        setUp.order(viewer, codes);
    }

    /** Types and checklists as open JSON, each checklist as it is in force today. */
    @GetMapping("/rules")
    JsonNode export(Viewer viewer) {
        viewer.requireAdministrator();
        return exchange.export();
    }

    /** @param apply false tells what would happen */
    @PostMapping("/rules")
    RulesExchange.ImportAnswer take(
            Viewer viewer,
            @RequestParam(defaultValue = "false") boolean apply,
            @Valid @RequestBody ImportRequest body) {
        return exchange.take(viewer, body.json(), apply);
    }
}
