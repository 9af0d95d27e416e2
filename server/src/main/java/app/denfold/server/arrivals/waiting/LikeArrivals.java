package app.denfold.server.arrivals.waiting;

import app.denfold.core.filing.LikePapers;
import app.denfold.server.access.Viewer;
import app.denfold.server.arrivals.Arrival;
import app.denfold.server.arrivals.ArrivalRepository;
import app.denfold.server.arrivals.WaitingArrivals;
import app.denfold.server.arrivals.proposing.ProposeForArrival;
import app.denfold.server.documents.Documents;
import app.denfold.server.reading.ReadPage;
import app.denfold.server.reading.Readings;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Papers that are the same as an arrival: the same bytes, or the same pages scanned again. */
@Component
class LikeArrivals {

    private final ArrivalRepository arrivals;
    private final WaitingArrivals waiting;
    private final ProposeForArrival proposals;
    private final Readings readings;
    private final Documents documents;

    LikeArrivals(
            ArrivalRepository arrivals,
            WaitingArrivals waiting,
            ProposeForArrival proposals,
            Readings readings,
            Documents documents) {
        this.arrivals = arrivals;
        this.waiting = waiting;
        this.proposals = proposals;
        this.readings = readings;
        this.documents = documents;
    }

    /**
     * Another paper that is the same.
     *
     * @param sameBytes false when it was scanned again
     * @param documentId of the filed one, or null when it waits
     * @param arrivalId of the waiting one, or null when it is filed
     */
    record LikePaper(
            String name,
            boolean sameBytes,
            String words,
            @Nullable UUID documentId,
            @Nullable UUID fileId,
            @Nullable UUID arrivalId) {}

    List<LikePaper> of(Viewer viewer, Arrival arrival) {
        List<LikePaper> like = new ArrayList<>();
        if (!arrival.hasChosenPages()) {
            add(like, viewer, arrival, arrival.sha256(), true);
        }
        List<ReadPage> pages = proposals.read(arrival);
        if (!pages.isEmpty()) {
            List<LikePapers.Page> own = pages.stream().map(ReadPage::asLike).toList();
            Set<String> looksAlike = new LinkedHashSet<>(readings.ofHashNear(
                    pages.get(0).perceptualHash(), pages.get(0).text(), pages.size()));
            pages.forEach(p -> looksAlike.remove(p.sha256()));
            readings.pages(looksAlike).forEach((sha, others) -> {
                if (LikePapers.likeness(
                                own, others.stream().map(ReadPage::asLike).toList())
                        >= LikePapers.SAME) {
                    add(like, viewer, arrival, sha, false);
                }
            });
        }
        return like;
    }

    private void add(List<LikePaper> like, Viewer viewer, Arrival arrival, String sha256, boolean sameBytes) {
        String how = sameBytes ? "the same file" : "the same pages, scanned again";
        documents
                .visibleWith(viewer, sha256)
                .forEach(d -> like.add(
                        new LikePaper(d.name(), sameBytes, how + ", filed already", d.id(), d.fileId(), null)));
        arrivals.findBySha256AndState(sha256, Arrival.State.WAITING).stream()
                .filter(a -> !a.id().equals(arrival.id()) && !a.isPart())
                .filter(waiting.visibleTo(viewer))
                .forEach(a ->
                        like.add(new LikePaper(a.fileName(), sameBytes, how + ", waits as well", null, null, a.id())));
    }
}
