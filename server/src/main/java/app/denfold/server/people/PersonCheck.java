package app.denfold.server.people;

import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Map;
import org.springframework.stereotype.Component;

/** Whether what was typed about a person can be. */
@Component
class PersonCheck {

    private static final int OLDEST = 125;

    private final PracticeCalendar calendar;

    PersonCheck(PracticeCalendar calendar) {
        this.calendar = calendar;
    }

    /** @throws Refusal at the first value that cannot be */
    void check(PersonDetails details, PersonKind kind) {
        LocalDate today = calendar.today();
        LocalDate born = details.birthDate();
        if (born != null && (born.isAfter(today) || born.isBefore(today.minusYears(OLDEST)))) {
            throw Refusal.invalid("birthDate", "A birth date lies between today and " + OLDEST + " years ago.");
        }
        LocalDate from = details.activeFrom();
        if (from != null && born != null && from.isBefore(born)) {
            throw Refusal.invalid("activeFrom", "Nobody can start before being born.");
        }
        if (from != null && from.isAfter(today.plusYears(5))) {
            throw Refusal.invalid("activeFrom", "This start lies more than five years ahead.");
        }
        for (Map.Entry<String, String> fact : details.facts().entrySet()) {
            checkFact(fact.getKey(), fact.getValue(), kind);
        }
    }

    private static void checkFact(String name, String value, PersonKind kind) {
        FactDefinition definition = kind.facts().stream()
                .filter(f -> f.name().equals(name))
                .findFirst()
                .orElseThrow(() -> Refusal.invalid(
                        "facts." + name, "The kind " + kind.label() + " has no fact called " + name + "."));
        boolean fits =
                switch (definition.form()) {
                    case TEXT -> !value.isBlank();
                    case NUMBER -> value.matches("-?\\d{1,12}(\\.\\d{1,6})?");
                    case DATE -> isDay(value);
                    case CHOICE -> definition.choices().contains(value);
                    case YES_NO -> value.equals("yes") || value.equals("no");
                };
        if (!fits) {
            throw Refusal.invalid("facts." + name, "“" + value + "” cannot be the " + definition.label() + ".");
        }
    }

    private static boolean isDay(String value) {
        try {
            LocalDate.parse(value);
            return true;
        } catch (DateTimeParseException notADay) {
            return false;
        }
    }
}
