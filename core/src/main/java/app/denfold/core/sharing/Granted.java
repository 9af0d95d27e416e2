package app.denfold.core.sharing;

import java.time.LocalDate;
import java.util.EnumSet;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.StringJoiner;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * What somebody outside may do in a file, in all of it or in some sections. What is granted for all of it holds in every
 * section; a section can only add to it. Single papers can be shown besides.
 *
 * @param inFile in every section
 * @param inSections by code of the section, besides
 * @param until the last day on which any of it holds, inclusive; null for no end
 */
public record Granted(
        Set<Deed> inFile,
        Map<String, Set<Deed>> inSections,
        @Nullable LocalDate until) {

    /** One thing that can be granted. */
    public enum Deed {
        /** Sees the papers that stand as they should and are not sensitive. */
        SEE("sees"),
        /** Sends papers to the file. */
        ADD("adds"),
        /** Takes back what they sent and nobody has filed yet. */
        REMOVE("takes back"),
        /** Signs what they are asked to sign. */
        SIGN("signs");

        private final String word;

        Deed(String word) {
            this.word = word;
        }
    }

    public Granted {
        inFile = Set.copyOf(inFile);
        inSections = inSections.entrySet().stream()
                .filter(e -> !e.getValue().isEmpty())
                .collect(Collectors.toUnmodifiableMap(Map.Entry::getKey, e -> Set.copyOf(e.getValue())));
    }

    /** What a guest may usually: send papers and take them back. Papers are shown singly. */
    public static Granted usual() {
        return new Granted(Set.of(Deed.ADD, Deed.REMOVE), Map.of(), null);
    }

    /** Whether anything of it holds on a day. */
    public boolean holdsOn(LocalDate day) {
        return until == null || !day.isAfter(until);
    }

    /** @param section code of the section; null for a paper of which that is not known, where only what holds everywhere does */
    public boolean allows(Deed deed, @Nullable String section, LocalDate day) {
        return holdsOn(day)
                && (inFile.contains(deed)
                        || section != null
                                && inSections.getOrDefault(section, Set.of()).contains(deed));
    }

    /** Whether it is allowed in at least one section. */
    public boolean allowsSomewhere(Deed deed, LocalDate day) {
        return holdsOn(day)
                && (inFile.contains(deed) || inSections.values().stream().anyMatch(deeds -> deeds.contains(deed)));
    }

    /**
     * In words, such as {@code adds, takes back; in Health sees; until 2027-01-31}.
     *
     * @param labels of sections by their codes; a section without one is told by its code
     */
    public String words(Map<String, String> labels) {
        StringJoiner all = new StringJoiner("; ");
        all.add(inFile.isEmpty() ? "sees what is shown singly" : words(inFile));
        new TreeMap<>(inSections)
                .forEach((code, deeds) -> all.add("in " + labels.getOrDefault(code, code) + " " + words(deeds)));
        if (until != null) {
            all.add("until " + until);
        }
        return all.toString();
    }

    private static String words(Set<Deed> deeds) {
        return EnumSet.copyOf(deeds).stream()
                .map(d -> d.word.toLowerCase(Locale.ROOT))
                .collect(Collectors.joining(", "));
    }
}
