package app.denfold.core.pages;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * A paper's pages, as they are after a change.
 *
 * @param before how many there were
 * @param now where each of those that are there now comes from, in their order
 */
public record PageChange(int before, List<From> now) {

    public static final int MOST = 2_000;

    /**
     * @param other what the paper is called from which the page was put in; null for a page of the paper itself
     * @param page from 1
     * @param turn by how many degrees clockwise it was turned
     */
    public record From(@Nullable String other, int page, int turn) {}

    public PageChange {
        now = List.copyOf(now);
    }

    /** Whether nothing is as it was not. */
    public boolean changesNothing() {
        return now.equals(IntStream.rangeClosed(1, before)
                .mapToObj(page -> new From(null, page, 0))
                .toList());
    }

    /** Why it cannot be, in words; null when it can. */
    public @Nullable String fault() {
        if (now.isEmpty()) {
            return "A paper keeps at least one page.";
        }
        if (now.size() > MOST) {
            return "A paper has up to " + MOST + " pages.";
        }
        List<Integer> own = own();
        if (Set.copyOf(own).size() < own.size()) {
            return "Each page of the paper stands in it once.";
        }
        if (own.stream().anyMatch(page -> page < 1 || page > before)) {
            return "There is no such page; this paper has " + before + (before == 1 ? " page." : " pages.");
        }
        if (now.stream().anyMatch(f -> f.turn < 0 || f.turn >= 360 || f.turn % 90 != 0)) {
            return "Pages are turned by quarters.";
        }
        return null;
    }

    private List<Integer> own() {
        return now.stream().filter(f -> f.other == null).map(From::page).toList();
    }

    /** What was done, such as {@code took out page 3, turned page 1}; pages of the paper by their former numbers. */
    public String words() {
        List<String> done = new ArrayList<>();
        List<Integer> own = own();
        List<Integer> out = IntStream.rangeClosed(1, before)
                .boxed()
                .filter(page -> !own.contains(page))
                .toList();
        if (!out.isEmpty()) {
            done.add("took out " + pages(out));
        }
        done.addAll(putIn());
        List<Integer> moved = moved(own);
        if (!moved.isEmpty()) {
            done.add(moved.size() == 1 ? "moved " + pages(moved) : "put pages in another order");
        }
        List<Integer> turned = now.stream()
                .filter(f -> f.other == null && f.turn != 0)
                .map(From::page)
                .sorted()
                .toList();
        if (!turned.isEmpty()) {
            done.add("turned " + pages(turned));
        }
        return String.join(", ", done);
    }

    private List<String> putIn() {
        List<String> others = now.stream()
                .map(From::other)
                .filter(Objects::nonNull)
                .distinct()
                .toList();
        return others.stream()
                .map(other -> "put in "
                        + pages(now.stream()
                                .filter(f -> other.equals(f.other))
                                .map(From::page)
                                .sorted()
                                .toList())
                        + " of “" + other + "”")
                .toList();
    }

    /** The fewest pages whose moving explains the order: those outside of a longest rising row. */
    private static List<Integer> moved(List<Integer> own) {
        int[] length = new int[own.size()];
        int[] former = new int[own.size()];
        int last = -1;
        for (int i = 0; i < own.size(); i++) {
            length[i] = 1;
            former[i] = -1;
            for (int j = 0; j < i; j++) {
                if (own.get(j) < own.get(i) && length[j] + 1 > length[i]) {
                    length[i] = length[j] + 1;
                    former[i] = j;
                }
            }
            if (last < 0 || length[i] > length[last]) {
                last = i;
            }
        }
        List<Integer> stayed = new ArrayList<>();
        for (int i = last; i >= 0; i = former[i]) {
            stayed.add(own.get(i));
        }
        return own.stream().filter(page -> !stayed.contains(page)).sorted().toList();
    }

    /** Such as {@code page 3} or {@code pages 1 to 3 and 7}; of many parts how many pages they are. */
    private static String pages(List<Integer> numbers) {
        List<String> runs = new ArrayList<>();
        for (int i = 0; i < numbers.size(); ) {
            int end = i;
            while (end + 1 < numbers.size() && numbers.get(end + 1) == numbers.get(end) + 1) {
                end++;
            }
            runs.add(
                    end == i
                            ? String.valueOf(numbers.get(i))
                            : numbers.get(i) + (end == i + 1 ? " and " : " to ") + numbers.get(end));
            i = end + 1;
        }
        if (runs.size() > 4) {
            return numbers.size() + " pages";
        }
        String last = runs.get(runs.size() - 1);
        String listed = runs.size() == 1
                ? last
                : runs.subList(0, runs.size() - 1).stream().collect(Collectors.joining(", ")) + " and " + last;
        return (numbers.size() == 1 ? "page " : "pages ") + listed;
    }
}
