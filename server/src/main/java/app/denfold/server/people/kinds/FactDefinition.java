package app.denfold.server.people.kinds;

import app.denfold.core.rules.FactValue;
import java.util.List;
import java.util.stream.Stream;

/**
 * A fact that files of a kind may have.
 *
 * @param choices for {@link Form#CHOICE} and {@link Form#OPEN_CHOICE}; empty otherwise
 * @param key whether it is shown in the head of the file
 * @param sensitive whether it is for those only who may see sensitive papers
 */
public record FactDefinition(
        String name, String label, Form form, List<String> choices, boolean key, boolean sensitive) {

    public FactDefinition {
        choices = choices == null ? List.of() : List.copyOf(choices);
    }

    /** True when a stored value of this fact can equal the value of a rule. */
    public boolean canBe(FactValue value) {
        return switch (form) {
            case NUMBER -> value instanceof FactValue.Number;
            case YES_NO -> value instanceof FactValue.YesNo;
            case CHOICE, OPEN_CHOICE -> value instanceof FactValue.Text text && choices.contains(text.text());
            case DATE -> value.asDay().isPresent();
            case TEXT, PERSON -> value instanceof FactValue.Text;
        };
    }

    /** The same with one more choice; unchanged when there is one that is spelled so, small and capital letters aside. */
    FactDefinition with(String choice) {
        if (choices.stream().anyMatch(choice::equalsIgnoreCase)) {
            return this;
        }
        List<String> more = Stream.concat(choices.stream(), Stream.of(choice)).toList();
        return new FactDefinition(name, label, form, more, key, sensitive);
    }

    /** A value as its choices spell it. */
    String spelled(String value) {
        return form != Form.OPEN_CHOICE
                ? value
                : choices.stream()
                        .filter(value.strip()::equalsIgnoreCase)
                        .findFirst()
                        .orElse(value.strip());
    }

    /**
     * What its values look like. A {@code PERSON} is named by the number of his file. To an {@code OPEN_CHOICE} whoever
     * fills it in can add.
     */
    public enum Form {
        TEXT,
        NUMBER,
        DATE,
        CHOICE,
        OPEN_CHOICE,
        YES_NO,
        PERSON;

        /** Whether values of the other form are values of this one as well. */
        public boolean holdsAllOf(Form other) {
            return this == other || (isChoice() && other.isChoice());
        }

        public boolean isChoice() {
            return this == CHOICE || this == OPEN_CHOICE;
        }
    }
}
