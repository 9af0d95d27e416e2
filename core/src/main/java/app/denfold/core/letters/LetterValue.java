package app.denfold.core.letters;

import java.math.BigDecimal;
import java.time.LocalDate;

/** Something that can stand in a letter. */
public sealed interface LetterValue {

    record Text(String text) implements LetterValue {}

    record Day(LocalDate day) implements LetterValue {}

    record Number(BigDecimal number) implements LetterValue {}

    static LetterValue text(String text) {
        return new Text(text);
    }

    static LetterValue day(LocalDate day) {
        return new Day(day);
    }

    static LetterValue number(String number) {
        return new Number(new BigDecimal(number));
    }
}
