package app.denfold.paper.reading;

import java.util.List;
import java.util.Map;

/**
 * What was found on one page.
 *
 * @param number from 1
 * @param turn by how many degrees clockwise it must be turned to stand upright: 0, 90, 180 or 270
 * @param text in reading order; empty when none could be read
 * @param codes what the codes on it say, each once
 * @param blank whether nothing is on it
 * @param form values of the fields of a fillable PDF that stand on this page, by their names
 * @param boxes where each word of the text stands, words being parted by white space; empty when that is not known
 * @param perceptualHash a difference hash of the upright page, 64 hexadecimal digits; empty when it was not drawn
 */
public record PageFacts(
        int number,
        int turn,
        String text,
        List<WordBox> boxes,
        TextFrom textFrom,
        List<String> codes,
        boolean blank,
        String perceptualHash,
        Map<String, String> form) {

    public PageFacts {
        boxes = boxes == null ? List.of() : List.copyOf(boxes);
        codes = List.copyOf(codes);
        form = form == null ? Map.of() : Map.copyOf(form);
    }

    public PageFacts(
            int number,
            int turn,
            PlacedText text,
            TextFrom textFrom,
            List<String> codes,
            boolean blank,
            String perceptualHash) {
        this(number, turn, text.text(), text.boxes(), textFrom, codes, blank, perceptualHash, Map.of());
    }

    /** The same page with the values that were filled into it, which are words of the page as well. */
    PageFacts filledIn(Map<String, String> values) {
        if (values.isEmpty()) {
            return this;
        }
        StringBuilder words = new StringBuilder(text);
        values.forEach(
                (name, value) -> words.append('\n').append(name).append(": ").append(value));
        List<WordBox> places = PlacedText.filledUp(boxes, words.toString());
        return new PageFacts(
                number, turn, words.toString(), places, TextFrom.LAYER, codes, false, perceptualHash, values);
    }

    /** Where the text comes from. */
    public enum TextFrom {
        /** The file holds it. */
        LAYER,
        /** It was recognised in the picture, and may hold errors. */
        RECOGNISED,
        /** There is none, or none that can be read. */
        NONE
    }

    /** A page of which nothing is told but that it was reached. @param number from 1 */
    public static PageFacts reached(int number) {
        return new PageFacts(number, 0, PlacedText.NONE, TextFrom.NONE, List.of(), false, "");
    }
}
