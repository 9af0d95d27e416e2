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
            DaySet days = DaySet.all();
            for (Condition part : all.parts()) {
                days = days.intersect(of(part, person));
            }
            return days;
        }
        if (condition instanceof Condition.Any any) {
            DaySet days = DaySet.none();
            for (Condition part : any.parts()) {
                days = days.union(of(part, person));
            }
            return days;
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
