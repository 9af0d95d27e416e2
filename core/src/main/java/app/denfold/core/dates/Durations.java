package app.denfold.core.dates;

import java.time.LocalDate;
import java.time.Period;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Periods that tell for how long a paper holds, such as “valid for two years” and “12 months from issue”. */
final class Durations {

    private static final Map<String, Integer> NUMBERS = numbers();

    private static Map<String, Integer> numbers() {
        Map<String, Integer> numbers = new HashMap<>();
        List<String> words = List.of(
                "one a an ein eine einem einen eines un une uno una",
                "two zwei deux due dos",
                "three drei trois tre tres",
                "four vier quatre quattro cuatro",
                "five fünf cinq cinque cinco",
                "six sechs sei seis",
                "seven sieben sept sette siete",
                "eight acht huit otto ocho",
                "nine neun neuf nove nueve",
                "ten zehn dix dieci diez",
                "eleven elf onze undici once",
                "twelve zwölf douze dodici doce",
                "thirteen",
                "fourteen vierzehn quatorze",
                "fifteen fünfzehn",
                "sixteen",
                "seventeen",
                "eighteen achtzehn",
                "nineteen",
                "twenty zwanzig");
        for (int i = 0; i < words.size(); i++) {
            for (String word : words.get(i).split(" ")) {
                numbers.put(word, i + 1);
            }
        }
        numbers.put("twenty-four", 24);
        numbers.put("vierundzwanzig", 24);
        numbers.put("thirty", 30);
        numbers.put("thirty-six", 36);
        numbers.put("ninety", 90);
        return numbers;
    }

    private static final String COUNT = "(?<count>\\d{1,3}|"
            + String.join(
                    "|",
                    NUMBERS.keySet().stream()
                            .sorted((a, b) -> b.length() - a.length())
                            .toList())
            + ")(?:\\s*\\(\\w+\\))?";

    private static final String UNIT = "(?<unit>calendar years?|years?|yrs?|jahre?n?|ans?|années?|anni|anno|años?"
            + "|months?|mths?|monate?n?|mois|mesi|mese|meses|mes"
            + "|weeks?|wochen?|semaines?|settiman[ae]|semanas?"
            + "|days?|tagen?|tage|jours?|giorn[io]|días?)";

    private static final String OF =
            "(?:\\s+period)?(?:\\s*,?\\s*(?:counted|starting|beginning|running|calculated|gerechnet))*\\s*";

    /** What the period is counted from, if that is told. */
    private static final String ANCHOR = "(?:" + OF
            + "(?<anchor>(?:(?:from|after|since|of|ab|nach|seit|à compter|à partir|depuis|dalla|dal|dopo|a partir|desde|tras)\\s+"
            + "(?:the |its |their |dem |der |de la |du |la |el |de |data di |date of |date de |fecha de )*"
            + "(?:(?:date|day) of |datum der |datum des |tag der |date d['’]|date de |data di |fecha de )?"
            + "(?<what>\\p{L}+))))?";

    private static final Pattern HOLDS = Pattern.compile(
            "(?<![\\p{L}\\d])(?:valid(?:ity)?|good|holds|in force|effective|runs|remains? (?:valid|in force)|certified|cleared|lasts|expires|term|duration|dauer|"
                    + "gültig(?:keit(?:sdauer)?)?|gilt|laufzeit|befristet|valable|validité|valide|durée|valid[oaie]|validità|durata|válid[oa]|validez|vigencia)"
                    + "(?:[\\s:,]+(?:is|of|remains?|for|a|the|period|only|another|further|beträgt|für|auf|die|dauer|von|pendant|pour|une|durée|de|est|"
                    + "per|la|di|è|durante|por|un|período|es|in|within|after|nach))*[\\s:,]+"
                    + COUNT + "\\s+" + UNIT + "(?![\\p{L}\\d])" + ANCHOR,
            Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE | Pattern.UNICODE_CHARACTER_CLASS);

    private static final Pattern FROM = Pattern.compile(
            "(?<![\\p{L}\\d])" + COUNT + "\\s+" + UNIT + "(?![\\p{L}\\d])" + ANCHOR,
            Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE | Pattern.UNICODE_CHARACTER_CLASS);

    /** Counted from a day of the same sentence. */
    private static final Pattern TERM = Pattern.compile(
            "(?<![\\p{L}\\d])(?:for (?:a |the |another |an initial )?(?:(?:fixed |initial )?(?:period|term|duration) of )?|(?:für|auf) (?:die dauer von )?|"
                    + "pour (?:une (?:durée|période) de )?|per (?:(?:un periodo|la durata) di )?|(?:por|durante) (?:un (?:período|periodo|plazo) de )?)"
                    + COUNT + "\\s+" + UNIT + "(?![\\p{L}\\d])(?<anchor>(?<what>))",
            Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE | Pattern.UNICODE_CHARACTER_CLASS);

    private static final Pattern OF_ISSUE = Pattern.compile(
            "issu\\w*|sign\\w*|date|dated|certif\\w*|report|ausstell\\w*|unterschrift|unterzeich\\w*|ausfertig\\w*|délivrance|émission|signature"
                    + "|rilascio|emissione|firma|expedición|emisión",
            Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);

    private static final Pattern OF_START = Pattern.compile(
            "start|commencement|commencing|beginning|effect\\w*|inception|entry|beginn|inkrafttreten|début|effet|entrée|inizio|decorrenza|inicio"
                    + "|entrada",
            Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);

    /** Words that make a period one of something else. */
    private static final Pattern NOT_OF_THIS = Pattern.compile(
            "notice|kündigung|préavis|preavviso|preaviso|at least|mindestens|aged?|old|experience|erfahrung|within|innerhalb|warranty",
            Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);

    /**
     * @param start where the words begin @param end behind them
     * @param from what it is counted from; empty where that is not told
     * @param ofSentence whether it counts only from a first day told in the same sentence
     */
    record Duration(int start, int end, Period length, Optional<DateRole> from, boolean ofSentence) {

        LocalDate after(LocalDate day) {
            return day.plus(length);
        }
    }

    private Durations() {}

    /** In the order of the text. */
    static List<Duration> in(String text) {
        List<Duration> found = new ArrayList<>();
        add(found, text, HOLDS.matcher(text), false, false);
        add(found, text, FROM.matcher(text), true, false);
        add(found, text, TERM.matcher(text), false, true);
        found.sort((a, b) -> a.start() - b.start());
        return found;
    }

    /** @param needsAnchor whether only those count that tell from what they are counted */
    private static void add(List<Duration> found, String text, Matcher m, boolean needsAnchor, boolean ofSentence) {
        while (m.find()) {
            Optional<DateRole> from = Optional.ofNullable(m.group("what")).flatMap(Durations::anchor);
            int at = m.start();
            int to = m.end("unit");
            String before = text.substring(Math.max(0, at - 25), at);
            boolean isOther = NOT_OF_THIS.matcher(before).find();
            boolean isKnown = found.stream().anyMatch(d -> at < d.end() && d.start() < to);
            if (!isOther && !isKnown && (!needsAnchor || from.isPresent())) {
                length(m.group("count"), m.group("unit"))
                        .ifPresent(
                                p -> found.add(new Duration(at, from.isPresent() ? m.end() : to, p, from, ofSentence)));
            }
        }
    }

    private static Optional<DateRole> anchor(String word) {
        if (OF_ISSUE.matcher(word).matches()) {
            return Optional.of(DateRole.DATED);
        }
        return OF_START.matcher(word).matches() ? Optional.of(DateRole.EFFECTIVE) : Optional.empty();
    }

    private static Optional<Period> length(String count, String unit) {
        Integer known = NUMBERS.get(count.toLowerCase(Locale.ROOT));
        int number = known == null ? Integer.parseInt(count) : known;
        String plain = unit.toLowerCase(Locale.ROOT);
        if (number == 0) {
            return Optional.empty();
        }
        if (plain.matches("mo?n?th.*|mona.*|mois|mes.*")) {
            return Optional.of(Period.ofMonths(number));
        }
        if (plain.matches("w.*|sem.*|sett.*")) {
            return Optional.of(Period.ofWeeks(number));
        }
        if (plain.matches("d.*|tag.*|jour.*|gior.*|día.*")) {
            return Optional.of(Period.ofDays(number));
        }
        return Optional.of(Period.ofYears(number));
    }
}
