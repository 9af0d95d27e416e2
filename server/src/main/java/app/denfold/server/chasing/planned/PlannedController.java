package app.denfold.server.chasing.planned;

import app.denfold.server.access.Viewer;
import app.denfold.server.chasing.history.TurnKey;
import app.denfold.server.chasing.planned.ShowAhead.AheadAnswer;
import app.denfold.server.chasing.planned.ShowAhead.NoticeText;
import app.denfold.server.chasing.planned.ShowAhead.TriedPlan;
import app.denfold.server.chasing.planned.WentOut.WentOutAnswer;
import app.denfold.server.chasing.plans.PlanDetails;
import app.denfold.server.practice.PracticeCalendar;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
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
class PlannedController {

    private final ShowAhead ahead;
    private final ChangeAhead change;
    private final WentOut wentOut;
    private final ChasingTasks tasks;
    private final PracticeCalendar calendar;

    PlannedController(
            ShowAhead ahead, ChangeAhead change, WentOut wentOut, ChasingTasks tasks, PracticeCalendar calendar) {
        this.ahead = ahead;
        this.change = change;
        this.wentOut = wentOut;
        this.tasks = tasks;
        this.calendar = calendar;
    }

    /** @param again although somebody of them was written to today */
    record TurnsRequest(@NotEmpty List<@Valid TurnKey> turns, boolean again) {}

    record MoveTurns(
            @NotEmpty List<@Valid TurnKey> turns, @NotNull LocalDate to) {}

    /** @param id of the plan that is changed; null for a new one */
    record SupposedPlan(@Nullable UUID id, @NotNull @Valid PlanDetails plan) {}

    /** @param days how many from today on, at most 60 */
    @GetMapping("/api/planned-notices")
    AheadAnswer ahead(Viewer viewer, @RequestParam(defaultValue = "28") int days) {
        return ahead.ahead(viewer, days);
    }

    @GetMapping("/api/planned-notices/letter")
    NoticeText letter(Viewer viewer, @RequestParam String address, @RequestParam LocalDate day) {
        return ahead.letter(viewer, address, day);
    }

    @PostMapping("/api/planned-notices/hold")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void hold(Viewer viewer, @Valid @RequestBody TurnsRequest body) {
        change.hold(viewer, body.turns());
    }

    @PostMapping("/api/planned-notices/release")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void release(Viewer viewer, @Valid @RequestBody TurnsRequest body) {
        change.release(viewer, body.turns());
    }

    @PostMapping("/api/planned-notices/move")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void move(Viewer viewer, @Valid @RequestBody MoveTurns body) {
        change.move(viewer, body.turns(), body.to());
    }

    @PostMapping("/api/planned-notices/send")
    @ResponseStatus(HttpStatus.ACCEPTED)
    void send(Viewer viewer, @Valid @RequestBody TurnsRequest body) {
        change.sendNow(viewer, body.turns(), body.again());
    }

    /** What would go out if a plan were so, before it is saved. */
    @PostMapping("/api/notice-plans/ahead")
    AheadAnswer supposing(
            Viewer viewer, @RequestParam(defaultValue = "28") int days, @Valid @RequestBody SupposedPlan body) {
        return ahead.supposing(viewer, body.id(), body.plan(), days);
    }

    /** How it would read for a real person. */
    @PostMapping("/api/notice-plans/preview")
    TriedPlan preview(Viewer viewer, @RequestParam UUID file, @Valid @RequestBody SupposedPlan body) {
        return ahead.tryOn(viewer, body.id(), body.plan(), file);
    }

    /** @param before those that were queued before; null for the newest */
    @GetMapping("/api/chased")
    List<WentOutAnswer> wentOut(Viewer viewer, @RequestParam(required = false) Instant before) {
        return wentOut.before(viewer, before == null ? calendar.now().plusSeconds(1) : before);
    }

    @PostMapping("/api/chasing-tasks/{id}/done")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void done(Viewer viewer, @PathVariable UUID id) {
        tasks.done(viewer, id);
    }
}
