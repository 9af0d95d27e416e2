package app.denfold.core.notices;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.MatchResult;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Words of a notice in one language, with places such as {@code {given name}}. Small and capital letters in a place's name
 * do not matter.
 *
 * @param subject of the mail; one line
 */
public record NoticeWords(String subject, String text) {

    /** Where the lines about what is open stand. */
    public static final String OPEN = "what is open";

    /** The earliest day told in those lines. */
    public static final String UNTIL = "until";

    /** What the most urgent line is about. */
    public static final String PAPER = "paper";

    private static final Pattern PLACE = Pattern.compile("\\{([^{}\\n]{1,80})}");

    /** Names of all places in subject and text, in small letters, each once, in their order. */
    public Set<String> places() {
        Set<String> names = new LinkedHashSet<>(placesIn(subject));
        names.addAll(placesIn(text));
        return names;
    }

    private static List<String> placesIn(String words) {
        List<String> names = new ArrayList<>();
        Matcher place = PLACE.matcher(words);
        while (place.find()) {
            names.add(nameOf(place.toMatchResult()));
        }
        return names;
    }

    /** Places that have no value, in their order. @param values by names in small letters; blank is no value */
    public List<String> lacking(Map<String, String> values) {
        return places().stream()
                .filter(name -> values.getOrDefault(name, "").isBlank())
                .toList();
    }

    /** With each place filled; one without a value is left empty. What a value says is never taken for a place. */
    NoticeWords filled(Map<String, String> values) {
        Function<String, @Nullable String> value = values::get;
        return new NoticeWords(filled(subject, value).replaceAll("\\s+", " ").strip(), filled(text, value));
    }

    private static String filled(String words, Function<String, @Nullable String> values) {
        return PLACE.matcher(words).replaceAll(place -> {
            String value = values.apply(nameOf(place));
            return Matcher.quoteReplacement(value == null ? "" : value);
        });
    }

    private static String nameOf(MatchResult place) {
        return place.group(1).strip().toLowerCase(Locale.ROOT);
    }
}
