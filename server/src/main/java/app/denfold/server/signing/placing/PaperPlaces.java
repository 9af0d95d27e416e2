package app.denfold.server.signing.placing;

import app.denfold.paper.Format;
import app.denfold.paper.places.WritingPlace;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.server.commits.OutsideTransactions;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import java.io.IOException;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Component;

/** Fields of forms and drawn lines on papers that are about to be signed; found in a worker, and kept for a while. */
@Component
public class PaperPlaces {

    private static final Logger LOG = LoggerFactory.getLogger(PaperPlaces.class);
    private static final int MOST_KEPT = 500;

    private final Contents contents;
    private final PaperWorkers workers;

    private final Map<String, List<WritingPlace>> kept = Collections.synchronizedMap(new Kept());

    /** The papers that were looked for last. */
    private static final class Kept extends LinkedHashMap<String, List<WritingPlace>> {
        Kept() {
            super(64, 0.75f, true);
        }

        @Override
        protected boolean removeEldestEntry(Map.Entry<String, List<WritingPlace>> eldest) {
            return size() > MOST_KEPT;
        }
    }

    PaperPlaces(Contents contents, @Qualifier("quickWorkers") PaperWorkers workers) {
        this.contents = contents;
        this.workers = workers;
    }

    /** Looks for them, which takes a moment; a paper on which none can be found is as one without any. */
    public void lookAt(Content paper) {
        OutsideTransactions.require("looking for places on a paper");
        if (paper.pages() == 0 || kept.get(paper.sha256()) != null) {
            return;
        }
        try {
            kept.put(
                    paper.sha256(),
                    workers.places(
                            contents.file(paper),
                            Format.ofMediaType(paper.mediaType()).orElseThrow(),
                            paper.pages()));
        } catch (IOException unreadable) {
            LOG.info("No places to sign were found on {}: {}", paper.sha256(), unreadable.getMessage());
        }
    }

    /** Those found before; none where nobody has looked yet. */
    List<WritingPlace> of(String sha256) {
        List<WritingPlace> found = kept.get(sha256);
        return found == null ? List.of() : found;
    }
}
