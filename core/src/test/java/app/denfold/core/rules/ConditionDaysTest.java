package app.denfold.core.rules;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.days.DaySet;
import app.denfold.core.days.Window;
import app.denfold.core.rules.Condition.AgeAtLeast;
import app.denfold.core.rules.Condition.AgeUnder;
import app.denfold.core.rules.Condition.All;
import app.denfold.core.rules.Condition.Any;
import app.denfold.core.rules.Condition.In;
import app.denfold.core.rules.Condition.Is;
import app.denfold.core.rules.Condition.IsNot;
import app.denfold.core.rules.Condition.Not;
import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

class ConditionDaysTest {

    private static final FactValue GROOM = FactValue.text("groom");
    private static final FactValue COACH = FactValue.text("coach");

    private static LocalDate day(String iso) {
        return LocalDate.parse(iso);
    }

    private static Person person(LocalDate born, Person.Fact... facts) {
        return new Person("employee", born, List.of(Window.always()), List.of(facts), List.of(), List.of());
    }

    private static Person.Fact role(FactValue value, String from, String to) {
        return new Person.Fact("role", value, new Window(day(from), to == null ? null : day(to)));
    }

    private static DaySet days(Condition condition, Person person) {
        return ConditionDays.of(condition, person);
    }

    private static DaySet window(String from, String to) {
        return DaySet.of(new Window(from == null ? null : day(from), to == null ? null : day(to)));
    }

    @Test
    void theLastListedFactThatHoldsWins() {
        Person person = person(null, role(GROOM, "2026-01-01", null), role(COACH, "2026-03-01", "2026-03-31"));
        assertThat(days(new Is("role", COACH), person)).isEqualTo(window("2026-03-01", "2026-03-31"));
        assertThat(days(new Is("role", GROOM), person))
                .isEqualTo(window("2026-01-01", "2026-02-28").union(window("2026-04-01", null)));
    }

    @Test
    void aComparisonWithAnUnknownFactIsFalseEitherWay() {
        Person person = person(null, role(GROOM, "2026-01-01", "2026-01-31"));
        assertThat(days(new IsNot("role", COACH), person)).isEqualTo(window("2026-01-01", "2026-01-31"));
        assertThat(days(new IsNot("box", COACH), person)).isEqualTo(DaySet.none());
        assertThat(days(new In("box", List.of(COACH)), person)).isEqualTo(DaySet.none());
        assertThat(days(new Not(new Is("box", COACH)), person)).isEqualTo(DaySet.all());
    }

    @Test
    void oneOfSeveralValues() {
        Person person = person(null, role(GROOM, "2026-01-01", "2026-01-31"), role(COACH, "2026-02-01", null));
        assertThat(days(new In("role", List.of(GROOM, COACH)), person)).isEqualTo(window("2026-01-01", null));
    }

    @Test
    void valuesOfDifferentSortsAreNeverEqual() {
        Person person =
                person(null, new Person.Fact("horses", new FactValue.Number(new BigDecimal("2.0")), Window.always()));
        assertThat(days(new Is("horses", new FactValue.Number(new BigDecimal("2"))), person))
                .isEqualTo(DaySet.all());
        assertThat(days(new Is("horses", FactValue.text("2")), person)).isEqualTo(DaySet.none());
        assertThat(days(new Is("horses", new FactValue.YesNo(true)), person)).isEqualTo(DaySet.none());
    }

    @Test
    void theKindAlwaysHolds() {
        assertThat(days(Condition.kindIs("employee"), person(null))).isEqualTo(DaySet.all());
        assertThat(days(Condition.kindIs("client"), person(null))).isEqualTo(DaySet.none());
    }

    @Test
    void anAgeIsReachedOnTheBirthdayClippedToItsMonth() {
        Person leapling = person(day("2008-02-29"));
        assertThat(days(new AgeUnder(18), leapling)).isEqualTo(window(null, "2026-02-27"));
        assertThat(days(new AgeAtLeast(18), leapling)).isEqualTo(window("2026-02-28", null));
        assertThat(days(new AgeUnder(18), person(null))).isEqualTo(DaySet.none());
        assertThat(days(new AgeAtLeast(18), person(null))).isEqualTo(DaySet.none());
    }

    @Test
    void anEmptyAllIsTrueAndAnEmptyAnyFalse() {
        assertThat(days(new All(List.of()), person(null))).isEqualTo(DaySet.all());
        assertThat(days(new Any(List.of()), person(null))).isEqualTo(DaySet.none());
        Person person = person(day("2010-05-01"), role(GROOM, "2026-01-01", null));
        Condition both = new All(List.of(new Is("role", GROOM), new AgeUnder(18)));
        assertThat(days(both, person)).isEqualTo(window("2026-01-01", "2028-04-30"));
        Condition either = new Any(List.of(new Is("role", GROOM), new AgeUnder(18)));
        assertThat(days(either, person)).isEqualTo(DaySet.all());
    }

    @Test
    void whetherAConditionMayHoldForAKindIsToldFromItsFormAlone() {
        Condition patient = Condition.kindIs("patient");
        Condition grown = new Condition.AgeAtLeast(18);
        assertThat(patient.mayHoldFor("patient")).isTrue();
        assertThat(patient.mayHoldFor("client")).isFalse();
        assertThat(new Condition.Not(patient).mayHoldFor("patient")).isFalse();
        assertThat(new Condition.All(java.util.List.of(patient, grown)).mayHoldFor("client"))
                .isFalse();
        assertThat(new Condition.Any(java.util.List.of(patient, grown)).mayHoldFor("client"))
                .isTrue();
        assertThat(new Condition.Not(new Condition.Any(java.util.List.of(patient, grown))).mayHoldFor("patient"))
                .isFalse();
        assertThat(new Condition.Not(new Condition.All(java.util.List.of(patient, grown))).mayHoldFor("patient"))
                .isTrue();
        assertThat(new Condition.In(Condition.KIND, java.util.List.of(FactValue.text("client"))).mayHoldFor("patient"))
                .isFalse();
        assertThat(new Condition.IsNot(Condition.KIND, FactValue.text("patient")).mayHoldFor("patient"))
                .isFalse();
        assertThat(new Condition.IsNot("role", FactValue.text("groom")).mayHoldFor("patient"))
                .isTrue();
    }
}
