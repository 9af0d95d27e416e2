package app.denfold.server.coverage;

import app.denfold.core.rules.KnownFile;
import app.denfold.core.rules.RequirementAnswer;
import app.denfold.core.rules.Status;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.practice.PracticeCalendar;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class CoverageController {

    private final Ledger ledger;
    private final FilesTable table;
    private final GrantWaiver waivers;
    private final EvaluateFile evaluate;
    private final PracticeCalendar calendar;

    CoverageController(
            Ledger ledger, FilesTable table, GrantWaiver waivers, EvaluateFile evaluate, PracticeCalendar calendar) {
        this.ledger = ledger;
        this.table = table;
        this.waivers = waivers;
        this.evaluate = evaluate;
        this.calendar = calendar;
    }

    record Newcomer(
            @NotBlank String kind,
            @Nullable LocalDate birthDate,
            @Nullable LocalDate activeFrom,
            Map<String, String> facts) {}

    record NewcomerSlot(
            String label, String status, @Nullable LocalDate due, boolean blocking) {}

    @GetMapping("/api/files")
    List<FilesTable.FileRow> files(
            Viewer viewer, @RequestParam(defaultValue = "") String text, @RequestParam(defaultValue = "") String kind) {
        return table.rows(viewer, text, kind);
    }

    @GetMapping("/api/files/{id}/ledger")
    Ledger.LedgerAnswer ledger(Viewer viewer, @PathVariable UUID id) {
        return ledger.of(viewer, id);
    }

    @PostMapping("/api/files/{id}/waivers")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void waive(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody WaiverDetails body) {
        waivers.grant(viewer, id, body);
    }

    /** The slots a file would have, while it is being typed. */
    @PostMapping("/api/coverage/newcomer")
    List<NewcomerSlot> newcomer(Viewer viewer, @Valid @RequestBody Newcomer body) {
        LocalDate today = calendar.today();
        LocalDate from = body.activeFrom() == null ? today : body.activeFrom();
        LocalDate day = from.isAfter(today) ? from : today;
        Map<String, String> facts = body.facts() == null ? Map.of() : body.facts();
        KnownFile known = evaluate.evaluateNewcomer(viewer, body.kind(), body.birthDate(), from, facts, day);
        Catalog.Rules rules = evaluate.visibleRules(viewer);
        return known.requirements().stream()
                .map(r -> r.on(day))
                .filter(r -> r.status() != Status.NOT_APPLICABLE)
                .map(r -> slot(r, rules))
                .toList();
    }

    private static NewcomerSlot slot(RequirementAnswer r, Catalog.Rules rules) {
        boolean blocking = r.level() == app.denfold.core.rules.Requirement.Level.BLOCKING;
        return new NewcomerSlot(
                rules.label(r.checklist(), r.requirement()), r.status().code(), r.due(), blocking);
    }
}
