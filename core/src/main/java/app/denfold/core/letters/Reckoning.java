package app.denfold.core.letters;

import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.Period;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * What stands at a place of a letter: a name, or a small reckoning of names, numbers and spans of time, such as
 * {@code day + 6 months}, {@code ask.fee * 12} or {@code ask.fee + ask.deposit}. Signs stand between spaces, so that a name
 * may hold a hyphen; {@code *} binds closer than {@code +} and {@code -}.
 */
public final class Reckoning {

    private static final int LONGEST = 200;
    private static final int MOST_DIGITS = 15;
    private static final Pattern NAME = Pattern.compile("[A-Za-z][A-Za-z0-9_]*(?:[.-][A-Za-z0-9_]+)*");
    private static final Pattern NUMBER = Pattern.compile("\\d{1,12}(?:\\.\\d{1,6})?");
    private static final Pattern SPAN = Pattern.compile("(\\d{1,4}) (day|week|month|year)s?");
    private static final Pattern SIGN = Pattern.compile(" ([+*-]) ");

    private final List<Sum> parts;

    private Reckoning(List<Sum> parts) {
        this.parts = parts;
    }

    /** A product that is added or taken away; of a span of time there is one factor. */
    private record Sum(boolean isTaken, List<Factor> factors) {}

    private record Factor(
            @Nullable String name,
            @Nullable BigDecimal number,
            @Nullable Period span) {}

    /** @throws IllegalArgumentException with words for whoever wrote it, when it cannot be read */
    public static Reckoning of(String written) {
        String text = written.strip().replaceAll("\\s+", " ");
        if (text.isEmpty() || text.length() > LONGEST) {
            throw new IllegalArgumentException("What stands at a place has from 1 to " + LONGEST + " characters");
        }
        List<Sum> parts = new ArrayList<>();
        List<Factor> factors = new ArrayList<>();
        boolean isTaken = false;
        int from = 0;
        Matcher sign = SIGN.matcher(text);
        while (sign.find()) {
            factors.add(factor(text.substring(from, sign.start()), text));
            if (!sign.group(1).equals("*")) {
                parts.add(new Sum(isTaken, factors));
                factors = new ArrayList<>();
                isTaken = sign.group(1).equals("-");
            }
            from = sign.end();
        }
        factors.add(factor(text.substring(from), text));
        parts.add(new Sum(isTaken, factors));
        parts.forEach(Reckoning::requireSpansAlone);
        return new Reckoning(List.copyOf(parts));
    }

    private static Factor factor(String written, String whole) {
        String one = written.strip();
        Matcher span = SPAN.matcher(one);
        if (span.matches()) {
            int n = Integer.parseInt(span.group(1));
            Period period =
                    switch (span.group(2)) {
                        case "day" -> Period.ofDays(n);
                        case "week" -> Period.ofWeeks(n);
                        case "month" -> Period.ofMonths(n);
                        default -> Period.ofYears(n);
                    };
            return new Factor(null, null, period);
        }
        if (NUMBER.matcher(one).matches()) {
            return new Factor(null, new BigDecimal(one), null);
        }
        if (NAME.matcher(one).matches()) {
            return new Factor(one, null, null);
        }
        throw new IllegalArgumentException("“" + one + "” in “" + whole + "” cannot be read");
    }

    private static void requireSpansAlone(Sum sum) {
        if (sum.factors.size() > 1 && sum.factors.stream().anyMatch(f -> f.span != null)) {
            throw new IllegalArgumentException("A span of time can be added to a day, not multiplied");
        }
    }

    /** The names in it, each once, in their order. */
    public Set<String> names() {
        Set<String> names = new LinkedHashSet<>();
        parts.forEach(p -> p.factors.stream().filter(f -> f.name != null).forEach(f -> names.add(f.name)));
        return names;
    }

    /** Whether it is a single name and nothing is worked out. */
    public boolean isName() {
        return parts.size() == 1
                && parts.get(0).factors.size() == 1
                && parts.get(0).factors.get(0).name != null;
    }

    /**
     * Its value; null when one of its names is not known.
     *
     * @throws IllegalArgumentException with words, when its values cannot be reckoned with, such as a text times a number
     */
    public @Nullable LetterValue value(Map<String, LetterValue> known) {
        if (!known.keySet().containsAll(names())) {
            return null;
        }
        if (isName()) {
            return known.get(parts.get(0).factors.get(0).name);
        }
        LetterValue first = product(parts.get(0), known);
        if (first instanceof LetterValue.Day day) {
            return shifted(day.day(), parts.subList(1, parts.size()));
        }
        BigDecimal sum = BigDecimal.ZERO;
        for (Sum part : parts) {
            BigDecimal one = number(product(part, known));
            sum = part.isTaken ? sum.subtract(one) : sum.add(one);
        }
        if (sum.precision() - sum.scale() > MOST_DIGITS) {
            throw new IllegalArgumentException("The number has more than " + MOST_DIGITS + " digits");
        }
        return new LetterValue.Number(sum);
    }

    private static LetterValue shifted(LocalDate day, List<Sum> spans) {
        LocalDate shifted = day;
        for (Sum part : spans) {
            Period span = part.factors.get(0).span;
            if (span == null) {
                throw new IllegalArgumentException("To a day only a span of time can be added, such as 6 months");
            }
            try {
                shifted = part.isTaken ? shifted.minus(span) : shifted.plus(span);
            } catch (DateTimeException tooFar) {
                throw new IllegalArgumentException("There is no such day", tooFar);
            }
        }
        return new LetterValue.Day(shifted);
    }

    private static LetterValue product(Sum part, Map<String, LetterValue> known) {
        if (part.factors.size() == 1) {
            return value(part.factors.get(0), known);
        }
        BigDecimal product = BigDecimal.ONE;
        for (Factor factor : part.factors) {
            product = product.multiply(number(value(factor, known)));
        }
        return new LetterValue.Number(product);
    }

    private static LetterValue value(Factor factor, Map<String, LetterValue> known) {
        if (factor.span != null) {
            throw new IllegalArgumentException("A span of time can only be added to a day");
        }
        return factor.number != null
                ? new LetterValue.Number(factor.number)
                : Objects.requireNonNull(known.get(factor.name));
    }

    private static BigDecimal number(LetterValue value) {
        if (value instanceof LetterValue.Number number) {
            return number.number();
        }
        throw new IllegalArgumentException(
                value instanceof LetterValue.Text text
                        ? "“" + text.text() + "” is not a number"
                        : "A day is not a number");
    }
}
