package app.denfold.core.filing;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What a paper itself and the way it came tell, before anybody looked at it.
 *
 * @param pages in their order
 * @param sender address it was sent from, or null
 * @param openFile id of the file it was given to or that was open where it was scanned, or null
 */
public record Clues(
        List<PageClues> pages,
        @Nullable String sender,
        @Nullable String openFile) {

    public Clues {
        pages = List.copyOf(pages);
    }

    /**
     * One page.
     *
     * @param number from 1; 0 for the cover sheet that lay before the paper and is no part of it
     * @param text as read; empty when none could be
     * @param codes what the codes on it say, each once
     * @param blank whether nothing is on it
     */
    public record PageClues(int number, String text, List<String> codes, boolean blank) {

        public PageClues {
            codes = List.copyOf(codes);
        }

        public static PageClues of(int number, String text) {
            return new PageClues(number, text, List.of(), text.isBlank());
        }
    }

    /** All text, pages separated by an empty line. */
    public String text() {
        return String.join("\n\n", pages.stream().map(PageClues::text).toList());
    }

    /** The first code of a cover sheet or of a practice's own form, with its page. */
    Optional<Coded> firstCoverCode() {
        return pages.stream()
                .flatMap(p -> p.codes().stream()
                        .flatMap(c -> CoverCode.read(c).stream())
                        .map(code -> new Coded(code, p.number())))
                .findFirst();
    }

    /** @param page from 1; 0 for the cover sheet that lay before the paper and is no part of it */
    record Coded(CoverCode code, int page) {
        String where() {
            return page == 0 ? "on the cover sheet" : "in the code on page " + page;
        }
    }
}
