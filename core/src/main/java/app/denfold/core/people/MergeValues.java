package app.denfold.core.people;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;

/** What is known of two persons put together, and taken apart again. Values are compared by {@code equals}. */
public final class MergeValues {

    private MergeValues() {}

    /**
     * All that is known of either.
     *
     * @param kept values of the one that stays; they hold, except
     * @param fromGone names of which the other's value holds, where the other has one
     * @return kept's names first, then those that only the other has
     */
    public static <T> Map<String, T> together(Map<String, T> kept, Map<String, T> gone, Set<String> fromGone) {
        Map<String, T> both = new LinkedHashMap<>(kept);
        gone.forEach((name, value) -> {
            if (fromGone.contains(name)) {
                both.put(name, value);
            } else {
                both.putIfAbsent(name, value);
            }
        });
        return both;
    }

    /**
     * Takes back what putting together changed, but nothing that was changed since.
     *
     * @param now what is known now
     * @param before what was known before
     * @param after what was known right after
     */
    public static <T> Map<String, T> apart(Map<String, T> now, Map<String, T> before, Map<String, T> after) {
        Map<String, T> result = new LinkedHashMap<>(now);
        Set<String> names = new LinkedHashSet<>(before.keySet());
        names.addAll(after.keySet());
        for (String name : names) {
            if (Objects.equals(now.get(name), after.get(name))) {
                T old = before.get(name);
                if (old == null) {
                    result.remove(name);
                } else {
                    result.put(name, old);
                }
            }
        }
        return result;
    }

    /** Each once, in order, the first list's before the second's. */
    public static <T> List<T> union(List<T> first, List<T> second) {
        Set<T> all = new LinkedHashSet<>(first);
        all.addAll(second);
        return List.copyOf(all);
    }

    /** The list as it is now without what putting together added to it. */
    public static <T> List<T> without(List<T> now, List<T> before, List<T> after) {
        List<T> added = new ArrayList<>(after);
        added.removeAll(before);
        return now.stream().filter(x -> !added.contains(x)).toList();
    }
}
