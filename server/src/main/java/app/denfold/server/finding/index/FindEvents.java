package app.denfold.server.finding.index;

import app.denfold.server.catalog.CatalogEvents.RulesChanged;
import app.denfold.server.documents.DocumentEvents.DocumentDestroyed;
import app.denfold.server.documents.DocumentEvents.FileContentChanged;
import app.denfold.server.people.PeopleEvents.PersonChanged;
import app.denfold.server.reading.PaperRead;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Has papers indexed anew, in the transaction that changes what they can be found by. */
@Component
class FindEvents {

    private final FindIndex index;

    FindEvents(FindIndex index) {
        this.index = index;
    }

    @EventListener
    void on(FileContentChanged event) {
        index.queue(event.documentId());
    }

    @EventListener
    void on(DocumentDestroyed event) {
        index.forget(event.documentId());
    }

    @EventListener
    void on(PersonChanged event) {
        index.queueFile(event.fileId());
    }

    @EventListener
    void on(PaperRead event) {
        index.queueContent(event.sha256());
    }

    /** Types may be called otherwise, or ask for other signers or for review now. */
    @EventListener
    void on(RulesChanged event) {
        if (event.found()) {
            index.queueAll();
        }
    }
}
