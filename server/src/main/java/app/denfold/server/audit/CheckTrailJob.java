package app.denfold.server.audit;

import app.denfold.server.practice.PracticeCalendar;
import jakarta.annotation.Nullable;
import jakarta.annotation.PreDestroy;
import java.util.Iterator;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Walks the whole chain and finds the first gap, edit or cut. */
@Service
public class CheckTrailJob {

    private static final Logger LOG = LoggerFactory.getLogger(CheckTrailJob.class);

    private final AuditEventRepository events;
    private final TrailKey key;
    private final TrailHeads heads;
    private final PracticeCalendar calendar;

    CheckTrailJob(AuditEventRepository events, TrailKey key, TrailHeads heads, PracticeCalendar calendar) {
        this.events = events;
        this.key = key;
        this.heads = heads;
        this.calendar = calendar;
    }

    /**
     * @param rows how many rows were looked at
     * @param brokenAt number of the first row that does not fit, or is no longer there; null when all do
     */
    public record ChainCheck(long rows, @Nullable Long brokenAt) {}

    @Transactional(readOnly = true)
    public ChainCheck run() {
        Iterator<TrailHeads.Head> noted = heads.all().iterator();
        TrailHeads.Head next = noted.hasNext() ? noted.next() : null;
        boolean keyed = false;
        try (Stream<AuditEvent> all = events.streamAll()) {
            String hash = AuditEvent.BEGINNING;
            long rows = 0;
            for (Iterator<AuditEvent> i = all.iterator(); i.hasNext(); ) {
                AuditEvent event = i.next();
                rows++;
                boolean fits = event.seq() == rows
                        && event.previousHash().equals(hash)
                        && event.computeHash(key).equals(event.hash())
                        && (event.isKeyed() || !keyed);
                while (next != null && next.seq() == event.seq()) {
                    fits &= next.hash().equals(event.hash());
                    next = noted.hasNext() ? noted.next() : null;
                }
                if (!fits) {
                    return new ChainCheck(rows, event.seq());
                }
                keyed |= event.isKeyed();
                hash = event.hash();
            }
            return new ChainCheck(rows, next == null ? null : rows + 1);
        }
    }

    /** Notes where the trail stands now in the second place; a check point. */
    @Scheduled(fixedDelayString = "${denfold.trail-check-point:PT5M}", initialDelayString = "PT30S")
    @Transactional(readOnly = true)
    public void noteHead() {
        events.findFirstByOrderBySeqDesc().ifPresent(last -> heads.note(last.seq(), last.hash(), calendar.now()));
    }

    @PreDestroy
    void noteLastHead() {
        try {
            noteHead();
        } catch (RuntimeException away) {
            LOG.warn("Where the trail ends was not noted at the stop: {}", away.getMessage());
        }
    }
}
