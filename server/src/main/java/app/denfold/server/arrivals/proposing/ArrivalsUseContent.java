package app.denfold.server.arrivals.proposing;

import app.denfold.server.content.destroying.DestroyContent;
import app.denfold.server.content.destroying.UsesContent;
import app.denfold.server.documents.DocumentEvents.DocumentDestroyed;
import java.util.List;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * What waits, is set aside or can be brought back needs its bytes, and so does a stack as long as one of its papers does.
 */
@Component
class ArrivalsUseContent implements UsesContent {

    private final ArrivalContentStore arrivals;
    private final DestroyContent destroy;
    private final LearnedTypeStore learning;

    ArrivalsUseContent(ArrivalContentStore arrivals, DestroyContent destroy, LearnedTypeStore learning) {
        this.arrivals = arrivals;
        this.learning = learning;
        this.destroy = destroy;
    }

    @Override
    public boolean uses(String sha256) {
        return arrivals.isNeeded(sha256);
    }

    /** A destroyed paper takes along what came in for it, and the stack it came in once nothing else of that is left. */
    @EventListener
    void on(DocumentDestroyed event) {
        List<String> sources = arrivals.sourcesOf(event.documentId());
        arrivals.forget(event.documentId());
        learning.forget(event.documentId());
        sources.forEach(destroy::unlessUsed);
    }
}
