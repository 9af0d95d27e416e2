package app.denfold.server.finding;

import app.denfold.core.finding.FoundWords;
import app.denfold.server.finding.WordsOnPages.PageWords;
import app.denfold.server.finding.WordsOnPages.PlaceAnswer;
import app.denfold.server.problems.Refusal;
import app.denfold.server.reading.ReadPage;
import app.denfold.server.reading.Readings;
import com.github.difflib.DiffUtils;
import com.github.difflib.patch.AbstractDelta;
import com.github.difflib.patch.Chunk;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** In which words two versions of a paper differ, and where those stand. */
@Service
class VersionDifferences {

    /** Longer papers would keep the reader waiting. */
    private static final int MOST_WORDS = 40_000;

    private final Readings readings;

    VersionDifferences(Readings readings) {
        this.readings = readings;
    }

    /**
     * @param before where in the older version words stand that are no more
     * @param after where in the newer one words stand that were not there
     * @param isRead false while pages of one of them are still being read
     */
    public record Differences(int count, List<PageWords> before, List<PageWords> after, boolean isRead) {}

    /** A word with its page and its number on it. */
    private record Written(ReadPage page, int number, String word) {}

    /** @throws Refusal when they are too long to be compared word by word */
    @Transactional(readOnly = true)
    public Differences between(String older, String newer) {
        List<Written> before = words(readings.pages(older));
        List<Written> after = words(readings.pages(newer));
        if (before.size() > MOST_WORDS || after.size() > MOST_WORDS) {
            throw Refusal.conflict(
                    "too-long", "These versions are too long to be compared word by word. Read them side by side.");
        }
        List<AbstractDelta<String>> deltas = DiffUtils.diff(
                        before.stream().map(Written::word).toList(),
                        after.stream().map(Written::word).toList())
                .getDeltas();
        boolean isRead = readings.areRead(List.of(older, newer));
        return new Differences(
                deltas.size(),
                marked(before, deltas, AbstractDelta::getSource),
                marked(after, deltas, AbstractDelta::getTarget),
                isRead);
    }

    private static List<Written> words(List<ReadPage> pages) {
        List<Written> all = new ArrayList<>();
        for (ReadPage page : pages) {
            int number = 0;
            for (String word : FoundWords.words(page.text())) {
                all.add(new Written(page, number++, word));
            }
        }
        return all;
    }

    private static List<PageWords> marked(
            List<Written> words,
            List<AbstractDelta<String>> deltas,
            Function<AbstractDelta<String>, Chunk<String>> side) {
        Map<ReadPage, List<PlaceAnswer>> byPage = new LinkedHashMap<>();
        for (AbstractDelta<String> delta : deltas) {
            Chunk<String> chunk = side.apply(delta);
            int end = chunk.getPosition() + chunk.size();
            int from = chunk.getPosition();
            while (from < end) {
                ReadPage page = words.get(from).page();
                int to = from;
                while (to + 1 < end && words.get(to + 1).page() == page) {
                    to++;
                }
                FoundWords.Place place = new FoundWords.Place(
                        words.get(from).number(), words.get(to).number());
                byPage.computeIfAbsent(page, p -> new ArrayList<>())
                        .add(WordsOnPages.place(place, FoundWords.words(page.text()), page.boxes()));
                from = to + 1;
            }
        }
        return byPage.entrySet().stream()
                .map(e -> new PageWords(e.getKey().page(), e.getKey().turn(), e.getValue()))
                .toList();
    }
}
