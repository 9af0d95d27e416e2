package app.denfold.server.documents.pages;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.content.Contents;
import app.denfold.server.content.destroying.ContentDestroyed;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.problems.Refusal;
import app.denfold.server.reading.Readings;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * How pages are turned to be read: as recognition set them upright, and on top of that as a reader turned the whole paper.
 */
@Service
public class PaperTurns {

    private final PaperTurnStore turned;
    private final Readings readings;
    private final Contents contents;
    private final AuditTrail trail;

    PaperTurns(PaperTurnStore turned, Readings readings, Contents contents, AuditTrail trail) {
        this.trail = trail;
        this.turned = turned;
        this.readings = readings;
        this.contents = contents;
    }

    @EventListener
    void on(ContentDestroyed event) {
        turned.remove(event.sha256());
    }

    /** For each page degrees clockwise; empty when no page is turned. */
    @Transactional(readOnly = true)
    public List<Integer> of(String sha256) {
        int byHand = turned.of(List.of(sha256)).getOrDefault(sha256, 0);
        Map<Integer, Integer> upright = readings.turns(sha256);
        List<Integer> turns = IntStream.rangeClosed(1, contents.content(sha256).pages())
                .mapToObj(page -> (upright.getOrDefault(page, 0) + byHand) % 360)
                .toList();
        return turns.stream().allMatch(t -> t == 0) ? Collections.emptyList() : turns;
    }

    /** By hash, by how many degrees clockwise readers turned all pages of a paper; those never turned are left out. */
    @Transactional(readOnly = true)
    public Map<String, Integer> byHand(Collection<String> hashes) {
        return turned.of(hashes);
    }

    /** @param degrees clockwise, on top of how it is turned now */
    @Transactional
    public void turn(Viewer viewer, FiledDocument document, int number, String sha256, int degrees) {
        viewer.requireChange();
        if (degrees % 90 != 0 || Math.abs(degrees) > 270) {
            throw Refusal.invalid("degrees", "Pages are turned by quarters.");
        }
        turned.add(sha256, Math.floorMod(degrees, 360));
        trail.record(new AuditEntry(
                viewer.actor(),
                "turned",
                document.fileId(),
                document.id(),
                "turned the pages of “" + document.name() + "”, version " + number + ", by "
                        + Math.floorMod(degrees, 360) + " degrees"));
    }
}
