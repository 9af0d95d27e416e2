package app.denfold.core.numbering;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * How running numbers are written, such as {@code OAK-000123}.
 *
 * @param prefix before the digits; may be empty, never ends with a digit
 * @param digits at least so many, filled up with zeros, from 1 to 12
 */
public record NumberForm(String prefix, int digits) {

    public static final int LONGEST_PREFIX = 20;
    public static final int MOST_DIGITS = 12;

    /** The largest number, of {@value #MOST_DIGITS} digits. */
    public static final long LARGEST = 999_999_999_999L;

    private static final Pattern PREFIX = Pattern.compile("(?:[\\p{L}\\p{N} ._/-]*[\\p{L} ._/-])?");
    private static final Pattern WRITTEN = Pattern.compile("(.*?)(\\d{1," + MOST_DIGITS + "})");

    /** @throws IllegalArgumentException in words for whoever typed it */
    public NumberForm {
        if (prefix.length() > LONGEST_PREFIX) {
            throw new IllegalArgumentException("The letters before the number are up to " + LONGEST_PREFIX + ".");
        }
        if (!PREFIX.matcher(prefix).matches()) {
            throw new IllegalArgumentException(
                    "Before the number stand letters, digits, spaces, points, hyphens or slashes; the last of them is no digit.");
        }
        if (digits < 1 || digits > MOST_DIGITS) {
            throw new IllegalArgumentException("A number has from 1 to " + MOST_DIGITS + " digits.");
        }
    }

    /** The number as it stands on a page. @throws IllegalArgumentException below 1, or beyond {@link #LARGEST} */
    public String written(long number) {
        if (number < 1 || number > LARGEST) {
            throw new IllegalArgumentException("Numbers run from 1 to " + LARGEST + ".");
        }
        String plain = Long.toString(number);
        return prefix + "0".repeat(Math.max(0, digits - plain.length())) + plain;
    }

    /** By which series with the same letters are one, however these are typed: {@code oak-} goes on where {@code OAK-} ended. */
    public String series() {
        return series(prefix);
    }

    private static String series(String prefix) {
        return prefix.strip().replaceAll("\\s+", " ").toUpperCase(Locale.ROOT);
    }

    /** A number that was read. @param series as {@link NumberForm#series} */
    public record Read(String series, long number) {}

    /** What was typed as a number of pages, with however many zeros; empty when it ends with no digits or is none. */
    public static Optional<Read> read(String typed) {
        Matcher matcher = WRITTEN.matcher(typed.strip());
        if (!matcher.matches() || !PREFIX.matcher(matcher.group(1)).matches()) {
            return Optional.empty();
        }
        long number = Long.parseLong(matcher.group(2));
        return number < 1 ? Optional.empty() : Optional.of(new Read(series(matcher.group(1)), number));
    }
}
