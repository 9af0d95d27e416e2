package app.denfold.core.rules;

import app.denfold.core.days.DaySet;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;

/** The values of one fact over time: on each day the value of the last listed fact whose range holds the day. */
final class FactTimeline {

    private final List<Stretch> stretches;

    private FactTimeline(List<Stretch> stretches) {
        this.stretches = stretches;
    }

    record Stretch(DaySet days, FactValue value) {}

    static FactTimeline of(Person person, String name) {
        if (name.equals(Condition.KIND)) {
            return new FactTimeline(List.of(new Stretch(DaySet.all(), FactValue.text(person.kind()))));
        }
        List<Stretch> stretches = new ArrayList<>();
        DaySet open = DaySet.all();
        for (int i = person.facts().size() - 1; i >= 0; i--) {
            Person.Fact fact = person.facts().get(i);
            if (fact.name().equals(name)) {
                DaySet days = DaySet.of(fact.window());
                stretches.add(new Stretch(days.intersect(open), fact.value()));
                open = open.minus(days);
            }
        }
        return new FactTimeline(stretches);
    }

    DaySet daysOn(Predicate<FactValue> wanted) {
        DaySet days = DaySet.none();
        for (Stretch stretch : stretches) {
            if (wanted.test(stretch.value)) {
                days = days.union(stretch.days);
            }
        }
        return days;
    }

    Optional<FactValue> on(int day) {
        return stretches.stream()
                .filter(s -> s.days.contains(day))
                .map(Stretch::value)
                .findFirst();
    }

    List<Stretch> stretches() {
        return stretches;
    }
}
