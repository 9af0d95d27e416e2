package app.denfold.core.rules;

import app.denfold.core.days.Window;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/** How many requirements change to each status, week by week, if nothing new comes in. */
public record Forecast(List<Week> weeks) {

    /** Seven days and how many changes to each status fall on them. */
    public record Week(Window days, Map<Status, Integer> changesTo) {}

    /**
     * The first week begins on the day after {@code today}.
     *
     * @param files as known today
     * @param weeks at least 1
     */
    public static Forecast of(Iterable<KnownFile> files, LocalDate today, int weeks) {
        List<Map<Status, Integer>> counts = new ArrayList<>();
        for (int i = 0; i < weeks; i++) {
            counts.add(new EnumMap<>(Status.class));
        }
        for (KnownFile file : files) {
            for (SlotCourse slot : file.slots()) {
                count(slot, today, counts);
            }
        }
        List<Week> result = new ArrayList<>();
        for (int i = 0; i < weeks; i++) {
            LocalDate first = today.plusDays(1 + 7L * i);
            result.add(new Week(Window.closed(first, first.plusDays(6)), Map.copyOf(counts.get(i))));
        }
        return new Forecast(List.copyOf(result));
    }

    private static void count(SlotCourse slot, LocalDate today, List<Map<Status, Integer>> counts) {
        LocalDate last = today.plusDays(7L * counts.size());
        List<SlotCourse.Stretch> stretches = slot.stretches(today, last);
        for (SlotCourse.Stretch stretch : stretches.subList(1, stretches.size())) {
            LocalDate on = stretch.window().firstDay().orElseThrow();
            int week = (int) ((on.toEpochDay() - today.toEpochDay() - 1) / 7);
            counts.get(week).merge(stretch.status(), 1, Integer::sum);
        }
    }
}
