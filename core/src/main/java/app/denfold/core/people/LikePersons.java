package app.denfold.core.people;

import app.denfold.core.filing.KnownPerson;
import app.denfold.core.filing.PlainText;
import app.denfold.core.filing.Subject;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Whether two files may be of one person. Signs for it are taken as independent: together they fail only when all of
 * them fail. A birth date that is another one, and not just written otherwise, speaks against it unless an identifier
 * is shared.
 */
public final class LikePersons {

    private static final double LEAST = 0.5;

    private LikePersons() {}

    /**
     * How likely two files are of one person, and by what.
     *
     * @param likelihood above 0, below 1
     * @param reasons in words, the strongest first; at least one
     */
    public record Likeness(double likelihood, List<String> reasons) {}

    private record Sign(double weight, String reason) {}

    /** Empty when nothing, or too little, speaks for it. Which of the two comes first makes no difference. */
    public static Optional<Likeness> of(KnownPerson a, KnownPerson b) {
        if (a.subject() != b.subject()) {
            return Optional.empty();
        }
        List<Sign> signs = new ArrayList<>();
        Optional<String> number = sharedIdentifier(a, b);
        number.ifPresent(n -> signs.add(new Sign(0.97, "the same number " + n)));
        Names names = Names.of(a, b);
        if (a.subject() == Subject.PRACTICE) {
            return ofThePractice(number, names == Names.SAME);
        }
        Births births = Births.of(a.birthDate(), b.birthDate());
        if (births == Births.DIFFERENT && number.isEmpty()) {
            return Optional.empty();
        }
        if (names != Names.DIFFERENT) {
            signs.add(new Sign(names.weight, names.words));
            if (births.weight > 0) {
                signs.add(new Sign(births.weight, births.words));
            }
            if (sharesAddress(a, b)) {
                signs.add(new Sign(0.5, "the same mail address"));
            }
        }
        double fails = signs.stream().mapToDouble(s -> 1 - s.weight).reduce(1, (x, y) -> x * y);
        if (births == Births.DIFFERENT) {
            fails = 1 - (1 - fails) * 0.7;
        }
        if (1 - fails < LEAST) {
            return Optional.empty();
        }
        List<String> reasons = signs.stream()
                .sorted((x, y) -> Double.compare(y.weight, x.weight))
                .map(Sign::reason)
                .toList();
        return Optional.of(new Likeness(1 - fails, reasons));
    }

    /** Places have neither birth dates nor first names to tell them apart: one name is one place. */
    private static Optional<Likeness> ofThePractice(Optional<String> number, boolean named) {
        List<String> reasons = new ArrayList<>();
        number.ifPresent(n -> reasons.add("the same number " + n));
        if (named) {
            reasons.add("the same name");
        }
        return reasons.isEmpty()
                ? Optional.empty()
                : Optional.of(new Likeness(number.isPresent() ? 0.97 : 0.6, List.copyOf(reasons)));
    }

    private static Optional<String> sharedIdentifier(KnownPerson a, KnownPerson b) {
        Set<String> others = new HashSet<>();
        b.identifiers().forEach(i -> others.add(bare(i)));
        return a.identifiers().stream().filter(i -> others.contains(bare(i))).findFirst();
    }

    /** Only its letters and digits count. */
    private static String bare(String identifier) {
        return identifier.toUpperCase(Locale.ROOT).replaceAll("[^\\p{L}\\d]", "");
    }

    private static boolean sharesAddress(KnownPerson a, KnownPerson b) {
        return a.addresses().stream().anyMatch(x -> b.addresses().stream().anyMatch(x::equalsIgnoreCase));
    }

    private enum Names {
        SAME(0.45, "the same name"),
        FORMER(0.4, "a name borne earlier"),
        SWAPPED(0.4, "given and family name exchanged"),
        ALIKE(0.3, "names written a little otherwise"),
        DIFFERENT(0, "");

        private final double weight;
        private final String words;

        Names(double weight, String words) {
            this.weight = weight;
            this.words = words;
        }

        static Names of(KnownPerson a, KnownPerson b) {
            String givenA = PlainText.of(a.givenName());
            String givenB = PlainText.of(b.givenName());
            String familyA = PlainText.of(a.familyName());
            String familyB = PlainText.of(b.familyName());
            boolean sameGiven = givenA.equals(givenB);
            if (sameGiven && familyA.equals(familyB)) {
                return SAME;
            }
            if (sameGiven && familyNames(a).stream().anyMatch(familyNames(b)::contains)) {
                return FORMER;
            }
            if (givenA.equals(familyB) && familyA.equals(givenB)) {
                return SWAPPED;
            }
            boolean alike = alikeGiven(givenA, givenB)
                    && familyNames(a).stream()
                            .anyMatch(x -> familyNames(b).stream().anyMatch(y -> PlainText.alike(x, y)));
            return alike ? ALIKE : DIFFERENT;
        }

        /** One may also be the beginning of the other, such as an initial or a first of two given names. */
        private static boolean alikeGiven(String a, String b) {
            boolean begins = !a.isEmpty() && !b.isEmpty() && (a.startsWith(b) || b.startsWith(a));
            return begins || PlainText.alike(a, b);
        }

        private static List<String> familyNames(KnownPerson person) {
            return Stream.concat(Stream.of(person.familyName()), person.formerNames().stream())
                    .map(PlainText::of)
                    .toList();
        }
    }

    private enum Births {
        SAME(0.85, "the same birth date"),
        MISWRITTEN(0.4, "birth dates that differ by one digit or by day and month exchanged"),
        UNKNOWN(0.1, "a birth date that is not known of both"),
        DIFFERENT(0, "");

        private final double weight;
        private final String words;

        Births(double weight, String words) {
            this.weight = weight;
            this.words = words;
        }

        static Births of(@Nullable LocalDate a, @Nullable LocalDate b) {
            if (a == null || b == null) {
                return UNKNOWN;
            }
            if (a.equals(b)) {
                return SAME;
            }
            boolean exchanged = a.getYear() == b.getYear()
                    && a.getMonthValue() == b.getDayOfMonth()
                    && a.getDayOfMonth() == b.getMonthValue();
            return exchanged || digitsApart(a.toString(), b.toString()) == 1 ? MISWRITTEN : DIFFERENT;
        }

        private static int digitsApart(String a, String b) {
            if (a.length() != b.length()) {
                return Integer.MAX_VALUE;
            }
            int apart = 0;
            for (int i = 0; i < a.length(); i++) {
                apart += a.charAt(i) == b.charAt(i) ? 0 : 1;
            }
            return apart;
        }
    }
}
