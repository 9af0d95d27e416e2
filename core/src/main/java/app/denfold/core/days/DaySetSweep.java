package app.denfold.core.days;

import java.util.Arrays;

/**
 * Adds up weighted windows and answers on which days the sum reaches a threshold: one sort and one sweep over the
 * window edges. Not safe for use by several threads.
 */
public final class DaySetSweep {

    private long[] events;
    private int length;

    /** @param windows how many windows are expected; more may be added */
    public DaySetSweep(int windows) {
        events = new long[Math.max(2, 2 * windows)];
    }

    /**
     * Adds a window that begins at the edge {@code first} and ends before the edge {@code end}.
     *
     * @param weight what every day of the window counts for, from 1 to a million
     */
    public void add(int first, int end, int weight) {
        push(first, weight);
        if (end != DaySet.NEVER_ENDS) {
            push(end, -weight);
        }
    }

    /** Adds every window of the set with the same weight. */
    public void add(DaySet days, int weight) {
        for (int i = 0; i < days.edgeCount(); i += 2) {
            add(days.edge(i), days.edge(i + 1), weight);
        }
    }

    private void push(int edge, int change) {
        if (length == events.length) {
            events = Arrays.copyOf(events, 2 * length);
        }
        events[length++] = ((long) edge << 32) | (change & 0xFFFFFFFFL);
    }

    /**
     * The days on which the weights of the windows that hold them sum to at least the threshold.
     *
     * @param threshold at least 1
     */
    public DaySet daysWithAtLeast(int threshold) {
        Arrays.sort(events, 0, length);
        int[] edges = new int[length + 1];
        int count = 0;
        long sum = 0;
        boolean in = false;
        int i = 0;
        while (i < length) {
            int edge = (int) (events[i] >> 32);
            while (i < length && (int) (events[i] >> 32) == edge) {
                sum += (int) events[i++];
            }
            boolean now = sum >= threshold;
            if (now != in) {
                edges[count++] = edge;
                in = now;
            }
        }
        if (in) {
            edges[count++] = DaySet.NEVER_ENDS;
        }
        return DaySet.ofSortedEdges(edges, count);
    }
}
