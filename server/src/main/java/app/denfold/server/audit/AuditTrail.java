package app.denfold.server.audit;

import app.denfold.server.access.Viewer;
import app.denfold.server.practice.PracticeCalendar;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/**
 * The trail of who did what. Rows become part of the transaction that did the thing: both are there, or neither. They
 * are written just before the commit, so that the lock on the end of the chain is held for an instant only.
 */
@Service
public class AuditTrail {

    private static final Duration ONE_LOOK = Duration.ofMinutes(15);

    private final AuditEventRepository events;
    private final PracticeCalendar calendar;

    AuditTrail(AuditEventRepository events, PracticeCalendar calendar) {
        this.events = events;
        this.calendar = calendar;
    }

    @Transactional
    public void record(AuditEntry entry) {
        Pending pending = (Pending) TransactionSynchronizationManager.getResource(this);
        if (pending == null) {
            pending = new Pending();
            TransactionSynchronizationManager.bindResource(this, pending);
            TransactionSynchronizationManager.registerSynchronization(pending);
        }
        pending.entries.add(entry);
    }

    /**
     * Records a look at a document, once for the looks of one person within a quarter of an hour; pages asked for side
     * by side are one look too.
     */
    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public void lookedAt(Viewer who, UUID fileId, UUID documentId, String name) {
        // a paper is read in many small requests: only the first of them needs the lock
        if (!lookedLately(who, documentId)) {
            events.lockChain();
            if (!lookedLately(who, documentId)) {
                record(new AuditEntry(who.actor(), "looked", fileId, documentId, "looked at “" + name + "”"));
            }
        }
    }

    private boolean lookedLately(Viewer who, UUID documentId) {
        Instant since = calendar.now().minus(ONE_LOOK);
        return events.existsByDocumentIdAndActorIdAndActionAndAtAfter(documentId, who.accountId(), "looked", since);
    }

    /** Records a look at a whole file, likewise. */
    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public void openedFile(Viewer who, UUID fileId, String name) {
        events.lockChain();
        Instant since = calendar.now().minus(ONE_LOOK);
        if (!events.existsByFileIdAndDocumentIdIsNullAndActorIdAndActionAndAtAfter(
                fileId, who.accountId(), "opened", since)) {
            record(AuditEntry.ofFile(who.actor(), "opened", fileId, "opened the file of " + name));
        }
    }

    /** The newest rows of these files together, newest first. */
    @Transactional(readOnly = true)
    public List<TrailLine> ofFiles(Collection<UUID> fileIds, int most) {
        return events.findByFileIdInOrderBySeqDesc(fileIds, Limit.of(most)).stream()
                .map(TrailLine::of)
                .toList();
    }

    /** A row and the file it is about. */
    public record FileLine(UUID fileId, TrailLine line) {}

    /** What others did in files since a moment, newest first; looks left out. */
    @Transactional(readOnly = true)
    public List<FileLine> since(Instant moment, UUID exceptAccount, int most) {
        return events.findSince(moment, exceptAccount, Limit.of(most)).stream()
                .map(e -> new FileLine(e.fileId(), TrailLine.of(e)))
                .toList();
    }

    private final class Pending implements TransactionSynchronization {
        private final List<AuditEntry> entries = new ArrayList<>();

        @Override
        public void beforeCommit(boolean readOnly) {
            events.lockChain();
            AuditEvent last = events.findFirstByOrderBySeqDesc().orElse(null);
            long seq = last == null ? 0 : last.seq();
            String hash = last == null ? AuditEvent.BEGINNING : last.hash();
            Instant now = calendar.now().truncatedTo(ChronoUnit.MILLIS);
            for (AuditEntry entry : entries) {
                AuditEvent event = events.save(new AuditEvent(++seq, hash, now, entry));
                hash = event.hash();
            }
        }

        @Override
        public void suspend() {
            TransactionSynchronizationManager.unbindResource(AuditTrail.this);
        }

        @Override
        public void resume() {
            TransactionSynchronizationManager.bindResource(AuditTrail.this, this);
        }

        @Override
        public void afterCompletion(int status) {
            TransactionSynchronizationManager.unbindResourceIfPossible(AuditTrail.this);
        }
    }
}
