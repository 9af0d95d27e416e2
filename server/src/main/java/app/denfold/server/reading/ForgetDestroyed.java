package app.denfold.server.reading;

import app.denfold.server.content.destroying.ContentDestroyed;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** What was read from bytes goes with them. */
@Component
class ForgetDestroyed {

    private final PaperReadingRepository readings;
    private final ReadPageStore pages;

    ForgetDestroyed(PaperReadingRepository readings, ReadPageStore pages) {
        this.readings = readings;
        this.pages = pages;
    }

    @EventListener
    void on(ContentDestroyed event) {
        // first what is held while a page is kept
        readings.remove(event.sha256());
        pages.remove(event.sha256());
    }
}
