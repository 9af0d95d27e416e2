package app.denfold.paper;

import java.util.List;

/**
 * What was found on one page.
 *
 * @param number from 1
 * @param turn by how many degrees clockwise it must be turned to stand upright: 0, 90, 180 or 270
 * @param text in reading order; empty when none could be read
 * @param codes what the codes on it say, each once
 * @param blank whether nothing is on it
 * @param look a difference hash of the upright page, 64 hexadecimal digits; empty when it was not drawn
 */
public record PageFacts(
        int number, int turn, String text, TextFrom textFrom, List<String> codes, boolean blank, String look) {

    public PageFacts {
        codes = List.copyOf(codes);
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
}
