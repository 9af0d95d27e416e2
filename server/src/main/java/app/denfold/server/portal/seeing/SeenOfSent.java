package app.denfold.server.portal.seeing;

import app.denfold.server.access.Viewer;
import app.denfold.server.arrivals.receiving.Arrivals;
import app.denfold.server.documents.Documents;
import java.util.List;
import org.springframework.stereotype.Component;

/** Whether somebody of the practice may know of what a guest sent. */
@Component
public class SeenOfSent {

    private final Documents documents;

    SeenOfSent(Documents documents) {
        this.documents = documents;
    }

    /** Of what was filed the paper decides, of what was not the type it is proposed as. */
    public boolean maySee(Viewer viewer, Arrivals.Sent sent) {
        if (sent.documentId() != null) {
            return !documents.visible(viewer, List.of(sent.documentId())).isEmpty();
        }
        return sent.suggestedType() == null || viewer.maySee(List.of(sent.suggestedType()));
    }
}
