package app.denfold.server.coverage.ledger;

import app.denfold.core.rules.KnownFile;
import app.denfold.core.rules.Requirement;
import app.denfold.core.rules.RequirementAnswer;
import app.denfold.core.rules.Status;
import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.coverage.EvaluateFile;
import app.denfold.server.coverage.GrantWaiver;
import app.denfold.server.coverage.SlotKey;
import app.denfold.server.coverage.WaiverDetails;
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

/** How one file stands. */
@RestController
class CoverageController {

    private final Ledger ledger;
    private final Lines lines;
    private final GrantWaiver waivers;
    private final EvaluateFile evaluate;
    private final PracticeCalendar calendar;

    CoverageController(
            Ledger ledger, Lines lines, GrantWaiver waivers, EvaluateFile evaluate, PracticeCalendar calendar) {
        this.ledger = ledger;
        this.lines = lines;
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
            String label, Status status, @Nullable LocalDate due, boolean blocking) {}

    /** @param known {@code then} for what was known on the day, otherwise what is known now */
    @GetMapping("/api/files/{id}/ledger")
    Ledger.LedgerAnswer ledger(
            Viewer viewer,
            @PathVariable UUID id,
            @RequestParam(required = false) LocalDate asOf,
            @RequestParam(required = false) String known) {
        return ledger.of(viewer, id, calendar.asOf(asOf, known));
    }

    @GetMapping("/api/files/{id}/slots/{checklist}/{requirement}")
    Ledger.SlotAnswer slot(
            Viewer viewer,
            @PathVariable UUID id,
            @PathVariable String checklist,
            @PathVariable String requirement,
            @RequestParam(required = false) LocalDate asOf,
            @RequestParam(required = false) String known) {
        return ledger.slot(viewer, id, new SlotKey(id, checklist, requirement), calendar.asOf(asOf, known));
    }

    @GetMapping("/api/files/{id}/lines")
    Lines.LinesAnswer lines(
            Viewer viewer,
            @PathVariable UUID id,
            @RequestParam LocalDate from,
            @RequestParam LocalDate to,
            @RequestParam(required = false) LocalDate asOf,
            @RequestParam(required = false) String known) {
        return lines.of(viewer, id, from, to, calendar.asOf(asOf, known));
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
        return known.slots().stream()
                .map(r -> r.on(day))
                .filter(r -> r.status() != Status.NOT_APPLICABLE)
                .map(r -> slot(r, rules))
                .toList();
    }

    private static NewcomerSlot slot(RequirementAnswer r, Catalog.Rules rules) {
        boolean blocking = r.level() == Requirement.Level.BLOCKING;
        return new NewcomerSlot(rules.label(r.checklist(), r.requirement()), r.status(), r.due(), blocking);
    }
}
