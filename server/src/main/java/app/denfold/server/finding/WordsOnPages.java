package app.denfold.server.finding;

import app.denfold.core.finding.FoundWords;
import app.denfold.core.finding.WantedWords;
import app.denfold.paper.reading.WordBox;
import app.denfold.server.reading.ReadPage;
import app.denfold.server.reading.Readings;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Where on the pages of papers the wanted words stand. */
@Service
class WordsOnPages {

    /** Letters before and after a found word in an excerpt, in words. */
    private static final int WORDS_AROUND = 9;

    private final Readings readings;
    private final WordQueries words;
    private final WordStore store;

    WordsOnPages(Readings readings, WordQueries words, WordStore store) {
        this.readings = readings;
        this.words = words;
        this.store = store;
    }

    /**
     * One place.
     *
     * @param first number of its first word on the page, from 0; words are parted by white space
     * @param last number of its last word, inclusive
     * @param boxes of its words as left, top, width and height in ten-thousandths of the upright page; empty where they
     *     are not known
     */
    public record PlaceAnswer(String text, int first, int last, List<List<Integer>> boxes) {}

    /** @param turn by how many degrees clockwise the page must be turned to stand upright */
    public record PageWords(int page, int turn, List<PlaceAnswer> places) {}

    /**
     * @param pages those that hold wanted words
     * @param unreadable numbers of the pages on which something stands that cannot be read
     * @param isRead false while its pages are still being read
     */
    public record PaperWords(int places, List<PageWords> pages, List<Integer> unreadable, boolean isRead) {}

    /** @throws app.denfold.server.problems.Refusal when words are wanted and all of them are too common */
    @Transactional(readOnly = true)
    public PaperWords in(String sha256, WantedWords wanted) {
        List<ReadPage> pages = readings.pages(sha256);
        boolean isRead = readings.areRead(List.of(sha256));
        return in(pages, matching(pages, words.of(wanted).asked()), isRead);
    }

    /** The same for several papers at once, by their hashes; those that hold none of the words are left out. */
    @Transactional(readOnly = true)
    public Map<String, PaperWords> in(Collection<String> hashes, WantedWords wanted) {
        Map<String, List<ReadPage>> papers = readings.pages(hashes);
        FoundWords.Matching matching = matching(
                papers.values().stream().flatMap(List::stream).toList(),
                words.of(wanted).asked());
        Map<String, PaperWords> found = new HashMap<>();
        papers.forEach((sha256, pages) -> {
            PaperWords paper = in(pages, matching, true);
            if (paper.places() > 0) {
                found.put(sha256, paper);
            }
        });
        return found;
    }

    private static PaperWords in(List<ReadPage> pages, FoundWords.Matching matching, boolean isRead) {
        List<PageWords> found = new ArrayList<>();
        List<Integer> unreadable = new ArrayList<>();
        int count = 0;
        for (ReadPage page : pages) {
            if (page.text().isEmpty() && !page.blank()) {
                unreadable.add(page.page());
            }
            List<String> written = FoundWords.words(page.text());
            List<PlaceAnswer> places = FoundWords.in(written, matching).stream()
                    .map(p -> place(p, written, page.boxes()))
                    .toList();
            if (!places.isEmpty()) {
                found.add(new PageWords(page.page(), page.turn(), places));
                count += places.size();
            }
        }
        return new PaperWords(count, found, unreadable, isRead);
    }

    static PlaceAnswer place(FoundWords.Place at, List<String> written, List<WordBox> boxes) {
        List<List<Integer>> seen = new ArrayList<>();
        if (boxes.size() == written.size()) {
            for (WordBox box : boxes.subList(at.first(), at.last() + 1)) {
                if (box.width() > 0) {
                    seen.add(List.of(box.left(), box.top(), box.width(), box.height()));
                }
            }
        }
        return new PlaceAnswer(
                String.join(" ", written.subList(at.first(), at.last() + 1)), at.first(), at.last(), seen);
    }

    /** A few words around the first place in a paper. @param before as written before it */
    public record WordsAround(String sha256, int page, int places, String before, String text, String after) {}

    /** For each paper that holds them, the first place. */
    @Transactional(readOnly = true)
    public List<WordsAround> around(Collection<String> hashes, WantedWords wanted) {
        Map<String, List<ReadPage>> papers = readings.pages(hashes);
        List<ReadPage> all = papers.values().stream().flatMap(List::stream).toList();
        FoundWords.Matching matching = matching(all, words.of(wanted).asked());
        List<WordsAround> result = new ArrayList<>();
        papers.forEach((sha256, pages) -> {
            WordsAround first = null;
            int places = 0;
            for (ReadPage page : pages) {
                List<String> written = FoundWords.words(page.text());
                List<FoundWords.Place> found = FoundWords.in(written, matching);
                places += found.size();
                if (first == null && !found.isEmpty()) {
                    first = around(sha256, page.page(), written, found.get(0));
                }
            }
            if (first != null) {
                result.add(new WordsAround(sha256, first.page(), places, first.before(), first.text(), first.after()));
            }
        });
        return result;
    }

    private static WordsAround around(String sha256, int page, List<String> written, FoundWords.Place at) {
        int from = Math.max(0, at.first() - WORDS_AROUND);
        int to = Math.min(written.size(), at.last() + 1 + WORDS_AROUND);
        return new WordsAround(
                sha256,
                page,
                1,
                String.join(" ", written.subList(from, at.first())),
                String.join(" ", written.subList(at.first(), at.last() + 1)),
                String.join(" ", written.subList(at.last() + 1, to)));
    }

    private FoundWords.Matching matching(List<ReadPage> pages, WantedWords asked) {
        Set<String> written = new LinkedHashSet<>();
        pages.forEach(p -> written.addAll(FoundWords.words(p.text())));
        if (written.isEmpty() || asked.isEmpty()) {
            return new FoundWords.Matching(Set.of(), List.of());
        }
        Set<String> single = new HashSet<>();
        List<String> phrases = new ArrayList<>(asked.exact());
        List<String> anyForm = new ArrayList<>(asked.all());
        asked.any().forEach(group -> group.forEach(w -> (w.contains(" ") ? phrases : anyForm).add(w)));
        for (String word : anyForm) {
            single.addAll(store.formsOf(word, written));
        }
        List<List<Set<String>>> parts = new ArrayList<>();
        for (String phrase : phrases) {
            parts.add(FoundWords.words(phrase).stream()
                    .map(w -> store.same(w, written))
                    .toList());
        }
        return new FoundWords.Matching(single, parts);
    }
}
