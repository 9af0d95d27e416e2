package app.denfold.server.arrivals.filing;

import app.denfold.server.access.Viewer;
import app.denfold.server.arrivals.Arrival;
import app.denfold.server.arrivals.ArrivalRepository;
import app.denfold.server.arrivals.WaitingArrivals;
import app.denfold.server.content.Contents;
import app.denfold.server.documents.paging.RearrangePages;
import app.denfold.server.documents.paging.RearrangePages.LoosePage;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Puts the pages of a waiting paper, such as a scan, into one that is filed; with that it is filed too. */
@Service
public class PutInArrival {

    private final ArrivalRepository arrivals;
    private final WaitingArrivals waiting;
    private final RearrangePages pages;
    private final Contents contents;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;

    PutInArrival(
            ArrivalRepository arrivals,
            WaitingArrivals waiting,
            RearrangePages pages,
            Contents contents,
            PracticeCalendar calendar,
            TransactionTemplate transactions) {
        this.arrivals = arrivals;
        this.waiting = waiting;
        this.pages = pages;
        this.contents = contents;
        this.calendar = calendar;
        this.transactions = transactions;
    }

    /**
     * Into which paper the pages go.
     *
     * @param version number of the one that the viewer looked at, which must be the newest
     * @param after which page they come, from 0 for the first
     */
    public record Into(UUID document, int version, int after) {}

    /**
     * @param version of the arrival that the viewer looked at
     * @return number of the newer version
     * @throws Refusal when one of them changed meanwhile, or pages cannot be copied
     */
    public int putIn(Viewer viewer, UUID id, int version, Into into) {
        viewer.requireChange();
        List<LoosePage> loose =
                Objects.requireNonNull(transactions.execute(t -> loose(waiting.ofVersion(viewer, id, version))));
        if (loose.isEmpty()) {
            throw Refusal.conflict("no-pages", "This paper has no pages that could be put in.");
        }
        return pages.putIn(viewer, into.document(), into.version(), into.after(), loose, () -> {
            Arrival arrival = waiting.ofVersion(viewer, id, version);
            arrival.file(into.document(), viewer.actor(), calendar.now());
            arrivals.save(arrival);
        });
    }

    private List<LoosePage> loose(Arrival arrival) {
        return arrival.pages(contents.content(arrival.sha256()).pages()).stream()
                .map(page -> new LoosePage(page.chosen(), arrival.fileName()))
                .toList();
    }
}
