package app.denfold.core.notices;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * When people are told, who, and in which words.
 *
 * @param begins first day on which it tells anybody
 * @param courtesy whether those outside may ask to be told no more, since it is no duty
 */
public record Plan(String id, String name, Scope scope, List<PlanStep> steps, LocalDate begins, boolean courtesy) {

    public Plan {
        steps = List.copyOf(steps);
    }

    /**
     * What it is about. Each part that is not empty has to fit.
     *
     * @param kinds codes of kinds of files
     * @param checklist code; null for all
     * @param requirements codes within the checklist
     * @param types codes of document types that would do
     * @param paper id of one paper; null for slots
     */
    public record Scope(
            Set<String> kinds,
            @Nullable String checklist,
            Set<String> requirements,
            Set<String> types,
            @Nullable String paper) {

        public Scope {
            kinds = Set.copyOf(kinds);
            requirements = Set.copyOf(requirements);
            types = Set.copyOf(types);
        }

        public boolean covers(Watched watched) {
            Watched.Thing thing = watched.thing();
            if (paper != null || thing.paper() != null) {
                return paper != null && paper.equals(thing.paper());
            }
            return (kinds.isEmpty() || kinds.contains(watched.kind()))
                    && (checklist == null || checklist.equals(thing.checklist()))
                    && (requirements.isEmpty() || requirements.contains(thing.requirement()))
                    && (types.isEmpty() || types.stream().anyMatch(watched.types()::contains));
        }
    }
}
