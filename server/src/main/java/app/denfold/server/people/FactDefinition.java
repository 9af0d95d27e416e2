package app.denfold.server.people;

import java.util.List;

/**
 * A fact that files of a kind may have.
 *
 * @param choices for {@link Form#CHOICE}; empty otherwise
 * @param key whether it is shown in the head of the file
 */
public record FactDefinition(String name, String label, Form form, List<String> choices, boolean key) {

    /** What its values look like. */
    public enum Form {
        TEXT,
        NUMBER,
        DATE,
        CHOICE,
        YES_NO
    }
}
