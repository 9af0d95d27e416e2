package app.denfold.core.rules;

import app.denfold.core.days.DaySet;
import app.denfold.core.days.Window;
import java.time.LocalDate;

/** On which days a condition holds for a person. */
final class ConditionDays {

    private ConditionDays() {}

    static DaySet of(Condition condition, Person person) {
        if (condition instanceof Condition.Is is) {
            return FactTimeline.of(person, is.fact()).daysOn(is.value()::equals);
        }
        if (condition instanceof Condition.IsNot isNot) {
            return FactTimeline.of(person, isNot.fact()).daysOn(v -> !v.equals(isNot.value()));
        }
        if (condition instanceof Condition.In in) {
            return FactTimeline.of(person, in.fact()).daysOn(in.values()::contains);
        }
        if (condition instanceof Condition.AgeUnder under) {
            return beforeAge(under.age(), person);
        }
        if (condition instanceof Condition.AgeAtLeast atLeast) {
            return person.birthDate() == null
                    ? DaySet.none()
                    : beforeAge(atLeast.age(), person).complement();
        }
        if (condition instanceof Condition.All all) {
            return all.parts().stream().map(part -> of(part, person)).reduce(DaySet.all(), DaySet::intersect);
        }
        if (condition instanceof Condition.Any any) {
            return any.parts().stream().map(part -> of(part, person)).reduce(DaySet.none(), DaySet::union);
        }
        Condition.Not not = (Condition.Not) condition;
        return of(not.part(), person).complement();
    }

    private static DaySet beforeAge(int age, Person person) {
        LocalDate born = person.birthDate();
        return born == null
                ? DaySet.none()
                : DaySet.of(Window.through(born.plusYears(age).minusDays(1)));
    }
}
