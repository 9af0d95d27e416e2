package app.denfold.server.numbering;

import app.denfold.server.content.destroying.DestroyContent;
import app.denfold.server.content.destroying.UsesContent;
import app.denfold.server.documents.DocumentEvents;
import java.util.ArrayList;
import java.util.List;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Numbered copies are kept for as long as their paper is; the register keeps its numbers for good. */
@Component
class NumbersUseContent implements UsesContent {

    private final NumberedPaperRepository papers;
    private final ObjectProvider<DestroyContent> destroy;

    NumbersUseContent(NumberedPaperRepository papers, ObjectProvider<DestroyContent> destroy) {
        this.papers = papers;
        this.destroy = destroy;
    }

    @Override
    public boolean uses(String sha256) {
        return papers.existsByCopySha256(sha256);
    }

    @EventListener
    void on(DocumentEvents.DocumentDestroyed event) {
        List<String> gone = new ArrayList<>();
        for (NumberedPaper paper : papers.findByDocumentId(event.documentId())) {
            String copy = paper.destroyed();
            papers.save(paper);
            if (copy != null) {
                gone.add(copy);
            }
        }
        gone.forEach(destroy.getObject()::unlessUsed);
    }
}
