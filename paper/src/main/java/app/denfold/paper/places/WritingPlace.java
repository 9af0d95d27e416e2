package app.denfold.paper.places;

/**
 * A place on a page where something is to be written; in parts of the upright page's width and height, from the upper left
 * corner.
 *
 * @param page from 1
 * @param name of the form's field, in words; empty for a line
 */
public record WritingPlace(Kind kind, int page, double left, double top, double width, double height, String name) {

    public enum Kind {
        /** A field of a form for a signature. */
        SIGNATURE,
        TEXT,
        TICK,
        /** A line that is drawn to write on. */
        LINE
    }
}
