package app.denfold.server.chasing.plans;

import app.denfold.core.notices.Plan;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;

/**
 * A plan as it is set up.
 *
 * @param beginsOn first day on which it tells anybody
 * @param courtesy whether those outside may ask to be told no more, since it is no duty
 * @param paused whether it tells nobody for the time being
 */
public record PlanDetails(
        @NotBlank(message = "is needed") @Size(max = 80, message = "has up to 80 letters")
        String name,

        @NotNull PlanScope scope,

        @NotEmpty(message = "need at least one") @Size(max = 20, message = "are at most 20")
        List<@Valid PlanStepDetails> steps,

        @NotNull(message = "is needed") LocalDate beginsOn,
        boolean courtesy,
        boolean paused) {

    /** As the core computes with it. @param id of the plan; of one that is only tried, any */
    public Plan plan(String id) {
        return new Plan(
                id,
                name,
                scope.scope(),
                steps.stream().map(PlanStepDetails::step).toList(),
                beginsOn,
                courtesy);
    }

    PlanDetails checked() {
        return new PlanDetails(
                name.strip(),
                scope,
                steps.stream().map(PlanStepDetails::checked).toList(),
                beginsOn,
                courtesy,
                paused);
    }
}
