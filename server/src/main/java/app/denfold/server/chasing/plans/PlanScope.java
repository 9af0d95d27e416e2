package app.denfold.server.chasing.plans;

import app.denfold.core.notices.Plan;
import jakarta.annotation.Nullable;
import java.util.List;
import java.util.Set;
import java.util.UUID;

/**
 * What a plan is about, as it is set up and kept. Each part that is not empty has to fit.
 *
 * @param kinds codes of kinds of files
 * @param checklist code; null for all
 * @param requirements codes within the checklist
 * @param types codes of document types
 * @param documentId one paper that runs out; null for what checklists ask for
 */
public record PlanScope(
        List<String> kinds,
        @Nullable String checklist,
        List<String> requirements,
        List<String> types,
        @Nullable UUID documentId) {

    public PlanScope {
        kinds = kinds == null ? List.of() : List.copyOf(kinds);
        requirements = requirements == null ? List.of() : List.copyOf(requirements);
        types = types == null ? List.of() : List.copyOf(types);
    }

    Plan.Scope scope() {
        return new Plan.Scope(
                Set.copyOf(kinds),
                checklist,
                Set.copyOf(requirements),
                Set.copyOf(types),
                documentId == null ? null : documentId.toString());
    }
}
