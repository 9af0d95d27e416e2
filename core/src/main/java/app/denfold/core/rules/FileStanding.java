package app.denfold.core.rules;

import java.time.LocalDate;
import java.util.List;

/**
 * How a whole file stands on a day.
 *
 * @param requirements in the order of the checklists, not-applicable ones included
 */
public record FileStanding(
        LocalDate on,
        LocalDate knownOn,
        List<RequirementAnswer> requirements,
        ClearThrough clearThrough,
        Tally blocking,
        Tally advisory) {

    /** How many of the applicable requirements are met. */
    public record Tally(int met, int of) {}

    static FileStanding of(LocalDate on, LocalDate known, List<RequirementAnswer> answers, ClearThrough clear) {
        return new FileStanding(
                on,
                known,
                List.copyOf(answers),
                clear,
                tally(answers, Requirement.Level.BLOCKING),
                tally(answers, Requirement.Level.ADVISORY));
    }

    public boolean isClear() {
        return !(clearThrough instanceof ClearThrough.NotClear);
    }

    private static Tally tally(List<RequirementAnswer> answers, Requirement.Level level) {
        int met = 0;
        int of = 0;
        for (RequirementAnswer answer : answers) {
            if (answer.level() == level && answer.status() != Status.NOT_APPLICABLE) {
                of++;
                met += answer.status().isMet() ? 1 : 0;
            }
        }
        return new Tally(met, of);
    }
}
