package app.denfold.server.marks;

import app.denfold.core.marks.PageBox;
import app.denfold.core.marks.WordsToCover;
import app.denfold.paper.reading.WordBox;
import app.denfold.server.content.office.OfficePages;
import app.denfold.server.reading.ReadPage;
import app.denfold.server.reading.Readings;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** The words of stored bytes with their places on the pages as the file has them, on which marks stand as well. */
@Component
public class ReadWords {

    private final Readings readings;
    private final OfficePages office;

    ReadWords(Readings readings, OfficePages office) {
        this.readings = readings;
        this.office = office;
    }

    /** By page, from 1; pages without words, or not read yet, are left out. */
    public Map<Integer, WordsToCover.Page> of(String sha256) {
        Map<Integer, WordsToCover.Page> pages = new HashMap<>();
        for (ReadPage page : readings.pages(shown(sha256))) {
            if (!page.text().isBlank()) {
                pages.put(page.page(), new WordsToCover.Page(page.text(), boxes(page)));
            }
        }
        return pages;
    }

    /** Whether its pages are read; those of an office file are asked for, as nobody may have had them read yet. */
    public boolean isReadOrAsked(String sha256) {
        return readings.ask(shown(sha256));
    }

    /** An office file is marked as it is laid out. */
    private String shown(String sha256) {
        return office.made(sha256).map(c -> c.sha256()).orElse(sha256);
    }

    private static List<PageBox> boxes(ReadPage page) {
        return page.boxes().stream().map(b -> box(b, page.turn())).toList();
    }

    /** Words are placed on the page as recognition set it upright. */
    private static PageBox box(WordBox box, int turn) {
        return new PageBox(box.left(), box.top(), box.width(), box.height()).turned(-turn);
    }
}
