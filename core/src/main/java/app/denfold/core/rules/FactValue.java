package app.denfold.core.rules;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Optional;

/** The value of a fact: a text, a number or yes/no. Values of different sorts are never equal. */
public sealed interface FactValue {

    record Text(String text) implements FactValue {}

    /** Equal by value: 1 and 1.0 are the same number. */
    record Number(BigDecimal number) implements FactValue {
        public Number {
            number = number.stripTrailingZeros();
        }
    }

    record YesNo(boolean yes) implements FactValue {}

    static FactValue text(String text) {
        return new Text(text);
    }

    /** The day this value names, when it is a text of the form 2026-11-25; empty otherwise. */
    default Optional<LocalDate> asDay() {
        if (!(this instanceof Text text)) {
            return Optional.empty();
        }
        try {
            return Optional.of(LocalDate.parse(text.text()));
        } catch (DateTimeParseException notADay) {
            return Optional.empty();
        }
    }
}
