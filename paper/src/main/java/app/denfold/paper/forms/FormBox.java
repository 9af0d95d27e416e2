package app.denfold.paper.forms;

import java.util.List;

/**
 * A field of a form, where it stands first.
 *
 * @param name by which the form knows it
 * @param label what it is called to readers
 * @param page from 1; the rest in parts of the page's width and height as seen, from the upper left corner
 * @param choices what can be chosen; empty unless something is to be chosen
 */
public record FormBox(
        String name,
        String label,
        Kind kind,
        int page,
        double left,
        double top,
        double width,
        double height,
        List<String> choices) {

    /** What is put in. */
    public enum Kind {
        TEXT,
        TICK,
        CHOICE
    }

    public FormBox {
        choices = choices == null ? List.of() : List.copyOf(choices);
    }
}
