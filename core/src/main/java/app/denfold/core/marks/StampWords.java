package app.denfold.core.marks;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** What a stamp of the practice says once it is put on a page. */
public final class StampWords {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM uuuu", Locale.ENGLISH);

    private StampWords() {}

    /**
     * @param words of the stamp, in which {@code {date}}, {@code {name}} and {@code {initials}} are places for the day and
     *     for who stamps
     */
    public static String filled(String words, LocalDate day, String name) {
        return words.replace("{date}", DAY.format(day))
                .replace("{initials}", initials(name))
                .replace("{name}", name);
    }

    /** The first letters of the parts of a name, such as {@code OB}. */
    static String initials(String name) {
        return Stream.of(name.strip().split("[\\s-]+"))
                .filter(part -> !part.isEmpty())
                .map(part -> part.substring(0, part.offsetByCodePoints(0, 1)).toUpperCase(Locale.ROOT))
                .collect(Collectors.joining());
    }
}
