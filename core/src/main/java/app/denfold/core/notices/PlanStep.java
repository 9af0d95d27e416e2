package app.denfold.core.notices;

import java.time.LocalDate;
import java.util.List;
import java.util.stream.IntStream;

/**
 * One step of a plan.
 *
 * @param id stays the same whatever else of the plan changes
 * @param days after the day of the occasion; negative for days before it, which only foreseen occasions have
 * @param every so many days it comes again; 0 for never
 * @param times how often in all, at least 1
 * @param words which words are used; not looked at here
 */
public record PlanStep(String id, Occasion occasion, int days, int every, int times, Who who, String words) {

    private static final int FURTHEST = 3_650;

    private static final int MOST_TIMES = 50;

    public PlanStep {
        if (Math.abs(days) > FURTHEST) {
            throw new IllegalArgumentException("Up to ten years before or after");
        }
        if (days < 0 && !occasion.isForeseen()) {
            throw new IllegalArgumentException("Nobody knows ahead when a paper is sent back or waits");
        }
        if (times < 1 || times > MOST_TIMES || every < 0 || every > FURTHEST || times > 1 && every == 0) {
            throw new IllegalArgumentException("It comes again after at least one day, at most fifty times");
        }
    }

    /** The planned days, the first one first. */
    List<LocalDate> planned(LocalDate from) {
        return IntStream.range(0, times)
                .mapToObj(turn -> from.plusDays(days + (long) turn * every))
                .toList();
    }
}
