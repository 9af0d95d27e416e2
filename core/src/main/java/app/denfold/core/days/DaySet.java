package app.denfold.core.days;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;

/**
 * An immutable set of civil days, kept as sorted windows that neither overlap nor touch.
 *
 * <p>Laws, for all sets a, b and every day d:
 *
 * <ul>
 *   <li>{@code a.union(b).contains(d) == a.contains(d) || b.contains(d)}
 *   <li>{@code a.intersect(b).contains(d) == a.contains(d) && b.contains(d)}
 *   <li>{@code a.complement().contains(d) == !a.contains(d)}
 *   <li>{@code a.minus(b).equals(a.intersect(b.complement()))}
 *   <li>{@code a.complement().complement().equals(a)}
 * </ul>
 *
 * Every operation takes time linear in the number of windows; asking about one day is logarithmic.
 *
 * <p>Inside, a set is a strictly increasing array of edges in days since 1970-01-01: even places hold first days, odd
 * places the day after the last one. {@link #SINCE_EVER} and {@link #NEVER_ENDS} stand for absent ends; no civil day
 * has these numbers.
 */
public final class DaySet {

    /** The edge of a window without a first day. */
    public static final int SINCE_EVER = Integer.MIN_VALUE;

    /** The edge of a window that never ends. */
    public static final int NEVER_ENDS = Integer.MAX_VALUE;

    private static final DaySet NONE = new DaySet(new int[0]);
    private static final DaySet ALL = new DaySet(new int[] {SINCE_EVER, NEVER_ENDS});

    private final int[] edges;

    private DaySet(int[] edges) {
        this.edges = edges;
    }

    /** The set without any day. */
    public static DaySet none() {
        return NONE;
    }

    /** The set of every day. */
    public static DaySet all() {
        return ALL;
    }

    /** The days of one window. */
    public static DaySet of(Window window) {
        return ofEdges(edgeOfFirst(window.from()), edgeAfterLast(window.to()));
    }

    /** The days that lie in at least one of the windows, which may come in any order and overlap. */
    public static DaySet of(Collection<Window> windows) {
        if (windows.size() == 1) {
            return of(windows.iterator().next());
        }
        DaySetSweep sweep = new DaySetSweep(windows.size());
        windows.forEach(w -> sweep.add(edgeOfFirst(w.from()), edgeAfterLast(w.to()), 1));
        return sweep.daysWithAtLeast(1);
    }

    /**
     * The days from {@code first} up to but not including {@code end}, both in days since 1970-01-01.
     *
     * @throws IllegalArgumentException when the window would be empty
     */
    public static DaySet ofEdges(int first, int end) {
        if (first >= end) {
            throw new IllegalArgumentException("An empty window is not a window: [" + first + ", " + end + ")");
        }
        return first == SINCE_EVER && end == NEVER_ENDS ? ALL : new DaySet(new int[] {first, end});
    }

    static DaySet ofSortedEdges(int[] edges, int length) {
        return length == 0 ? NONE : new DaySet(Arrays.copyOf(edges, length));
    }

    /** The edge at which a window with this first day begins. */
    public static int edgeOfFirst(@Nullable LocalDate first) {
        return first == null ? SINCE_EVER : dayNumber(first);
    }

    /** The edge just behind a window with this last day. */
    public static int edgeAfterLast(@Nullable LocalDate last) {
        return last == null ? NEVER_ENDS : dayNumber(last) + 1;
    }

    /** Days since 1970-01-01. */
    public static int dayNumber(LocalDate day) {
        return Math.toIntExact(day.toEpochDay());
    }

    public boolean isEmpty() {
        return edges.length == 0;
    }

    /** Days that lie in this set or in the other one. */
    public DaySet union(DaySet other) {
        if (isEmpty() || other == ALL) {
            return other;
        }
        return other.isEmpty() || this == ALL ? this : merge(other, true);
    }

    /** Days that lie in both sets. */
    public DaySet intersect(DaySet other) {
        if (isEmpty() || other == ALL) {
            return this;
        }
        return other.isEmpty() || this == ALL ? other : merge(other, false);
    }

    /** Days of this set that are not in the other one. */
    public DaySet minus(DaySet other) {
        return intersect(other.complement());
    }

    /** Every day that is not in this set. */
    public DaySet complement() {
        if (isEmpty()) {
            return ALL;
        }
        int from = edges[0] == SINCE_EVER ? 1 : 0;
        int to = edges[edges.length - 1] == NEVER_ENDS ? edges.length - 1 : edges.length;
        int[] result = new int[to - from + (1 - from) + (edges.length - to == 0 ? 1 : 0)];
        int at = 0;
        if (from == 0) {
            result[at++] = SINCE_EVER;
        }
        System.arraycopy(edges, from, result, at, to - from);
        at += to - from;
        if (to == edges.length) {
            result[at++] = NEVER_ENDS;
        }
        return ofSortedEdges(result, at);
    }

    private DaySet merge(DaySet other, boolean either) {
        int[] a = edges;
        int[] b = other.edges;
        int[] result = new int[a.length + b.length];
        int i = 0;
        int j = 0;
        int length = 0;
        boolean in = false;
        while (i < a.length || j < b.length) {
            int edge = j >= b.length || (i < a.length && a[i] <= b[j]) ? a[i] : b[j];
            while (i < a.length && a[i] == edge) {
                i++;
            }
            while (j < b.length && b[j] == edge) {
                j++;
            }
            boolean inA = (i & 1) == 1;
            boolean inB = (j & 1) == 1;
            boolean now = either ? inA || inB : inA && inB;
            if (now != in) {
                result[length++] = edge;
                in = now;
            }
        }
        return ofSortedEdges(result, length);
    }

    public boolean contains(LocalDate day) {
        return contains(dayNumber(day));
    }

    /** The same for a day given as days since 1970-01-01. */
    public boolean contains(int day) {
        return (edgesUpTo(day) & 1) == 1;
    }

    /** Number of edges at or before the day: odd means that the day lies in a window. */
    private int edgesUpTo(int day) {
        int low = 0;
        int high = edges.length;
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (edges[middle] <= day) {
                low = middle + 1;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** The window that holds the day; empty when none does. */
    public Optional<Window> windowHolding(LocalDate day) {
        int count = edgesUpTo(dayNumber(day));
        return (count & 1) == 1 ? Optional.of(window(count - 1)) : Optional.empty();
    }

    /**
     * The last day of the window that holds the day. Empty when no window holds it and also when that window never
     * ends; ask {@link #contains(LocalDate)} to tell these apart.
     */
    public Optional<LocalDate> runThrough(LocalDate day) {
        return windowHolding(day).flatMap(Window::lastDay);
    }

    /** The last day of this set before the given day; empty when there is none. */
    public Optional<LocalDate> lastBefore(LocalDate day) {
        OptionalInt last = lastBefore(dayNumber(day));
        return last.isPresent() ? Optional.of(LocalDate.ofEpochDay(last.getAsInt())) : Optional.empty();
    }

    /** The same in days since 1970-01-01. */
    public OptionalInt lastBefore(int day) {
        int count = edgesUpTo(day - 1);
        if (count == 0) {
            return OptionalInt.empty();
        }
        return OptionalInt.of((count & 1) == 1 ? day - 1 : edges[count - 1] - 1);
    }

    /**
     * The edge behind the window that holds the day: the day after its last day, or {@link #NEVER_ENDS}.
     *
     * @throws IllegalArgumentException when no window holds the day
     */
    public int endOfRun(int day) {
        int count = edgesUpTo(day);
        if ((count & 1) == 0) {
            throw new IllegalArgumentException("No window holds day " + LocalDate.ofEpochDay(day));
        }
        return edges[count];
    }

    /**
     * The first edge of the window that holds the day, or {@link #SINCE_EVER}.
     *
     * @throws IllegalArgumentException when no window holds the day
     */
    public int startOfRun(int day) {
        int count = edgesUpTo(day);
        if ((count & 1) == 0) {
            throw new IllegalArgumentException("No window holds day " + LocalDate.ofEpochDay(day));
        }
        return edges[count - 1];
    }

    /** The windows in order of their days. */
    public List<Window> windows() {
        List<Window> windows = new ArrayList<>(edges.length / 2);
        for (int i = 0; i < edges.length; i += 2) {
            windows.add(window(i));
        }
        return List.copyOf(windows);
    }

    private Window window(int at) {
        return new Window(
                edges[at] == SINCE_EVER ? null : LocalDate.ofEpochDay(edges[at]),
                edges[at + 1] == NEVER_ENDS ? null : LocalDate.ofEpochDay(edges[at + 1] - 1L));
    }

    /** How many edges the set has: twice the number of its windows. */
    public int edgeCount() {
        return edges.length;
    }

    /** The edge at a place from 0 to {@link #edgeCount()} - 1; even places begin windows, odd ones end them. */
    public int edge(int place) {
        return edges[place];
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof DaySet that && Arrays.equals(edges, that.edges);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(edges);
    }

    @Override
    public String toString() {
        return windows().toString();
    }
}
