package app.denfold.core.days;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

/** The laws of the algebra, by brute force over every subset of a world of seven days, open ends included. */
class DaySetLawsTest {

    private static final LocalDate FIRST = LocalDate.of(2026, 2, 26);
    private static final int DAYS = 7;

    /** Bit i set: day i of the world is in. Bits 7 and 8: all days before, all days after the world are in. */
    private static DaySet setOf(int bits) {
        List<Window> windows = new ArrayList<>();
        for (int i = 0; i < DAYS; i++) {
            if ((bits >> i & 1) == 1) {
                windows.add(Window.closed(FIRST.plusDays(i), FIRST.plusDays(i)));
            }
        }
        if ((bits >> DAYS & 1) == 1) {
            windows.add(Window.through(FIRST.minusDays(1)));
        }
        if ((bits >> DAYS + 1 & 1) == 1) {
            windows.add(Window.from(FIRST.plusDays(DAYS)));
        }
        return DaySet.of(windows);
    }

    private static int bitsOf(DaySet set) {
        int bits = 0;
        for (int i = 0; i < DAYS; i++) {
            bits |= set.contains(FIRST.plusDays(i)) ? 1 << i : 0;
        }
        bits |= set.contains(FIRST.minusDays(1)) ? 1 << DAYS : 0;
        bits |= set.contains(FIRST.plusDays(DAYS)) ? 1 << DAYS + 1 : 0;
        return bits;
    }

    private static final int WORLDS = 1 << DAYS + 2;

    @Test
    void everyPairObeysTheAlgebra() {
        for (int a = 0; a < WORLDS; a++) {
            DaySet left = setOf(a);
            assertThat(bitsOf(left)).isEqualTo(a);
            assertThat(bitsOf(left.complement())).isEqualTo(~a & WORLDS - 1);
            assertThat(left.complement().complement()).isEqualTo(left);
            for (int b = 0; b < WORLDS; b++) {
                DaySet right = setOf(b);
                if (!left.union(right).equals(setOf(a | b))
                        || !left.intersect(right).equals(setOf(a & b))
                        || !left.minus(right).equals(setOf(a & ~b))) {
                    throw new AssertionError("Broken for " + left + " and " + right);
                }
            }
        }
    }

    @Test
    void windowsNeitherOverlapNorTouch() {
        for (int a = 0; a < WORLDS; a++) {
            List<Window> windows = setOf(a).windows();
            for (int i = 1; i < windows.size(); i++) {
                LocalDate end = windows.get(i - 1).lastDay().orElseThrow();
                assertThat(windows.get(i).firstDay().orElseThrow()).isAfter(end.plusDays(1));
            }
        }
    }

    @Test
    void runThroughAndLastBeforeAgreeWithWalking() {
        for (int a = 0; a < WORLDS; a++) {
            DaySet set = setOf(a);
            for (int i = 0; i < DAYS; i++) {
                LocalDate day = FIRST.plusDays(i);
                assertThat(set.runThrough(day)).isEqualTo(walkForward(set, day));
                assertThat(set.lastBefore(day)).isEqualTo(walkBack(set, day));
            }
        }
    }

    private static Optional<LocalDate> walkForward(DaySet set, LocalDate day) {
        if (!set.contains(day)) {
            return Optional.empty();
        }
        LocalDate last = day;
        while (set.contains(last.plusDays(1))) {
            last = last.plusDays(1);
            if (last.isAfter(FIRST.plusDays(DAYS + 1))) {
                return Optional.empty();
            }
        }
        return Optional.of(last);
    }

    private static Optional<LocalDate> walkBack(DaySet set, LocalDate day) {
        for (LocalDate d = day.minusDays(1); !d.isBefore(FIRST.minusDays(1)); d = d.minusDays(1)) {
            if (set.contains(d)) {
                return Optional.of(d);
            }
        }
        return Optional.empty();
    }

    @Test
    void touchingWindowsBecomeOne() {
        DaySet set = DaySet.of(List.of(
                Window.closed(LocalDate.of(2026, 5, 1), LocalDate.of(2026, 5, 3)),
                Window.closed(LocalDate.of(2026, 5, 4), LocalDate.of(2026, 5, 9))));
        assertThat(set.windows()).containsExactly(Window.closed(LocalDate.of(2026, 5, 1), LocalDate.of(2026, 5, 9)));
    }

    @Test
    void sweepsAddUpTheWeightsOfOverlappingWindows() {
        DaySetSweep sweep = new DaySetSweep(3);
        sweep.add(10, 20, 2);
        sweep.add(15, DaySet.NEVER_ENDS, 1);
        sweep.add(DaySet.SINCE_EVER, 12, 1);
        assertThat(sweep.daysWithAtLeast(3)).isEqualTo(DaySet.ofEdges(10, 12).union(DaySet.ofEdges(15, 20)));
    }

    @Test
    void anEmptyWindowIsRefused() {
        assertThatThrownBy(() -> Window.closed(FIRST, FIRST.minusDays(1)))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("2026-02-25");
        assertThatThrownBy(() -> DaySet.ofEdges(4, 4)).isInstanceOf(IllegalArgumentException.class);
    }
}
