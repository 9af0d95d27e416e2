package app.denfold.core.filing;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Finds days in text, in several notations, and tells from the words before them what each is. */
public final class FoundDates {

    /** What a day on a paper is. */
    public enum Role {
        DOCUMENT,
        EFFECTIVE,
        EXPIRY,
        BIRTH,
        /** Something else that is told, such as when a bill is due. */
        OTHER,
        UNTOLD
    }

    /** Which number of 03/04/2026 is the day. */
    public enum Order {
        DAY_FIRST,
        MONTH_FIRST
    }

    /**
     * @param written as it stands in the text
     * @param doubtful whether day and month could be the other way round
     */
    public record Found(
            LocalDate day,
            Role role,
            String written,
            @Nullable String word,
            boolean doubtful) {

        /** Whether the words before it say that it is the day of a signature. */
        public boolean isSigning() {
            return word != null && SIGNING.matcher(word).find();
        }
    }

    private static final Pattern SIGNING = Pattern.compile("sign|unterschr|unterzeich", Pattern.CASE_INSENSITIVE);

    private static final Map<String, Integer> MONTHS = Map.ofEntries(
            Map.entry("jan", 1),
            Map.entry("feb", 2),
            Map.entry("jän", 1),
            Map.entry("mar", 3),
            Map.entry("mär", 3),
            Map.entry("apr", 4),
            Map.entry("may", 5),
            Map.entry("mai", 5),
            Map.entry("jun", 6),
            Map.entry("jul", 7),
            Map.entry("aug", 8),
            Map.entry("sep", 9),
            Map.entry("oct", 10),
            Map.entry("okt", 10),
            Map.entry("nov", 11),
            Map.entry("dec", 12),
            Map.entry("dez", 12));
    private static final String MONTH =
            "(jan|jän|feb|mar|mär|apr|may|mai|jun|jul|aug|sep|oct|okt|nov|dec|dez)[a-zä]*\\.?";
    private static final String DAY = "([0-3OlI]?[0-9OlI])(?:st|nd|rd|th|\\.)?";
    private static final String YEAR = "((?:19|20|2O)[0-9OlI]{2})";
    private static final Pattern ANY = Pattern.compile(
            "(?<iso>\\b" + YEAR + "-([0-1O][0-9OlI])-([0-3O][0-9OlI])\\b)"
                    + "|(?<words>\\b" + DAY + "\\s+(?:of\\s+)?" + MONTH + ",?\\s+" + YEAR + "\\b)"
                    + "|(?<american>\\b" + MONTH + "\\s+" + DAY + ",?\\s+" + YEAR + "\\b)"
                    + "|(?<numbers>\\b([0-3OlI]?[0-9OlI])\\s?([./-])\\s?([0-3OlI]?[0-9OlI])\\s?[./-]\\s?((?:19|20|2O)?[0-9OlI]{2})\\b)",
            Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);

    /**
     * What stands before a day and tells what it is. Labels hold the word “date” themselves, so that it does not tell
     * something else of its own.
     */
    private static final List<Map.Entry<Role, Pattern>> WORDS = List.of(
            Map.entry(
                    Role.BIRTH,
                    words(
                            "born(?: on)?|date of birth|birth ?date|birthday|birth|d\\.?o\\.?b|geboren(?: am)?|geburtsdatum")),
            Map.entry(
                    Role.EXPIRY,
                    words(
                            "(?:date of )?expir\\w*(?: date)?|exp\\.?(?: date)?|(?:not )?valid (?:un)?til|valid (?:to|through)"
                                    + "|not valid after|holds (?:un)?til|until|(?:end|lapse|validity) date|date of lapse|ends(?: on)?"
                                    + "|best before(?: date)?|gültig bis|ablaufdatum|läuft ab(?: am)?")),
            Map.entry(
                    Role.EFFECTIVE,
                    words("valid from|effective(?: date| from)?|date effective|takes effect(?: on)?|with effect from"
                            + "|begins(?: on)?|starts(?: on)?|(?:start|commencement) date|commenc(?:es|ing)(?: on)?"
                            + "|from|gültig ab|ab dem")),
            Map.entry(
                    Role.OTHER,
                    words("due(?: date| on| by)?|date due|(?:review|renewal|print|printing|appointment|payment|delivery"
                            + "|next|hire|entry) date|printed(?: on)?|review (?:by|on)|renew(?:al)? (?:by|on)|fällig(?: am)?"
                            + "|gedruckt(?: am)?")),
            Map.entry(
                    Role.DOCUMENT,
                    words(
                            "dated?|(?:date )?issued(?: on)?|(?:date )?signed(?: on)?|written(?: on)?|given(?: on)?"
                                    + "|invoice date|date of issue|issue date|datum|unterschrieben(?: am)?|unterzeichnet(?: am)?|ausgestellt(?: am)?|ausstellungsdatum")));

    private FoundDates() {}

    private static Pattern words(String alternatives) {
        return Pattern.compile("\\b(?:" + alternatives + ")\\b", Pattern.CASE_INSENSITIVE);
    }

    /** Every day in the text, in the order of the text; what cannot be a day is left out. */
    public static List<Found> in(String text, Order order) {
        List<Found> found = new ArrayList<>();
        Matcher matcher = ANY.matcher(text);
        int before = 0;
        while (matcher.find()) {
            Optional<Read> read = read(matcher, order);
            if (read.isPresent()) {
                String lead = lead(text, before, matcher.start());
                Found day = told(read.get(), matcher.group(), lead);
                found.add(day);
                before = matcher.end();
            }
        }
        return found;
    }

    private record Read(LocalDate day, boolean doubtful) {}

    /** The words that may tell what a day is: those before it on its line and on the line above, not past another day. */
    private static String lead(String text, int after, int at) {
        int lineBefore = text.lastIndexOf('\n', Math.max(0, text.lastIndexOf('\n', Math.max(0, at - 1)) - 1));
        int from = Math.max(Math.max(after, lineBefore + 1), at - 80);
        return text.substring(from, at);
    }

    private static Found told(Read read, String written, String lead) {
        Role role = Role.UNTOLD;
        String word = null;
        int nearest = -1;
        int longest = 0;
        for (Map.Entry<Role, Pattern> entry : WORDS) {
            Matcher matcher = entry.getValue().matcher(lead);
            while (matcher.find()) {
                // of labels that end at the same place the longest one is meant
                int length = matcher.end() - matcher.start();
                if (matcher.end() > nearest || (matcher.end() == nearest && length > longest)) {
                    nearest = matcher.end();
                    longest = length;
                    role = entry.getKey();
                    word = matcher.group();
                }
            }
        }
        return new Found(read.day, role, written.strip(), word, read.doubtful);
    }

    private static Optional<Read> read(Matcher m, Order order) {
        if (m.group("iso") != null) {
            return day(m.group(2), m.group(3), m.group(4)).map(d -> new Read(d, false));
        }
        if (m.group("words") != null) {
            return day(m.group(8), month(m.group(7)), m.group(6)).map(d -> new Read(d, false));
        }
        if (m.group("american") != null) {
            return day(m.group(12), month(m.group(10)), m.group(11)).map(d -> new Read(d, false));
        }
        return numbers(m.group(14), m.group(15), m.group(16), year(m.group(17)), order);
    }

    /** Dots put the day first everywhere; with strokes it depends on where one lives. */
    private static Optional<Read> numbers(String first, String mark, String second, String year, Order order) {
        Order meant = mark.equals(".") ? Order.DAY_FIRST : order;
        Optional<LocalDate> dayFirst = day(year, second, first);
        Optional<LocalDate> monthFirst = day(year, first, second);
        Optional<LocalDate> preferred = meant == Order.DAY_FIRST ? dayFirst : monthFirst;
        Optional<LocalDate> other = meant == Order.DAY_FIRST ? monthFirst : dayFirst;
        boolean doubtful =
                !mark.equals(".") && dayFirst.isPresent() && monthFirst.isPresent() && !dayFirst.equals(monthFirst);
        return preferred.or(() -> mark.equals(".") ? Optional.empty() : other).map(d -> new Read(d, doubtful));
    }

    private static String month(String name) {
        return String.valueOf(MONTHS.get(name.toLowerCase(java.util.Locale.ROOT)));
    }

    private static String year(String written) {
        return written.length() > 2 ? written : (Integer.parseInt(digits(written)) > 50 ? "19" : "20") + written;
    }

    private static Optional<LocalDate> day(String year, String month, String day) {
        try {
            return Optional.of(LocalDate.of(
                    Integer.parseInt(digits(year)), Integer.parseInt(digits(month)), Integer.parseInt(digits(day))));
        } catch (DateTimeException | NumberFormatException no) {
            return Optional.empty();
        }
    }

    /** Letters that poor scans put in the place of digits. */
    private static String digits(String read) {
        return read.replace('O', '0')
                .replace('o', '0')
                .replace('l', '1')
                .replace('I', '1')
                .replace('i', '1');
    }

    /**
     * Proposals for one of the days that filing asks for.
     *
     * @param received no document is dated later
     */
    public static List<Proposal<LocalDate>> propose(List<Found> found, Role role, LocalDate received) {
        List<Proposal<LocalDate>> proposals = new ArrayList<>();
        for (Found day : found) {
            double confidence = confidence(day, role, received, found);
            if (confidence > 0 && proposals.stream().noneMatch(p -> p.value().equals(day.day()))) {
                proposals.add(new Proposal<>(
                        day.day(), day.doubtful() ? confidence / 2 : confidence, reason(day, role), false));
            }
        }
        proposals.sort(Comparator.comparingDouble((Proposal<LocalDate> p) -> p.confidence())
                .reversed());
        if (!proposals.isEmpty() && proposals.get(0).confidence() >= 0.4) {
            proposals.set(0, proposals.get(0).preselect(true));
        }
        return proposals;
    }

    private static double confidence(Found day, Role role, LocalDate received, List<Found> all) {
        if (role == Role.DOCUMENT && day.day().isAfter(received)) {
            return 0;
        }
        if (day.role() == role) {
            return role == Role.DOCUMENT && isLate(day, all) ? 0.8 : 0.92;
        }
        // what is told to be something else is never the day a paper is dated
        boolean mayBeDated = role == Role.DOCUMENT && day.role() == Role.UNTOLD;
        if (!mayBeDated || day.day().isBefore(received.minusYears(12))) {
            return 0;
        }
        long untold = all.stream().filter(f -> f.role() == Role.UNTOLD).count();
        return untold == 1 ? 0.75 : 0.55;
    }

    private static boolean isLate(Found day, List<Found> all) {
        return all.stream()
                .filter(f -> f.role() == Role.DOCUMENT)
                .findFirst()
                .filter(f -> f != day)
                .isPresent();
    }

    private static String reason(Found day, Role role) {
        String words = day.word() != null && day.role() == role
                ? "“" + day.word().strip() + " " + day.written() + "” on the paper"
                : "“" + day.written() + "” on the paper";
        return day.doubtful() ? words + "; day and month could be the other way round" : words;
    }
}
