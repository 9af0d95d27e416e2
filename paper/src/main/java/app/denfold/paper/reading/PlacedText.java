package app.denfold.paper.reading;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Words in reading order with their places.
 *
 * @param boxes one for each word of the text as white space parts it
 * @param confidence how sure recognition is of these words on average, from 0 to 100; null where they were not recognised
 */
public record PlacedText(
        String text, List<WordBox> boxes, @Nullable Integer confidence) {

    public static final PlacedText NONE = new PlacedText("", List.of());

    /** Words that the file holds. */
    public PlacedText(String text, List<WordBox> boxes) {
        this(text, boxes, null);
    }

    /** @throws IllegalArgumentException when words and boxes do not answer each other */
    public PlacedText {
        boxes = List.copyOf(boxes);
        if (words(text) != boxes.size()) {
            throw new IllegalArgumentException(words(text) + " words in " + boxes.size() + " places");
        }
    }

    /** How many words white space parts the text into. */
    static int words(String text) {
        String line = text.strip();
        return line.isEmpty() ? 0 : line.split("\\s+").length;
    }

    /** The same with words at the end that stand nowhere on the page. */
    public static List<WordBox> filledUp(List<WordBox> boxes, String text) {
        List<WordBox> all = new ArrayList<>(boxes);
        all.addAll(Collections.nCopies(Math.max(0, words(text) - boxes.size()), WordBox.NOWHERE));
        return all;
    }
}
