package app.denfold.paper.sealing;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A signature as it stands on the page: who, in which role, how and when.
 *
 * @param when in words, as printed
 * @param place where it goes
 */
public record SignatureMark(String name, String role, String when, Drawing drawing, Place place) {

    /** How the signature was given. */
    public sealed interface Drawing {}

    /** Strokes of a pen; each point from 0 to 1 within a box three times as wide as it is high, origin at the top left. */
    record Pen(List<List<Point>> strokes) implements Drawing {
        public Pen {
            strokes = strokes.stream().map(List::copyOf).toList();
        }
    }

    /** The name typed by the signer. */
    record Typed(String text) implements Drawing {}

    /** Words in a field, such as a day; nothing stands beneath them. */
    record Written(String text) implements Drawing {}

    /** A point of a stroke. */
    public record Point(double x, double y) {}

    /**
     * A place on a page as seen.
     *
     * @param page from 1
     * @param left of the box, as a part of the page's width from 0 to 1
     * @param top of the box, as a part of the page's height from 0 to 1
     * @param width of the box, as a part of the page's width
     * @param height of the box, as a part of the page's height; null for a third of its width in points
     */
    public record Place(
            int page,
            double left,
            double top,
            double width,
            @Nullable Double height) {

        /** Of a signature as large as usual. */
        public static Place of(int page, double left, double top) {
            return new Place(page, left, top, SignedCopy.BOX_WIDTH, null);
        }
    }

    /** The strokes of a pen; null when it was typed. */
    public @Nullable List<List<Point>> strokes() {
        return drawing instanceof Pen pen ? pen.strokes() : null;
    }

    /** The typed name; null when it was drawn. */
    public @Nullable String typedName() {
        return drawing instanceof Typed typed ? typed.text() : null;
    }

    /** Words in a field; null for a signature. */
    public @Nullable String written() {
        return drawing instanceof Written words ? words.text() : null;
    }

    public static Drawing pen(List<List<Point>> strokes) {
        return new Pen(strokes);
    }

    public static Drawing written(String text) {
        return new Written(text);
    }

    public static Drawing typed(String text) {
        return new Typed(text);
    }
}
