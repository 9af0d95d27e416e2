package app.denfold.core.letters;

import java.text.NumberFormat;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.Currency;
import java.util.Locale;

/** How values are written in a language. */
final class WriteValue {

    private static final int SHOWN = 3;

    private final Locale language;
    private final Currency money;

    WriteValue(Locale language, Currency money) {
        this.language = language;
        this.money = money;
    }

    String write(LetterValue value, Place.Format format) {
        String plain = value instanceof LetterValue.Day day
                ? day(day.day(), format)
                : value instanceof LetterValue.Number number
                        ? number(number, format)
                        : ((LetterValue.Text) value).text();
        return switch (format) {
            case MASKED -> masked(plain);
            case CAPITALS -> plain.toUpperCase(language);
            case PLAIN, LONG_DATE, MONEY -> plain;
        };
    }

    private String day(LocalDate day, Place.Format format) {
        FormatStyle style = format == Place.Format.LONG_DATE ? FormatStyle.LONG : FormatStyle.MEDIUM;
        return DateTimeFormatter.ofLocalizedDate(style).withLocale(language).format(day);
    }

    private String number(LetterValue.Number number, Place.Format format) {
        if (format == Place.Format.MONEY) {
            NumberFormat amount = NumberFormat.getCurrencyInstance(language);
            amount.setCurrency(money);
            amount.setMinimumFractionDigits(Math.max(0, money.getDefaultFractionDigits()));
            amount.setMaximumFractionDigits(Math.max(0, money.getDefaultFractionDigits()));
            return amount.format(number.number());
        }
        NumberFormat plain = NumberFormat.getNumberInstance(language);
        plain.setMaximumFractionDigits(6);
        return plain.format(number.number());
    }

    private static String masked(String text) {
        int hidden = Math.max(0, text.codePointCount(0, text.length()) - SHOWN);
        return "•".repeat(hidden) + text.substring(text.offsetByCodePoints(0, hidden));
    }
}
