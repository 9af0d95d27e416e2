package app.denfold.paper.sealing;

import java.util.List;

/**
 * How a paper was signed.
 *
 * @param lines of the last page: headings, which begin with {@code # }, and lines, in order
 * @param json the same for programs, attached to the copy
 */
public record Evidence(List<String> lines, String json) {

    /** Name of the attached file. */
    public static final String FILE = "how-it-was-signed.json";

    public Evidence {
        lines = List.copyOf(lines);
    }
}
