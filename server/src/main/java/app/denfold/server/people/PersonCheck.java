package app.denfold.server.people;

import app.denfold.core.days.Window;
import app.denfold.core.filing.Subject;
import app.denfold.server.access.Viewer;
import app.denfold.server.people.kinds.FactDefinition;
import app.denfold.server.people.kinds.PersonKind;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** Whether what was typed about a person can be. */
@Component
public class PersonCheck {

    private static final int OLDEST = 125;

    private static final int MOST_OF_A_CHOICE = 60;

    /** How long a line of people one above the other may be. */
    private static final int MOST_STEPS = 60;

    private final PracticeCalendar calendar;
    private final PersonFileRepository files;

    PersonCheck(PracticeCalendar calendar, PersonFileRepository files) {
        this.calendar = calendar;
        this.files = files;
    }

    /** @throws Refusal at the first value that cannot be */
    public void check(PersonDetails details, PersonKind kind) {
        LocalDate today = calendar.today();
        LocalDate born = details.birthDate();
        if (born != null && (born.isAfter(today) || born.isBefore(today.minusYears(OLDEST)))) {
            throw Refusal.invalid("birthDate", "A birth date lies between today and " + OLDEST + " years ago.");
        }
        if (kind.subject() == Subject.PRACTICE) {
            refusePersonal(details);
        }
        LocalDate from = details.activeFrom();
        if (from != null && born != null && from.isBefore(born)) {
            throw Refusal.invalid("activeFrom", "Nobody can start before being born.");
        }
        if (from != null && from.isAfter(today.plusYears(5))) {
            throw Refusal.invalid("activeFrom", "This start lies more than five years ahead.");
        }
        checkSpans(details);
        for (Map.Entry<String, String> fact : details.facts().entrySet()) {
            checkFact(fact.getKey(), fact.getValue(), kind);
        }
    }

    /** The practice and its places have one name and were never born. */
    private static void refusePersonal(PersonDetails details) {
        if (!details.givenName().isBlank()) {
            throw Refusal.invalid("givenName", "A file of the practice's own has one name only.");
        }
        if (details.birthDate() != null) {
            throw Refusal.invalid("birthDate", "A file of the practice's own has no birth date.");
        }
    }

    /**
     * Nobody sets facts, or names persons in them, of which he may know nothing; a value that stood before may stay.
     *
     * @throws Refusal in the words for a fact or person that there is not
     */
    void requireVisible(Viewer viewer, PersonDetails details, PersonKind kind, Map<String, String> before) {
        for (FactDefinition fact : kind.facts()) {
            String value = details.facts().get(fact.name());
            if (value == null || value.equals(before.get(fact.name()))) {
                continue;
            }
            if (!viewer.maySeeFact(kind.code(), fact.name())) {
                throw unknown(fact.name(), kind);
            }
            boolean named = fact.form() == FactDefinition.Form.PERSON;
            if (named
                    && files.findByNumber(value)
                            .filter(f -> viewer.maySeeFile(f.id(), f.team()))
                            .isEmpty()) {
                throw cannotBe(fact, value);
            }
        }
    }

    private static Refusal unknown(String name, PersonKind kind) {
        return Refusal.invalid("facts." + name, "The kind " + kind.label() + " has no fact called " + name + ".");
    }

    private static Refusal cannotBe(FactDefinition fact, String value) {
        return Refusal.invalid("facts." + fact.name(), "“" + value + "” cannot be the " + fact.label() + ".");
    }

    private static void checkSpans(PersonDetails details) {
        if (details.spans() == null) {
            return;
        }
        List<Window> windows = new ArrayList<>();
        for (int i = 0; i < details.spans().size(); i++) {
            PersonDetails.SpanDetails span = details.spans().get(i);
            if (span.from() != null && span.to() != null && span.to().isBefore(span.from())) {
                throw Refusal.invalid("spans." + i + ".to", "This span would end before it begins.");
            }
            Window window = new Window(span.from(), span.to());
            if (windows.stream().anyMatch(window::overlaps)) {
                throw Refusal.invalid("spans." + i + ".from", "This span shares days with another one.");
            }
            windows.add(window);
        }
    }

    /** @throws Refusal when following a fact from person to person comes back to the first */
    void refuseCircle(PersonFile file, PersonDetails details, PersonKind kind) {
        for (FactDefinition fact : kind.facts()) {
            String above =
                    fact.form() == FactDefinition.Form.PERSON ? details.facts().get(fact.name()) : null;
            List<String> way = new ArrayList<>();
            for (int i = 0; above != null && i < MOST_STEPS; i++) {
                PersonFile next = files.findByNumber(above).orElse(null);
                if (next == null) {
                    break;
                }
                way.add(next.name());
                if (next.id().equals(file.id())) {
                    throw Refusal.invalid(
                            "facts." + fact.name(),
                            "“" + fact.label() + "” would go in a circle: " + file.name() + " → "
                                    + String.join(" → ", way) + ".");
                }
                above = next.factsOn(calendar.today()).get(fact.name());
            }
        }
    }

    private void checkFact(String name, String value, PersonKind kind) {
        FactDefinition definition = kind.facts().stream()
                .filter(f -> f.name().equals(name))
                .findFirst()
                .orElseThrow(() -> unknown(name, kind));
        boolean fits =
                switch (definition.form()) {
                    case TEXT -> !value.isBlank();
                    case NUMBER -> value.matches("-?\\d{1,12}(\\.\\d{1,6})?");
                    case DATE -> isDay(value);
                    case OPEN_CHOICE -> !value.isBlank() && value.strip().length() <= MOST_OF_A_CHOICE;
                    case CHOICE -> definition.choices().contains(value);
                    case YES_NO -> value.equals("yes") || value.equals("no");
                    case PERSON -> files.findByNumber(value).isPresent();
                };
        if (!fits) {
            throw cannotBe(definition, value);
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
