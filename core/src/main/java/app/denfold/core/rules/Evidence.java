package app.denfold.core.rules;

import java.time.Period;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** What satisfies a requirement: an expression over documents that holds on certain days. */
public sealed interface Evidence {

    /** The codes of every document type the expression names, in its order, repeated as often as named. */
    Stream<String> types();

    /** True when some part is judged by the start of the active span. */
    boolean dependsOnStart();

    /**
     * One document type with the limits that a single document must keep.
     *
     * @param within how long after its document date a document is fresh enough, or null for no such limit
     * @param notBeforeStartPlus a document dated before the start of the active span plus this many days does not
     *     count (the number may be negative); null for no such limit
     */
    record Leaf(
            String type, @Nullable Period within, @Nullable Integer notBeforeStartPlus) {
        public Leaf {
            if (within != null) {
                Periods.requirePositive(within);
            }
        }

        public static Leaf of(String type) {
            return new Leaf(type, null, null);
        }

        Optional<Integer> notBefore() {
            return Optional.ofNullable(notBeforeStartPlus);
        }
    }

    /** Holds on days on which at least {@code count} documents of the leaf's type are valid. */
    record OfType(Leaf leaf, int count) implements Evidence {
        public OfType {
            requireAtLeastOne(count, "A count");
        }

        @Override
        public Stream<String> types() {
            return Stream.of(leaf.type);
        }

        @Override
        public boolean dependsOnStart() {
            return leaf.notBeforeStartPlus != null;
        }
    }

    /** Holds on days on which at least one of the parts holds. */
    record AnyOf(List<Evidence> parts) implements Evidence {
        public AnyOf {
            parts = requireSome(parts);
        }

        @Override
        public Stream<String> types() {
            return parts.stream().flatMap(Evidence::types);
        }

        @Override
        public boolean dependsOnStart() {
            return parts.stream().anyMatch(Evidence::dependsOnStart);
        }
    }

    /** Holds on days on which every part holds. */
    record AllOf(List<Evidence> parts) implements Evidence {
        public AllOf {
            parts = requireSome(parts);
        }

        @Override
        public Stream<String> types() {
            return parts.stream().flatMap(Evidence::types);
        }

        @Override
        public boolean dependsOnStart() {
            return parts.stream().anyMatch(Evidence::dependsOnStart);
        }
    }

    /** Holds on days on which the entries' documents together are worth at least {@code points}. */
    record Points(int points, List<Entry> entries) implements Evidence {
        public Points {
            requireAtLeastOne(points, "The points asked for");
            entries = requireSome(entries);
        }

        @Override
        public Stream<String> types() {
            return entries.stream().map(entry -> entry.leaf.type);
        }

        @Override
        public boolean dependsOnStart() {
            return entries.stream().anyMatch(entry -> entry.leaf.notBeforeStartPlus != null);
        }

        /** The most points that its documents can ever be worth; empty when some entry has no cap. */
        public Optional<Long> most() {
            long most = 0;
            for (Entry entry : entries) {
                Integer atMost = entry.atMost;
                if (atMost == null) {
                    return Optional.empty();
                }
                most += (long) entry.points * atMost;
            }
            return Optional.of(most);
        }

        /**
         * @param points what one valid document is worth
         * @param atMost how many valid documents count at the most, or null for no cap
         */
        public record Entry(Leaf leaf, int points, @Nullable Integer atMost) {
            public Entry {
                requireAtLeastOne(points, "The points of an entry");
                if (atMost != null) {
                    requireAtLeastOne(atMost, "A cap");
                }
            }
        }
    }

    /** One document of the type. */
    static Evidence ofType(String type) {
        return new OfType(Leaf.of(type), 1);
    }

    private static <T> List<T> requireSome(List<T> parts) {
        if (parts.isEmpty()) {
            throw new IllegalArgumentException("A list of evidence cannot be empty");
        }
        return List.copyOf(parts);
    }

    private static void requireAtLeastOne(int number, String what) {
        if (number < 1 || number > 1_000_000) {
            throw new IllegalArgumentException(what + " must be from 1 to 1000000, not " + number);
        }
    }
}
