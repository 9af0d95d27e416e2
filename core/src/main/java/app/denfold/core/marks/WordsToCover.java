package app.denfold.core.marks;

import app.denfold.core.filing.FoundDates;
import app.denfold.core.filing.PlainText;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/** Where on a page words stand that are to be covered: these names and numbers, every birth date, every mail address. */
public final class WordsToCover {

    /** What is looked for besides words that were typed. */
    public enum What {
        /** Days that the page calls somebody's birth, and known birth dates in any notation. */
        BIRTH_DATES,
        DATES,
        MAIL_ADDRESSES,
        PHONE_NUMBERS,
        /** Five digits or more, such as those of accounts, insurances and cards. */
        LONG_NUMBERS
    }

    /**
     * @param phrases names, numbers or other words, each as one would write it; blanks and marks within do not matter
     * @param births birth dates that are known
     */
    public record Wanted(List<String> phrases, Set<What> what, Set<LocalDate> births) {
        public Wanted {
            phrases = phrases.stream()
                    .map(String::strip)
                    .filter(p -> !p.isEmpty())
                    .toList();
            what = Set.copyOf(what);
            births = Set.copyOf(births);
        }

        public static Wanted phrases(String... phrases) {
            return new Wanted(List.of(phrases), Set.of(), Set.of());
        }
    }

    /**
     * A page as it was read.
     *
     * @param boxes one for each word as white space parts them; one without a size for a word that stands nowhere
     */
    public record Page(String text, List<PageBox> boxes) {}

    /**
     * A place where such words stand.
     *
     * @param first number of its first word on the page, from 0
     * @param last number of its last word, inclusive
     * @param words as the page writes them
     * @param areas to be covered, one for each line; none when it is not known where the words stand
     * @param likely whether they are only much like what is looked for, as poor scans are read
     */
    public record Hit(int first, int last, String words, List<PageBox> areas, boolean likely) {}

    private static final int LEAST_IN_WORD = 5;
    private static final int LEAST_ALIKE = 6;
    private static final Pattern WORD = Pattern.compile("\\S+");
    private static final Pattern MAIL = Pattern.compile("[\\p{L}\\d._%+'-]{1,64}@[\\p{L}\\d.-]{1,255}\\.\\p{L}{2,24}");
    private static final Pattern PHONE =
            Pattern.compile("(?<![\\p{L}\\d.,/-])\\+?\\(?\\d[\\d ()/.\\-]{5,20}\\d(?![\\p{L}\\d])");
    private static final Pattern LONG_NUMBER =
            Pattern.compile("(?<![\\p{L}\\d])\\p{Lu}{0,4}[ -]?\\d[\\d -]{3,40}\\d\\p{Lu}?(?![\\p{L}\\d])");

    private WordsToCover() {}

    /** A run of words, by their numbers. */
    private record Run(int first, int last, boolean likely) {
        int length() {
            return last - first;
        }
    }

    /** A part of a word without marks, and the number of that word. */
    private record Part(String plain, int word) {}

    /** In reading order; no word is in two hits, and the longest goes before others that begin with it. */
    public static List<Hit> on(Page page, Wanted wanted) {
        List<int[]> words = words(page.text());
        List<Run> runs = new ArrayList<>();
        List<Part> parts = parts(page.text(), words);
        for (String phrase : wanted.phrases()) {
            List<String> plain = PlainText.words(phrase);
            runs.addAll(runs(parts, String.join("", plain), plain.size()));
        }
        for (What what : wanted.what()) {
            runs.addAll(runs(page.text(), words, what, wanted.births()));
        }
        List<Run> sure = runs.stream().filter(r -> !r.likely).toList();
        runs.removeIf(r -> r.likely && sure.stream().anyMatch(s -> s.first <= r.last && r.first <= s.last));
        runs.sort(Comparator.comparingInt(Run::first)
                .thenComparing(Comparator.comparingInt(Run::length).reversed()));
        List<Hit> hits = new ArrayList<>();
        int next = 0;
        for (Run run : runs) {
            if (run.first >= next) {
                hits.add(hit(page, words, run));
                next = run.last + 1;
            } else if (run.last >= next) {
                // what begins within a longer one goes on behind it
                hits.add(hit(page, words, new Run(next, run.last, run.likely)));
                next = run.last + 1;
            }
        }
        return hits;
    }

    /** Which words stand beneath the areas, at least with half of each. */
    public static List<String> under(Page page, List<PageBox> areas) {
        List<int[]> words = words(page.text());
        return IntStream.range(0, Math.min(words.size(), page.boxes().size()))
                .filter(i -> areas.stream().anyMatch(a -> page.boxes().get(i).partIn(a) >= 0.5))
                .mapToObj(i -> page.text().substring(words.get(i)[0], words.get(i)[1]))
                .toList();
    }

    /** The words of which no part stands beneath the areas, one blank between them. */
    public static String openText(Page page, List<PageBox> areas) {
        List<int[]> words = words(page.text());
        return IntStream.range(0, words.size())
                .filter(i -> i >= page.boxes().size()
                        || areas.stream().noneMatch(a -> a.overlaps(page.boxes().get(i))))
                .mapToObj(i -> page.text().substring(words.get(i)[0], words.get(i)[1]))
                .collect(Collectors.joining(" "));
    }

    private static List<int[]> words(String text) {
        List<int[]> words = new ArrayList<>();
        Matcher word = WORD.matcher(text);
        while (word.find()) {
            words.add(new int[] {word.start(), word.end()});
        }
        return words;
    }

    private static List<Part> parts(String text, List<int[]> words) {
        List<Part> parts = new ArrayList<>();
        for (int i = 0; i < words.size(); i++) {
            int number = i;
            PlainText.words(text.substring(words.get(i)[0], words.get(i)[1]))
                    .forEach(plain -> parts.add(new Part(plain, number)));
        }
        return parts;
    }

    /** Where parts in a row make up the phrase, however they are parted. */
    private static List<Run> runs(List<Part> parts, String phrase, int ofWords) {
        List<Run> runs = new ArrayList<>();
        for (int from = 0; !phrase.isEmpty() && from < parts.size(); from++) {
            int word = parts.get(from).word;
            if (phrase.length() >= LEAST_IN_WORD && parts.get(from).plain.contains(phrase)) {
                runs.add(new Run(word, word, false));
                continue;
            }
            StringBuilder joined = new StringBuilder();
            for (int to = from; to < parts.size() && joined.length() <= phrase.length(); to++) {
                joined.append(parts.get(to).plain);
                String read = joined.toString();
                if (read.equals(phrase)) {
                    runs.add(new Run(word, parts.get(to).word, false));
                } else if (phrase.length() >= LEAST_ALIKE
                        && parts.get(to).word - word < ofWords
                        && PlainText.alike(read, phrase)) {
                    runs.add(new Run(word, parts.get(to).word, true));
                }
            }
        }
        return runs;
    }

    private static List<Run> runs(String text, List<int[]> words, What what, Set<LocalDate> births) {
        return switch (what) {
            case MAIL_ADDRESSES -> matches(text, words, MAIL, 0);
            case PHONE_NUMBERS -> matches(text, words, PHONE, 7);
            case LONG_NUMBERS -> matches(text, words, LONG_NUMBER, 5);
            case DATES, BIRTH_DATES -> dates(text, words, what, births);
        };
    }

    /** @param digits that there are at least */
    private static List<Run> matches(String text, List<int[]> words, Pattern pattern, int digits) {
        List<Run> runs = new ArrayList<>();
        Matcher matcher = pattern.matcher(text);
        while (matcher.find()) {
            boolean isDay = digits > 0
                    && FoundDates.in(matcher.group(), FoundDates.Order.DAY_FIRST).stream()
                            .anyMatch(
                                    d -> d.written().length() >= matcher.group().length() - 1);
            if (!isDay && matcher.group().chars().filter(Character::isDigit).count() >= digits) {
                runs.add(run(words, matcher.start(), matcher.end()));
            }
        }
        return runs;
    }

    private static List<Run> dates(String text, List<int[]> words, What what, Set<LocalDate> births) {
        List<Run> runs = new ArrayList<>();
        int from = 0;
        for (FoundDates.Found found : FoundDates.in(text, null)) {
            // what was worked out from a period stands nowhere
            int at = found.computed() ? -1 : text.indexOf(found.written(), from);
            if (at < 0) {
                continue;
            }
            from = at + found.written().length();
            boolean isBirth = found.role() == FoundDates.Role.BIRTH
                    || births.contains(found.day())
                    || found.otherWay() != null && births.contains(found.otherWay());
            if (what == What.DATES || isBirth) {
                runs.add(run(words, at, from));
            }
        }
        return runs;
    }

    private static Run run(List<int[]> words, int from, int to) {
        int first = IntStream.range(0, words.size())
                .filter(i -> words.get(i)[1] > from)
                .findFirst()
                .orElse(0);
        int last = first;
        while (last + 1 < words.size() && words.get(last + 1)[0] < to) {
            last++;
        }
        return new Run(first, last, false);
    }

    private static Hit hit(Page page, List<int[]> words, Run run) {
        List<PageBox> areas = new ArrayList<>();
        for (int i = run.first; i <= run.last && i < page.boxes().size(); i++) {
            PageBox box = page.boxes().get(i);
            if (box.width() <= 0 || box.height() <= 0) {
                continue;
            }
            int end = areas.size() - 1;
            if (end >= 0
                    && areas.get(end).isInLineWith(box)
                    && box.left() >= areas.get(end).left()) {
                areas.set(end, PageBox.around(List.of(areas.get(end), box)));
            } else {
                areas.add(box);
            }
        }
        return new Hit(
                run.first,
                run.last,
                page.text()
                        .substring(words.get(run.first)[0], words.get(run.last)[1])
                        .replaceAll("\\s+", " "),
                areas.stream().map(a -> a.grown(a.height() / 5, a.height() / 6)).toList(),
                run.likely);
    }
}
