package app.denfold.core.letters;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;

/**
 * Something a model asks of whoever writes the letter; it is named {@code ask.} and its code at a place.
 *
 * @param code letters, digits and hyphens
 * @param label the question, as it is asked
 */
public record AskedFor(String code, String label, Kind kind) {

    /** How names of what is asked begin. */
    public static final String PREFIX = "ask.";

    private static final int LONGEST_ANSWER = 2_000;

    public enum Kind {
        TEXT,
        NUMBER,
        DAY
    }

    /** @throws IllegalArgumentException with words for whoever wrote it, when it cannot be so */
    public AskedFor {
        if (!code.matches("[a-z][a-z0-9]*(-[a-z0-9]+)*") || code.length() > 40) {
            throw new IllegalArgumentException("The short name of a question has small letters, digits and hyphens");
        }
        if (label.isBlank() || label.length() > 120) {
            throw new IllegalArgumentException("A question has from 1 to 120 characters");
        }
    }

    public String name() {
        return PREFIX + code;
    }

    /** What was answered, as a value. @throws IllegalArgumentException with words for the writer, when it is none */
    public LetterValue read(String answer) {
        return read(kind, answer);
    }

    /** The same of something of a kind. @throws IllegalArgumentException with words for the writer, when it is none */
    static LetterValue read(Kind kind, String answer) {
        String text = answer.strip();
        if (text.length() > LONGEST_ANSWER) {
            throw new IllegalArgumentException("Up to " + LONGEST_ANSWER + " characters");
        }
        return switch (kind) {
            case TEXT -> LetterValue.text(text);
            case NUMBER -> number(text);
            case DAY -> day(text);
        };
    }

    private static LetterValue number(String text) {
        if (!text.matches("-?\\d{1,12}([.,]\\d{1,6})?")) {
            throw new IllegalArgumentException("Write a number such as 1250.50");
        }
        return new LetterValue.Number(new BigDecimal(text.replace(',', '.')));
    }

    private static LetterValue day(String text) {
        try {
            return LetterValue.day(LocalDate.parse(text));
        } catch (DateTimeParseException none) {
            throw new IllegalArgumentException("Choose a day", none);
        }
    }
}
