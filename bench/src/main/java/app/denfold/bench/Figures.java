package app.denfold.bench;

import java.math.BigDecimal;
import java.util.Arrays;
import java.util.Locale;

/** Prints what was measured, one line a figure. */
final class Figures {

    private Figures() {}

    /** A figure of which less is better. */
    static void atMost(String name, double value, String unit, double goal) {
        print(name, value, unit, goal, value <= goal);
    }

    /** A figure of which more is better. */
    static void atLeast(String name, double value, String unit, double goal) {
        print(name, value, unit, goal, value >= goal);
    }

    /** A figure without a goal. */
    static void told(String name, double value, String unit) {
        System.out.printf(Locale.ROOT, "figure %s %.2f %s%n", name, value, unit);
    }

    private static void print(String name, double value, String unit, double goal, boolean held) {
        System.out.printf(
                Locale.ROOT,
                "figure %s %.3f %s goal %s %s%n",
                name,
                value,
                unit,
                BigDecimal.valueOf(goal).stripTrailingZeros().toPlainString(),
                held ? "held" : "missed");
    }

    static double median(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[sorted.length / 2];
    }

    static double percentile95(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted[(int) Math.ceil(sorted.length * 0.95) - 1];
    }
}
