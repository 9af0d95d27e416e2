package app.denfold.core.rules;

import app.denfold.core.days.Window;
import java.util.List;

/**
 * Requirements that go together.
 *
 * @param inForce the days on which it is asked of anyone at all
 * @param appliesWhen whom it concerns
 */
public record Checklist(String code, Window inForce, Condition appliesWhen, List<Requirement> requirements) {
    public Checklist {
        requirements = List.copyOf(requirements);
    }
}
