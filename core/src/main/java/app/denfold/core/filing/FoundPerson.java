package app.denfold.core.filing;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** What a paper tells of the person it is about, for somebody who has no file yet. Nothing is guessed without a label. */
public final class FoundPerson {

    private FoundPerson() {}

    /**
     * @param identifiers other numbers, such as an insurance number
     * @param email the first address on it
     */
    public record Found(
            @Nullable String givenName,
            @Nullable String familyName,
            @Nullable LocalDate birthDate,
            List<String> identifiers,
            @Nullable String email) {

        public boolean isNothing() {
            return givenName == null
                    && familyName == null
                    && birthDate == null
                    && identifiers.isEmpty()
                    && email == null;
        }
    }

    private static final String NAME = "(\\p{Lu}[\\p{L}'’.-]+(?:[ \\t]+\\p{Lu}[\\p{L}'’.-]+){0,3})";
    private static final String SIGN = "[ \\t]*[:.]?[ \\t]+|[ \\t]*[:.][ \\t]*";
    private static final Pattern GIVEN = label("(?:first|given) names?|vornamen?", NAME);
    private static final Pattern FAMILY = label("(?:family|last) names?|surname|nachname|familienname", NAME);
    private static final Pattern TURNED = label(whole(), "(\\p{Lu}[\\p{L}'’-]+),[ \\t]*" + NAME);
    private static final Pattern WHOLE = label(whole(), NAME);
    private static final Pattern NUMBER = label(
            "(?:insurance|member(?:ship)?|policy|patient|personnel|health|social security|svnr|versicherungs)"
                    + "[ -]?(?:card[ -]?)?(?:no\\.?|number|nr\\.?|id|nummer)?",
            "([A-Z]{0,4}[ -]?\\d[\\dA-Z/ -]{3,19}\\d)");
    private static final Pattern EMAIL = Pattern.compile("[A-Za-z0-9._%+-]+@[A-Za-z0-9-]+(?:\\.[A-Za-z0-9-]+)+");

    private static String whole() {
        return "(?:full )?name(?: of(?: the)? (?:patient|student|employee|client|child|rider|person))?"
                + "|patient|student|employee|client|rider|child|re|regarding|name des patienten|name der patientin";
    }

    private static Pattern label(String labels, String value) {
        // only the label is read whatever its capitals
        return Pattern.compile("(?m)^[ \\t]*(?i:" + labels + ")(?:" + SIGN + ")" + value);
    }

    /** @param order how days are meant that could be two; null when that is not known */
    public static Found in(String text, FoundDates.@Nullable Order order) {
        String given = first(GIVEN, text).orElse(null);
        String family = first(FAMILY, text).orElse(null);
        Matcher turned = TURNED.matcher(text);
        Matcher whole = WHOLE.matcher(text);
        if (given == null && family == null && turned.find()) {
            family = turned.group(1);
            given = tidy(turned.group(2));
        } else if (given == null && family == null && whole.find()) {
            String name = tidy(whole.group(1));
            int last = name.lastIndexOf(' ');
            given = last < 0 ? null : name.substring(0, last);
            family = name.substring(last + 1);
        }
        LocalDate birth = FoundDates.in(text, order).stream()
                .filter(f -> f.role() == FoundDates.Role.BIRTH && !f.doubtful())
                .map(FoundDates.Found::day)
                .findFirst()
                .orElse(null);
        List<String> numbers = new ArrayList<>();
        Matcher number = NUMBER.matcher(text);
        while (number.find()) {
            String found = number.group(1).strip();
            if (!numbers.contains(found) && FoundDates.in(found, order).isEmpty()) {
                numbers.add(found);
            }
        }
        Matcher email = EMAIL.matcher(text);
        return new Found(
                given,
                family,
                birth,
                List.copyOf(numbers),
                email.find() ? email.group().toLowerCase(Locale.ROOT) : null);
    }

    private static Optional<String> first(Pattern pattern, String text) {
        Matcher matcher = pattern.matcher(text);
        return matcher.find() ? Optional.of(tidy(matcher.group(1))) : Optional.empty();
    }

    private static String tidy(String name) {
        return name.replaceAll("\\s+", " ").strip();
    }
}
