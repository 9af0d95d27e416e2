package app.denfold.core.rules;

import java.time.LocalDate;
import java.util.List;

/** When a checklist or a requirement concerns a person; an expression that holds on certain days. */
public sealed interface Condition {

    /** The name of the fact that every person has: the kind of the file. */
    String KIND = "kind";

    /** The fact is known and has this value. */
    record Is(String fact, FactValue value) implements Condition {}

    /** The fact is known and has another value. */
    record IsNot(String fact, FactValue value) implements Condition {}

    /** The fact is known and has one of these values. */
    record In(String fact, List<FactValue> values) implements Condition {
        public In {
            values = List.copyOf(values);
        }
    }

    /** The birth date is known and the person has not reached the age. */
    record AgeUnder(int age) implements Condition {}

    /** The birth date is known and the person has reached the age: on birth date plus n years, clipped to the month. */
    record AgeAtLeast(int age) implements Condition {}

    /** Every part holds; true when there is none. */
    record All(List<Condition> parts) implements Condition {
        public All {
            parts = List.copyOf(parts);
        }
    }

    /** At least one part holds; false when there is none. */
    record Any(List<Condition> parts) implements Condition {
        public Any {
            parts = List.copyOf(parts);
        }
    }

    /** The part does not hold. */
    record Not(Condition part) implements Condition {}

    /**
     * False only when it holds for no person of a kind, whatever his facts and age are. A condition that contradicts
     * itself in other ways may still be said to hold.
     */
    default boolean mayHoldFor(String kind) {
        return possible(this, kind, true);
    }

    /** Whether the condition, or its opposite when {@code wanted} is false, can hold for someone of the kind. */
    private static boolean possible(Condition condition, String kind, boolean wanted) {
        if (condition instanceof Not not) {
            return possible(not.part, kind, !wanted);
        }
        if (condition instanceof All all) {
            return wanted
                    ? all.parts.stream().allMatch(p -> possible(p, kind, true))
                    : all.parts.stream().anyMatch(p -> possible(p, kind, false));
        }
        if (condition instanceof Any any) {
            return wanted
                    ? any.parts.stream().anyMatch(p -> possible(p, kind, true))
                    : any.parts.stream().allMatch(p -> possible(p, kind, false));
        }
        FactValue own = FactValue.text(kind);
        if (condition instanceof Is is && is.fact.equals(KIND)) {
            return is.value.equals(own) == wanted;
        }
        if (condition instanceof IsNot isNot && isNot.fact.equals(KIND)) {
            return isNot.value.equals(own) != wanted;
        }
        return !(condition instanceof In in) || !in.fact.equals(KIND) || in.values.contains(own) == wanted;
    }

    /** Whether it holds for the person on that day. */
    default boolean holdsFor(Person person, LocalDate day) {
        return ConditionDays.of(this, person).contains(day);
    }

    /** Holds always. */
    static Condition always() {
        return new All(List.of());
    }

    /** The file is of this kind. */
    static Condition kindIs(String kind) {
        return new Is(KIND, FactValue.text(kind));
    }
}
