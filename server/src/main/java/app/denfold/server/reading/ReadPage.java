package app.denfold.server.reading;

import app.denfold.core.filing.Clues;
import app.denfold.core.filing.LikePapers;
import app.denfold.paper.reading.PageFacts;
import app.denfold.paper.reading.WordBox;
import java.util.List;
import java.util.Map;

/** What was read on one page of some stored bytes. @param turn clockwise, to set it upright @param form what was filled in */
public record ReadPage(
        String sha256,
        int page,
        int turn,
        String text,
        List<WordBox> boxes,
        PageFacts.TextFrom textFrom,
        List<String> codes,
        boolean blank,
        String perceptualHash,
        Map<String, String> form) {

    static ReadPage of(String sha256, PageFacts facts) {
        return new ReadPage(
                sha256,
                facts.number(),
                facts.turn(),
                facts.text(),
                facts.boxes(),
                facts.textFrom(),
                facts.codes(),
                facts.blank(),
                facts.perceptualHash(),
                facts.form());
    }

    /** @param number its place in the paper it is now part of, from 1 */
    public Clues.PageClues asClues(int number) {
        return new Clues.PageClues(number, text, codes, blank);
    }

    public LikePapers.Page asLike() {
        return new LikePapers.Page(perceptualHash, text);
    }
}
