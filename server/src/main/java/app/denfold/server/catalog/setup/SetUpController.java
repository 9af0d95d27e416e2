package app.denfold.server.catalog.setup;

import app.denfold.server.access.Viewer;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.List;
import org.springframework.http.HttpStatus;
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

/** Set-up of sections, types and checklists. */
@RestController
@RequestMapping("/api/set-up")
class SetUpController {

    private final SetUpRules setUp;
    private final ShowRules show;
    private final RulesExchange exchange;

    SetUpController(SetUpRules setUp, ShowRules show, RulesExchange exchange) {
        this.setUp = setUp;
        this.show = show;
        this.exchange = exchange;
    }

    record ExampleRequest(
            @Nullable String label,
            @NotNull @Schema(ref = RulesInOpenApi.VALIDITY) JsonNode validity,
            @Nullable LocalDate dated) {}

    record ExampleAnswer(String words) {}

    record ImportRequest(@NotNull String json) {}

    @GetMapping("/sections")
    List<ShowRules.SectionAnswerOfSetUp> sections(Viewer viewer) {
        return show.sections(viewer);
    }

    @PutMapping("/sections")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void saveSections(Viewer viewer, @Valid @RequestBody List<SetUpRules.SectionDetails> body) {
        setUp.save(viewer, body);
    }

    @GetMapping("/document-types")
    List<ShowRules.TypeSetUp> types(Viewer viewer) {
        return show.types(viewer);
    }

    @PutMapping("/document-types/{code}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void saveType(Viewer viewer, @PathVariable String code, @Valid @RequestBody SetUpRules.TypeDetails body) {
        setUp.save(viewer, code, body);
    }

    /** An example of what a validity rule does, in words. */
    @PostMapping("/document-types/example")
    ExampleAnswer example(Viewer viewer, @Valid @RequestBody ExampleRequest body) {
        return new ExampleAnswer(
                setUp.example(viewer, body.label(), body.validity().toString(), body.dated()));
    }

    @GetMapping("/checklists")
    List<ShowRules.ChecklistSetUp> checklists(Viewer viewer) {
        return show.checklists(viewer);
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
