package app.denfold.paper.reading;

import app.denfold.paper.codes.PageCodes;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

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
 * @param codeKinds of which kind each of the codes is, in their order, such as {@code qr-code}
 * @param confidence how sure recognition is of the text on average, from 0 to 100; null where it was not recognised
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
        Map<String, String> form,
        List<String> codeKinds,
        @Nullable Integer confidence) {

    public PageFacts {
        codeKinds = codeKinds == null ? List.of() : List.copyOf(codeKinds);
        boxes = boxes == null ? List.of() : List.copyOf(boxes);
        codes = List.copyOf(codes);
        form = form == null ? Map.of() : Map.copyOf(form);
    }

    public PageFacts(
            int number,
            int turn,
            PlacedText text,
            TextFrom textFrom,
            List<PageCodes.Code> codes,
            boolean blank,
            String perceptualHash) {
        this(
                number,
                turn,
                text.text(),
                text.boxes(),
                textFrom,
                codes.stream().map(PageCodes.Code::value).toList(),
                blank,
                perceptualHash,
                Map.of(),
                codes.stream().map(PageCodes.Code::kind).toList(),
                text.confidence());
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
                number,
                turn,
                words.toString(),
                places,
                TextFrom.LAYER,
                codes,
                false,
                perceptualHash,
                values,
                codeKinds,
                confidence);
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
