package app.denfold.core.dates;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Finds days and months in a text, in all usual notations of English, German, French, Italian and Spanish. */
final class Notations {

    /** Letters that poor scans put in the place of digits are digits too. */
    private static final String DIGIT = "[0-9OlI]";

    private static final String DAY = "(?:[0-3OlI]?" + DIGIT + ")";
    private static final String YEAR = "(?:(?:19|20|2O|l9)" + DIGIT + "{2})";
    private static final String SHORT = "(?:['’‘]?\\d{2})";
    private static final String OF = "(?:(?:day\\s+of|of|de|del|di)\\s+|d['’])?";
    private static final String YEAR_OF = "(?:,?\\s*(?:(?:de|del|of|in the year|anno)\\s+)?)";

    private static final Pattern ANY = Pattern.compile(
            String.join(
                    "|",
                    // 2026-03-12, 2026/03/12, 2026.03.12
                    "(?<iso>\\b(?<isoYear>" + YEAR + ")(?<isoMark>[-/.])(?<isoMonth>" + DAY + ")\\k<isoMark>(?<isoDay>"
                            + DAY + ")\\b)",
                    // 12 March 2026, 12th day of March, 2026, 12-MAR-2026, 12. März 2026, 1er mars 2026
                    "(?<words>\\b(?<wordsDay>" + DAY + ")(?:st|nd|rd|th|er|\\.|º|°|ª)?[\\s./-]*" + OF + "(?<wordsMonth>"
                            + Months.ANY + ")[\\s./-]*" + YEAR_OF + "(?<wordsYear>" + YEAR + "|" + SHORT + ")\\b)",
                    // March 12, 2026
                    "(?<american>\\b(?<americanMonth>" + Months.ANY + ")\\s*(?<americanDay>" + DAY
                            + ")(?:st|nd|rd|th)?,?\\s+(?<americanYear>" + YEAR + "|['’]\\d{2})\\b)",
                    // the end of 2027
                    "(?<yearEnd>\\b(?:end of(?: the year)?|ende(?: des jahres)?|fin(?: de)?|fine(?: del)?|finales de|final de)\\s+(?<endYear>"
                            + YEAR + ")\\b)",
                    // 12 March, with the year told at the end of the range
                    "(?<bare>\\b(?<bareDay>" + DAY + ")(?:st|nd|rd|th|er|\\.)?\\s*" + OF + "(?<bareMonth>" + Months.ANY
                            + ")(?=\\s*(?:-|–|to|until|till|through|bis|au|al|hasta el|fino al)\\b?))",
                    // 03/04/2026, 3.4.26, 3-4-2026
                    "(?<numbers>(?<![\\d.,/])\\b(?<first>" + DAY + ")\\s?(?<mark>[./-])\\s?(?<second>" + DAY
                            + ")\\s?\\k<mark>\\s?(?<year>" + YEAR + "|\\d{2})\\b(?![.,/]?\\d))",
                    // March 2026, Mar '26, de mayo de 2027
                    "(?<month>\\b(?<monthName>" + Months.ANY + ")\\s*" + YEAR_OF + "(?<monthYear>" + YEAR
                            + "|['’]\\d{2})\\b)",
                    // 05/2027, 05/27
                    "(?<card>(?<![\\d./-])\\b(?<cardMonth>0?[1-9]|1[0-2])\\s?[/.-]\\s?(?<cardYear>" + YEAR
                            + "|\\d{2})\\b(?![./-]?\\d))",
                    // 20260312
                    "(?<packed>(?<!\\d)(?<packedYear>(?:19|20)\\d{2})(?<packedMonth>0[1-9]|1[0-2])(?<packedDay>[0-2]\\d|3[01])(?!\\d))"),
            Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE | Pattern.UNICODE_CHARACTER_CLASS);

    /** A range is told within so many characters. */
    private static final int FAR = 40;

    /** 51 is 1951, and 50 is 2050. */
    private static final int LAST_OF_CENTURY = 50;

    private Notations() {}

    /**
     * In the order of the text; what cannot be a day is left out. A day without a year, at the beginning of a range, is of
     * the year in which the range ends, or of the one before.
     */
    static List<Mention> in(String text) {
        List<Mention> found = new ArrayList<>();
        List<Bare> bare = new ArrayList<>();
        Matcher matcher = ANY.matcher(text);
        int from = 0;
        while (from <= text.length() && matcher.find(from)) {
            Optional<Mention> mention = read(matcher);
            if (mention.isPresent()) {
                finish(bare, mention.get(), found);
                found.add(mention.get());
                from = matcher.end();
            } else if (matcher.group("bare") != null) {
                bare.add(
                        new Bare(matcher.start(), matcher.end(), matcher.group("bareDay"), matcher.group("bareMonth")));
                from = matcher.end();
            } else {
                from = matcher.start() + 1;
            }
        }
        return found;
    }

    /** A day of which the year is told later. */
    private record Bare(int start, int end, String day, String month) {}

    private static void finish(List<Bare> bare, Mention end, List<Mention> found) {
        LocalDate last = end.dayFirst() != null
                ? end.dayFirst()
                : end.month() == null ? null : end.month().atDay(1);
        for (Bare one : bare) {
            if (last != null && end.start() - one.end() <= FAR) {
                day(String.valueOf(last.getYear()), one.month(), one.day())
                        .map(d -> d.isAfter(last) ? d.minusYears(1) : d)
                        .ifPresent(d -> found.add(Mention.day(one.start(), one.end(), d)));
            }
        }
        bare.clear();
    }

    private static Optional<Mention> read(Matcher m) {
        int start = m.start();
        int end = m.end();
        if (m.group("iso") != null) {
            return day(m.group("isoYear"), m.group("isoMonth"), m.group("isoDay"))
                    .map(d -> Mention.day(start, end, d));
        }
        if (m.group("words") != null) {
            return day(m.group("wordsYear"), m.group("wordsMonth"), m.group("wordsDay"))
                    .map(d -> Mention.day(start, end, d));
        }
        if (m.group("american") != null) {
            return day(m.group("americanYear"), m.group("americanMonth"), m.group("americanDay"))
                    .map(d -> Mention.day(start, end, d));
        }
        if (m.group("numbers") != null) {
            return numbers(m, start, end);
        }
        if (m.group("yearEnd") != null) {
            return day(m.group("endYear"), "12", "31").map(d -> Mention.day(start, end, d));
        }
        if (m.group("month") != null) {
            return month(m.group("monthYear"), m.group("monthName")).map(d -> Mention.month(start, end, d));
        }
        if (m.group("card") != null) {
            return month(m.group("cardYear"), m.group("cardMonth"))
                    .map(d -> new Mention(start, end, null, null, d, true));
        }
        if (m.group("packed") != null) {
            return day(m.group("packedYear"), m.group("packedMonth"), m.group("packedDay"))
                    .map(d -> new Mention(start, end, d, d, null, true));
        }
        return Optional.empty();
    }

    /** Dots put the day first everywhere; with strokes it depends on where one lives. */
    private static Optional<Mention> numbers(Matcher m, int start, int end) {
        Optional<LocalDate> dayFirst = day(m.group("year"), m.group("second"), m.group("first"));
        Optional<LocalDate> monthFirst = m.group("mark").equals(".")
                ? Optional.empty()
                : day(m.group("year"), m.group("first"), m.group("second"));
        if (m.group("mark").equals(".")) {
            return dayFirst.map(d -> Mention.day(start, end, d));
        }
        return dayFirst.isEmpty() && monthFirst.isEmpty()
                ? Optional.empty()
                : Optional.of(new Mention(start, end, dayFirst.orElse(null), monthFirst.orElse(null), null, false));
    }

    private static Optional<YearMonth> month(String year, String month) {
        return day(year, month, "1").map(YearMonth::from);
    }

    /** @param month its name or number */
    private static Optional<LocalDate> day(String year, String month, String day) {
        try {
            int number = Months.number(month).orElseGet(() -> Integer.parseInt(digits(month)));
            return Optional.of(LocalDate.of(year(year), number, Integer.parseInt(digits(day))));
        } catch (DateTimeException | NumberFormatException no) {
            return Optional.empty();
        }
    }

    private static int year(String written) {
        String digits = digits(written).replaceAll("\\D", "");
        int number = Integer.parseInt(digits);
        return digits.length() > 2 ? number : number > LAST_OF_CENTURY ? 1900 + number : 2000 + number;
    }

    private static String digits(String read) {
        return read.replace('O', '0')
                .replace('o', '0')
                .replace('l', '1')
                .replace('I', '1')
                .replace('i', '1');
    }
}
