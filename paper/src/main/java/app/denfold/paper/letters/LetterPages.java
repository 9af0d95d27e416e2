package app.denfold.paper.letters;

import app.denfold.core.letters.LetterSheet;
import app.denfold.core.letters.RichText;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;

/**
 * A letter to be laid out.
 *
 * @param content without places
 * @param head of the practice, where the sheet has one
 * @param sheet what stands on each page, without places
 * @param images the pictures in it, in PNG, by their ids
 * @param title what the document is called
 * @param language an IETF tag, such as {@code de-AT}
 */
public record LetterPages(
        List<RichText> content,
        LetterHead head,
        LetterSheet sheet,
        Map<String, Path> images,
        String title,
        String language) {

    /** One without pictures on the usual pages. */
    public LetterPages(List<RichText> content, LetterHead head, String title, String language) {
        this(content, head, LetterSheet.USUAL, Map.of(), title, language);
    }
}
