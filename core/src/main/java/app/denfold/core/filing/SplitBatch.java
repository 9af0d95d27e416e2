package app.denfold.core.filing;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Where one document of a stack ends and the next begins. */
public final class SplitBatch {

    private static final Pattern COUNT = Pattern.compile(
            "\\b(?:page|seite|sheet)\\s+(\\d{1,3})\\s*(?:of|von|/)\\s*(\\d{1,3})\\b", Pattern.CASE_INSENSITIVE);

    private SplitBatch() {}

    /**
     * Which signs are heeded.
     *
     * @param coverSheets a page with a cover sheet's code begins a document and is not part of it
     * @param separators a page whose code says {@link #SEPARATOR} ends a document and is not part of any
     * @param blankPages an empty page ends a document and is not part of any
     * @param pageCounts a page that says “page 1 of …” begins a document
     * @param everyPages a document ends after so many pages; 0 for never
     * @param dropBlank empty pages that end nothing are left out
     */
    public record Rules(
            boolean coverSheets,
            boolean separators,
            boolean blankPages,
            boolean pageCounts,
            int everyPages,
            boolean dropBlank) {

        public Rules {
            if (everyPages < 0 || everyPages > 1_000) {
                throw new IllegalArgumentException("A document has from 1 to 1000 pages, not " + everyPages);
            }
        }

        /** Cover sheets and separators: signs that nobody makes by accident. */
        public static Rules sure() {
            return new Rules(true, true, false, false, 0, false);
        }
    }

    /** What the code of a patterned separator sheet says. */
    public static final String SEPARATOR = "denfold:next";

    /**
     * One document of the stack.
     *
     * @param pages numbers of its pages, from 1, in their order
     * @param cover what the cover sheet before it said, or what an earlier one said of the person; null without any
     * @param reason why it begins where it does
     */
    public record Part(List<Integer> pages, @Nullable CoverCode cover, String reason) {}

    /** @param leftOut pages that are in no part: cover sheets, separators, empty pages */
    public record Split(List<Part> parts, List<Integer> leftOut) {}

    /** Every page is in one part, or left out. Without any sign there is one part with all pages. */
    public static Split split(List<Clues.PageClues> pages, Rules rules) {
        List<Part> parts = new ArrayList<>();
        List<Integer> leftOut = new ArrayList<>();
        Open open = new Open(null, "the first page of the stack");
        String person = null;
        for (Clues.PageClues page : pages) {
            Optional<CoverCode> cover = rules.coverSheets
                    ? page.codes().stream()
                            .flatMap(c -> CoverCode.read(c).stream())
                            .findFirst()
                    : Optional.empty();
            if (cover.isPresent()) {
                open.closeInto(parts);
                leftOut.add(page.number());
                // a person's number given once holds for all his papers of the stack
                person = cover.get().fileNumber() != null ? cover.get().fileNumber() : person;
                open = new Open(
                        new CoverCode(person, cover.get().type()), "cover sheet for " + words(person, cover.get()));
            } else if (rules.separators
                    && page.codes().stream().anyMatch(c -> c.strip().equals(SEPARATOR))) {
                open = next(open, parts, person, "a separator sheet before it");
                leftOut.add(page.number());
            } else if (rules.blankPages && page.blank()) {
                open = next(open, parts, person, "an empty page before it");
                leftOut.add(page.number());
            } else if (rules.dropBlank && page.blank()) {
                leftOut.add(page.number());
            } else {
                Optional<String> begins = begins(page, open, rules);
                if (begins.isPresent() && !open.pages.isEmpty()) {
                    open = next(open, parts, person, begins.get());
                }
                open.pages.add(page.number());
            }
        }
        open.closeInto(parts);
        return new Split(List.copyOf(parts), List.copyOf(leftOut));
    }

    private static Optional<String> begins(Clues.PageClues page, Open open, Rules rules) {
        if (rules.pageCounts) {
            Matcher count = COUNT.matcher(page.text());
            if (count.find() && Integer.parseInt(count.group(1)) == 1) {
                return Optional.of("“" + count.group() + "” on page " + page.number());
            }
        }
        return rules.everyPages > 0 && open.pages.size() >= rules.everyPages
                ? Optional.of("every " + rules.everyPages + (rules.everyPages == 1 ? " page" : " pages"))
                : Optional.empty();
    }

    private static Open next(Open open, List<Part> parts, @Nullable String person, String reason) {
        open.closeInto(parts);
        return new Open(person == null ? null : new CoverCode(person, null), reason);
    }

    private static String words(@Nullable String person, CoverCode cover) {
        String whose = person == null ? "" : person;
        String type = cover.type() == null ? "" : cover.type().replace('-', ' ');
        return whose + (whose.isEmpty() || type.isEmpty() ? "" : ", ") + type;
    }

    private static final class Open {
        private final @Nullable CoverCode cover;
        private final String reason;
        private final List<Integer> pages = new ArrayList<>();

        Open(@Nullable CoverCode cover, String reason) {
            this.cover = cover;
            this.reason = reason;
        }

        void closeInto(List<Part> parts) {
            if (!pages.isEmpty()) {
                parts.add(new Part(List.copyOf(pages), cover, reason));
            }
        }
    }
}
