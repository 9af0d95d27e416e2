package app.denfold.server.audit;

import app.denfold.server.access.Viewer;
import app.denfold.server.commits.AtCommit;
import app.denfold.server.practice.PracticeCalendar;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import java.util.function.Consumer;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * The trail of who did what. Rows become part of the transaction that did the thing: both are there, or neither. They
 * are written at the very end of it, so that the lock on the end of the chain is held for an instant only.
 */
@Service
public class AuditTrail {

    private static final Duration ONE_VIEW = Duration.ofMinutes(15);

    private final AuditEventRepository events;
    private final TrailKey key;
    private final PracticeCalendar calendar;
    private final AtCommit atCommit;
    private final LastViewStore views;
    private final ObjectProvider<TypesOfDocuments> typesOf;
    private final ApplicationEventPublisher acts;
    private final Consumer<Collection<AuditEntry>> writing = this::write;

    AuditTrail(
            AuditEventRepository events,
            TrailKey key,
            PracticeCalendar calendar,
            AtCommit atCommit,
            LastViewStore views,
            ObjectProvider<TypesOfDocuments> typesOf,
            ApplicationEventPublisher acts) {
        this.acts = acts;
        this.typesOf = typesOf;
        this.events = events;
        this.key = key;
        this.calendar = calendar;
        this.atCommit = atCommit;
        this.views = views;
    }

    @Transactional
    public void record(AuditEntry entry) {
        note(entry);
        acts.publishEvent(new ActRecorded(entry.fileId(), entry.documentId()));
    }

    private void note(AuditEntry entry) {
        // asked now: a document that is about to be destroyed is of no type any more at the end
        AuditEntry typed =
                entry.types() != null ? entry : entry.about(typesOf.getObject().of(entry.documentId()));
        atCommit.add(AtCommit.Step.TRAIL, typed, writing);
    }

    /**
     * Records that a document was viewed, once for the views of one person within a quarter of an hour; pages asked for
     * side by side are one view too.
     */
    @Transactional
    public void lookedAt(Viewer who, UUID fileId, UUID documentId, String name) {
        if (isFirstViewLately(who, documentId)) {
            note(new AuditEntry(who.actor(), "looked", fileId, documentId, "looked at “" + name + "”"));
        }
    }

    /** Records that a whole file was opened, likewise. */
    @Transactional
    public void openedFile(Viewer who, UUID fileId, String name) {
        if (isFirstViewLately(who, fileId)) {
            note(AuditEntry.ofFile(who.actor(), "opened", fileId, "opened the file of " + name));
        }
    }

    private boolean isFirstViewLately(Viewer who, UUID what) {
        Instant now = calendar.now();
        return views.isFirst(who.accountId(), what, now, now.minus(ONE_VIEW));
    }

    private void write(Collection<AuditEntry> entries) {
        events.lockChain();
        AuditEvent last = events.findFirstByOrderBySeqDesc().orElse(null);
        long seq = last == null ? 0 : last.seq();
        String hash = last == null ? AuditEvent.BEGINNING : last.hash();
        Instant now = calendar.now().truncatedTo(ChronoUnit.MILLIS);
        List<AuditEvent> rows = new ArrayList<>();
        for (AuditEntry entry : entries) {
            AuditEvent event = new AuditEvent(++seq, hash, now, entry, key);
            rows.add(event);
            hash = event.hash();
        }
        events.saveAll(rows);
        events.flush();
    }

    /** The newest rows of these files together that the viewer may see, newest first. */
    @Transactional(readOnly = true)
    public List<TrailLine> ofFiles(Viewer viewer, Collection<UUID> fileIds, int most) {
        return events.findByFileIdInOrderBySeqDesc(fileIds, Limit.of(most)).stream()
                .filter(e -> maySee(viewer, e))
                .map(TrailLine::of)
                .toList();
    }

    /** The newest rows of what one account did in these files, as far as the viewer may see them, newest first. */
    @Transactional(readOnly = true)
    public List<TrailLine> ofActor(Viewer viewer, UUID actor, Collection<UUID> fileIds, int most) {
        return events.findByActorIdAndFileIdInOrderBySeqDesc(actor, fileIds, Limit.of(most)).stream()
                .filter(e -> maySee(viewer, e))
                .map(TrailLine::of)
                .toList();
    }

    /** A row that tells of a document of which nothing is known any more is for those who may see everything. */
    private boolean maySee(Viewer viewer, AuditEvent event) {
        if (viewer.hiddenTypes().isEmpty()) {
            return true;
        }
        if (event.types() != null) {
            if (event.types().contains(AuditEntry.UNKNOWN_TYPE)) {
                return viewer.accountId().equals(event.actorId());
            }
            return viewer.maySee(event.types());
        }
        if (event.documentId() == null) {
            return true;
        }
        List<String> types = typesOf.getObject().of(event.documentId());
        return !types.isEmpty() && viewer.maySee(types);
    }

    /** A row and the file it is about. */
    public record FileLine(UUID fileId, TrailLine line) {}

    /** What others did in files since a moment and the viewer may see, newest first; looks left out. */
    @Transactional(readOnly = true)
    public List<FileLine> since(Viewer viewer, Instant moment, int most) {
        return events.findSince(moment, viewer.accountId(), Limit.of(most)).stream()
                .filter(e -> maySee(viewer, e))
                .map(e -> new FileLine(Objects.requireNonNull(e.fileId()), TrailLine.of(e)))
                .toList();
    }
}
