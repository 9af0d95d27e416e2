package app.denfold.paper.copies;

import app.denfold.core.marks.PageBox;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What is closed on a page of a copy.
 *
 * @param page from 1
 * @param areas of the page as the file has it, not turned further
 * @param reason written on the cover where there is room
 * @param words known to stand beneath it, which must be nowhere in the copy beside its pages
 */
public record Cover(int page, List<PageBox> areas, @Nullable String reason, List<String> words) {
    public Cover {
        areas = List.copyOf(areas);
        words = List.copyOf(words);
    }
}
