package app.denfold.server.people.kinds;

import app.denfold.core.rules.FactValue;
import java.util.List;

/**
 * A fact that files of a kind may have.
 *
 * @param choices for {@link Form#CHOICE}; empty otherwise
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
            case CHOICE -> value instanceof FactValue.Text text && choices.contains(text.text());
            case DATE -> value.asDay().isPresent();
            case TEXT, PERSON -> value instanceof FactValue.Text;
        };
    }

    /** What its values look like. A {@code PERSON} is named by the number of his file. */
    public enum Form {
        TEXT,
        NUMBER,
        DATE,
        CHOICE,
        YES_NO,
        PERSON
    }
}
