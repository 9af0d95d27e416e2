package app.denfold.core.rules;

import java.time.LocalDate;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;

/**
 * How a file stands, as it is told to somebody who may not see every requirement of it. Whether it is clear is the truth
 * for everybody; of what keeps it from being clear and cannot be seen, only the number is told.
 *
 * @param clear whether no blocking requirement is open
 * @param clearThrough the last day of the run of clear days; null when not clear, or when it never ends
 * @param open how many blocking requirements are open that may be seen
 * @param hiddenOpen how many are open besides
 */
public record Verdict(boolean clear, @Nullable LocalDate clearThrough, int open, int hiddenOpen) {

    public Verdict {
        if (open < 0 || hiddenOpen < 0) {
            throw new IllegalArgumentException("Fewer than none can be open: " + open + ", " + hiddenOpen);
        }
    }

    /** Whether a requirement with this status is an open slot: one that keeps its file from being clear. */
    public static boolean isOpen(boolean blocking, Status status) {
        return blocking && status.isOpen();
    }

    /** @param visible which requirements may be seen */
    public static Verdict of(FileStanding standing, Predicate<RequirementAnswer> visible) {
        int open = 0;
        int hidden = 0;
        for (RequirementAnswer answer : standing.requirements()) {
            if (isOpen(answer.level() == Requirement.Level.BLOCKING, answer.status())) {
                open += visible.test(answer) ? 1 : 0;
                hidden += visible.test(answer) ? 0 : 1;
            }
        }
        LocalDate through = standing.clearThrough() instanceof ClearThrough.Through t ? t.day() : null;
        return new Verdict(standing.isClear(), through, open, hidden);
    }

    /**
     * The same from what is kept of a file.
     *
     * @param allOpen how many blocking requirements are open
     * @param hiddenOpen how many of them may not be seen
     */
    public static Verdict kept(boolean clear, @Nullable LocalDate clearThrough, int allOpen, int hiddenOpen) {
        return new Verdict(clear, clearThrough, Math.max(0, allOpen - hiddenOpen), hiddenOpen);
    }
}
