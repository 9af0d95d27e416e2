package app.denfold.server.demo;

import app.denfold.paper.reading.PageFacts;
import app.denfold.paper.reading.ReadPages;
import app.denfold.server.content.Contents;
import app.denfold.server.reading.Readings;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Collections;
import java.util.List;
import org.springframework.stereotype.Component;

/** Keeps the demo's PDFs, and notes what is written on them, so that only scans have to be read. */
@Component
class DemoStore {

    private final Contents contents;
    private final Readings readings;

    DemoStore(Contents contents, Readings readings) {
        this.contents = contents;
        this.readings = readings;
    }

    /** @param text its lines; a line of three dashes begins another page @return its hash */
    String keep(byte[] bytes, List<String> text) {
        String sha256 = contents.keepPdf(bytes, 1 + Collections.frequency(text, "---"));
        List<PageFacts> pages = written(bytes);
        // scans hold no words; they are read when everything else is
        if (pages.stream().noneMatch(p -> p.text().isEmpty())) {
            readings.note(sha256, pages);
        }
        return sha256;
    }

    private static List<PageFacts> written(byte[] pdf) {
        try {
            return ReadPages.written(pdf);
        } catch (IOException broken) {
            throw new UncheckedIOException(broken);
        }
    }
}
