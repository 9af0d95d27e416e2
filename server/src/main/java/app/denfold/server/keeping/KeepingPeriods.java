package app.denfold.server.keeping;

import app.denfold.core.keeping.KeepingRules;
import app.denfold.server.problems.Refusal;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * The rules of keeping as people enter them.
 *
 * @param kinds for how long files of a kind are kept; of a kind that is not named, without end
 * @param types for how long a paper of a type keeps its file
 */
public record KeepingPeriods(List<Period> kinds, List<Period> types) {

    private static final int MOST_MONTHS = 1200;

    /** @param code of a kind or type @param months after the person's last day */
    public record Period(String code, int months) {}

    public KeepingPeriods {
        kinds = kinds == null ? List.of() : List.copyOf(kinds);
        types = types == null ? List.of() : List.copyOf(types);
    }

    /** @throws Refusal when a kind or type is unknown or named twice, or a period is negative or longer than a hundred years */
    KeepingPeriods checked(Set<String> knownKinds, Set<String> knownTypes) {
        check("kinds", "kind", kinds, knownKinds);
        check("types", "document type", types, knownTypes);
        return this;
    }

    private static void check(String field, String one, List<Period> periods, Set<String> known) {
        for (Period period : periods) {
            if (period.code() == null || !known.contains(period.code())) {
                throw Refusal.invalid(field, "There is no " + one + " " + period.code() + ".");
            }
            if (period.months() < 0 || period.months() > MOST_MONTHS) {
                throw Refusal.invalid(field, "Enter from 0 to " + MOST_MONTHS + " months.");
            }
        }
        if (periods.stream().map(Period::code).distinct().count() < periods.size()) {
            throw Refusal.invalid(field, "Each " + one + " can have one period only.");
        }
    }

    KeepingRules rules() {
        return new KeepingRules(months(kinds), months(types));
    }

    private static Map<String, Integer> months(List<Period> periods) {
        return periods.stream().collect(Collectors.toMap(Period::code, Period::months));
    }

    /** How a period is told, such as {@code 6 months} or {@code 7 years}. */
    static String words(int months) {
        return months > 0 && months % 12 == 0 ? counted(months / 12, "year") : counted(months, "month");
    }

    private static String counted(int count, String unit) {
        return count + " " + unit + (count == 1 ? "" : "s");
    }
}
