package app.denfold.server.reading;

import app.denfold.paper.reading.PageFacts;
import app.denfold.server.practice.PracticeCalendar;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is written on papers: asked for when they come in, read by a job, kept page by page. */
@Service
public class Readings {

    private final PaperReadingRepository readings;
    private final ReadPageStore pages;
    private final PracticeCalendar calendar;

    Readings(PaperReadingRepository readings, ReadPageStore pages, PracticeCalendar calendar) {
        this.readings = readings;
        this.pages = pages;
        this.calendar = calendar;
    }

    /** Whether bytes still wait to be read, and what came of it. */
    public enum State {
        QUEUED,
        READ,
        FAILED
    }

    /**
     * How far the reading is.
     *
     * @param reason why it failed, in words
     */
    public record Progress(
            State state, int pagesRead, @Nullable String reason) {
        public boolean isOver() {
            return state != State.QUEUED;
        }
    }

    /**
     * Has the paper read unless it was, or is about to be; one that could not be read is tried again. Takes part in the
     * running transaction.
     *
     * @return whether it is read already
     */
    @Transactional
    public boolean ask(String sha256) {
        PaperReading known = readings.findById(sha256).orElse(null);
        if (known != null) {
            known.hurry();
            if (known.state() == State.FAILED) {
                known.tryAgain();
            }
            return known.state() != State.QUEUED;
        }
        readings.save(new PaperReading(sha256, false, calendar.now()));
        return false;
    }

    /** The same for a paper that lies in a file already: those that arrive are read first. */
    @Transactional
    public void askLater(String sha256) {
        if (!readings.existsById(sha256)) {
            readings.save(new PaperReading(sha256, true, calendar.now()));
        }
    }

    /** By hash; papers that nobody had read are left out. */
    @Transactional(readOnly = true)
    public Map<String, Progress> progress(Collection<String> hashes) {
        Map<String, Progress> result = new HashMap<>();
        readings.findBySha256In(hashes)
                .forEach(r -> result.put(r.getId(), new Progress(r.state(), r.pagesRead(), r.reason())));
        return result;
    }

    /** True once all of these papers were read, or could not be; one that nobody asked for yet is not. */
    @Transactional(readOnly = true)
    public boolean areRead(Collection<String> hashes) {
        Map<String, Progress> known = progress(hashes);
        return known.keySet().containsAll(hashes) && known.values().stream().allMatch(Progress::isOver);
    }

    /** The pages read so far, in order. */
    @Transactional(readOnly = true)
    public List<ReadPage> pages(String sha256) {
        return pages.of(sha256);
    }

    /** By page, by how many degrees clockwise recognition turned it to stand upright; those it did not turn are left out. */
    @Transactional(readOnly = true)
    public Map<Integer, Integer> turns(String sha256) {
        return pages.turns(sha256);
    }

    /** The pages read so far of several papers. */
    @Transactional(readOnly = true)
    public Map<String, List<ReadPage>> pages(Collection<String> hashes) {
        Map<String, List<ReadPage>> result = new HashMap<>();
        pages.of(hashes).forEach(p -> result.computeIfAbsent(p.sha256(), h -> new ArrayList<>())
                .add(p));
        return result;
    }

    /** Notes what is on the pages of a copy that was made of pages read before, so that it need not be read again. */
    @Transactional
    public void remember(String copy, List<ReadPage> from) {
        if (readings.existsById(copy)) {
            return;
        }
        keep(copy, from);
    }

    /** Notes what is on the pages of a paper that the product made itself. */
    @Transactional
    public void note(String sha256, List<PageFacts> pagesOfIt) {
        if (!readings.existsById(sha256)) {
            keep(sha256, pagesOfIt.stream().map(p -> ReadPage.of(sha256, p)).toList());
        }
    }

    private void keep(String copy, List<ReadPage> from) {
        List<ReadPage> numbered = new ArrayList<>();
        for (ReadPage page : from) {
            numbered.add(new ReadPage(
                    copy,
                    numbered.size() + 1,
                    0,
                    page.text(),
                    page.boxes(),
                    page.textFrom(),
                    page.codes(),
                    page.blank(),
                    page.perceptualHash(),
                    page.form()));
        }
        PaperReading reading = new PaperReading(copy, true, calendar.now());
        reading.reached(numbered.size());
        reading.end(calendar.now());
        readings.save(reading);
        pages.add(numbered);
    }

    /** Hashes of papers with so many pages whose first page looks much like this one. */
    @Transactional(readOnly = true)
    public List<String> ofHashNear(String perceptualHash, String text, int count) {
        return perceptualHash.isEmpty() ? List.of() : pages.ofHashNear(perceptualHash, text, count);
    }
}
