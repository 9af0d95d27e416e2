package app.denfold.server.leaving;

import app.denfold.server.content.destroying.DestroyContent;
import app.denfold.server.content.destroying.UsesContent;
import app.denfold.server.documents.DocumentEvents;
import app.denfold.server.practice.PracticeCalendar;
import java.time.Duration;
import java.util.List;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Copies keep their bytes for as long as their paper is kept; those that were only looked at, for a day. */
@Component
class CopiesUseContent implements UsesContent {

    private static final Duration LOOKED_AT = Duration.ofDays(1);

    private final LeavingPaperRepository copies;
    private final ObjectProvider<DestroyContent> destroy;
    private final PracticeCalendar calendar;

    CopiesUseContent(LeavingPaperRepository copies, ObjectProvider<DestroyContent> destroy, PracticeCalendar calendar) {
        this.copies = copies;
        this.destroy = destroy;
        this.calendar = calendar;
    }

    @Override
    public boolean uses(String sha256) {
        return copies.existsBySha256(sha256);
    }

    /** Nothing of a destroyed paper stays behind in copies of it. */
    @EventListener
    void on(DocumentEvents.DocumentDestroyed event) {
        remove(copies.findByDocumentId(event.documentId()));
    }

    /** Removes copies that were looked at and not given. */
    @Transactional
    public void sweep() {
        remove(copies.findLeftSince(calendar.now().minus(LOOKED_AT)));
    }

    private void remove(List<LeavingPaper> gone) {
        copies.deleteAll(gone);
        gone.stream().map(LeavingPaper::sha256).distinct().forEach(destroy.getObject()::unlessUsed);
    }
}
