package app.denfold.core.letters;

import app.denfold.core.rules.Condition;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A part of a model that is shown, locked and left out as a whole.
 *
 * @param id by which corrections know it, the same in all versions of the model
 * @param name what it is about, where the writer chooses whether to have it; null for one that is always there
 * @param locked whether the writer may not change its words
 * @param optional whether the writer may leave it out
 * @param when for whom it is; null for everybody
 */
public record LetterBlock(
        String id,
        @Nullable String name,
        boolean locked,
        boolean optional,
        @Nullable Condition when,
        List<RichText> content) {

    /** @throws IllegalArgumentException with words for whoever wrote it, when it cannot be so */
    public LetterBlock {
        content = content == null ? List.of() : List.copyOf(content);
        if (id == null || id.isBlank() || id.length() > 60) {
            throw new IllegalArgumentException("Each block has an id of up to 60 characters");
        }
        if (optional && (name == null || name.isBlank())) {
            throw new IllegalArgumentException("A block that can be left out needs a name");
        }
        requireWhole(content);
    }

    static void requireWhole(List<RichText> content) {
        for (RichText piece : content) {
            if (!piece.standsAlone()) {
                throw new IllegalArgumentException("A block holds paragraphs, headings, lists, tables and page breaks");
            }
        }
    }
}
