package app.denfold.core.rules;

import app.denfold.core.days.Window;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What the rules need to know of a person and his file.
 *
 * @param birthDate null when unknown
 * @param active spans during which anything is asked of him, in any order
 * @param facts in the order they were listed: of two that hold on a day the later listed one wins
 */
public record Person(
        String kind,
        @Nullable LocalDate birthDate,
        List<Window> active,
        List<Fact> facts,
        List<Waiver> waivers,
        List<Document> documents) {

    /** @throws IllegalArgumentException when two active spans share a day */
    public Person {
        active = List.copyOf(active);
        facts = List.copyOf(facts);
        waivers = List.copyOf(waivers);
        documents = List.copyOf(documents);
        for (int i = 0; i < active.size(); i++) {
            for (int j = 0; j < i; j++) {
                if (active.get(i).overlaps(active.get(j))) {
                    throw new IllegalArgumentException(
                            "Active spans overlap: " + active.get(j) + " and " + active.get(i));
                }
            }
        }
    }

    /** A dated value. */
    public record Fact(String name, FactValue value, Window window) {}

    /** A requirement not asked for during a window, as decided on a day. */
    public record Waiver(String checklist, String requirement, Window window, LocalDate recordedOn) {}
}
