package app.denfold.core.days;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** What two windows share, by brute force over a small world with open ends. */
class WindowTest {

    private static final LocalDate FIRST = LocalDate.of(2026, 2, 26);
    private static final int SPAN = 6;

    private static List<Window> all() {
        List<Window> windows = new ArrayList<>();
        for (int from = -1; from < SPAN; from++) {
            for (int to = Math.max(from, 0); to <= SPAN; to++) {
                windows.add(new Window(from < 0 ? null : FIRST.plusDays(from), to == SPAN ? null : FIRST.plusDays(to)));
            }
        }
        return windows;
    }

    @Test
    void theIntersectionHoldsTheDaysThatBothHold() {
        for (Window a : all()) {
            for (Window b : all()) {
                for (int i = -3; i < SPAN + 3; i++) {
                    LocalDate day = FIRST.plusDays(i);
                    boolean shared = a.intersect(b).map(w -> w.contains(day)).orElse(false);
                    assertThat(shared).as(a + " and " + b + " on " + day).isEqualTo(a.contains(day) && b.contains(day));
                }
                assertThat(a.intersect(b)).isEqualTo(b.intersect(a));
                assertThat(a.intersect(b).isPresent()).isEqualTo(a.overlaps(b));
            }
        }
    }

    @Test
    void anythingMeetsAlwaysInItself() {
        all().forEach(w -> assertThat(w.intersect(Window.always())).contains(w));
    }
}
