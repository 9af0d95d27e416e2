package app.denfold.server.chasing;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.people.Files;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Messages on their way out. They are sent after the transaction that queued them, and survive a restart. */
@Service
public class Outbox {

    private static final int MOST = 200;

    private final NoticeRepository notices;
    private final Files files;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;
    private final ApplicationEventPublisher events;

    Outbox(
            NoticeRepository notices,
            Files files,
            AuditTrail trail,
            PracticeCalendar calendar,
            ApplicationEventPublisher events) {
        this.notices = notices;
        this.files = files;
        this.trail = trail;
        this.calendar = calendar;
        this.events = events;
    }

    @Transactional
    public void queue(Viewer by, Message message) {
        Notice notice = notices.save(new Notice(message, by.name(), calendar.today(), calendar.now()));
        trail.record(AuditEntry.ofFile(
                by.actor(),
                message.isAmongColleagues() ? "colleague-told" : "notice-queued",
                message.fileId(),
                "wrote to " + message.recipient() + ": “" + message.subject() + "”"));
        events.publishEvent(new NoticeQueued(notice.id()));
    }

    /** What people see of a message. @param body with the secrets of links removed */
    public record NoticeAnswer(
            UUID id,
            @Nullable UUID fileId,
            String purpose,
            String recipient,
            String subject,
            String body,
            String by,
            Instant queuedAt,
            String state,
            @Nullable Instant finishedAt,
            @Nullable String result) {}

    Optional<Notice> todays(UUID fileId, String purpose) {
        return notices.findFirstByFileIdAndPurposeAndQueuedOnOrderByQueuedAtDesc(fileId, purpose, calendar.today());
    }

    /** Newest first. @throws Refusal when the viewer may not see the file */
    @Transactional(readOnly = true)
    public List<NoticeAnswer> ofFile(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        return notices.findByFileIdOrderByQueuedAtDesc(fileId, Limit.of(MOST)).stream()
                .map(Outbox::answer)
                .toList();
    }

    /** The newest messages of all files, for those who see all files. */
    @Transactional(readOnly = true)
    public List<NoticeAnswer> recent(Viewer viewer) {
        if (viewer.team() != null) {
            return List.of();
        }
        return notices.findAllByOrderByQueuedAtDesc(Limit.of(MOST)).stream()
                .map(Outbox::answer)
                .toList();
    }

    /** Tries a failed message again. */
    @Transactional
    public void retry(Viewer viewer, UUID id) {
        viewer.requireChange();
        Notice notice = notices.findById(id).orElseThrow(() -> Refusal.notFound("notice"));
        files.visible(viewer, notice.fileId());
        if (notice.state() != Notice.State.FAILED) {
            throw Refusal.conflict("not-failed", "Only a failed notice can be sent again.");
        }
        notice.queueAgain();
        events.publishEvent(new NoticeQueued(id));
    }

    private static NoticeAnswer answer(Notice n) {
        return new NoticeAnswer(
                n.id(),
                n.fileId(),
                n.purpose(),
                n.recipient(),
                n.subject(),
                OneTimeSecret.removedFrom(n.body()),
                n.queuedBy(),
                n.queuedAt(),
                n.state().name(),
                n.finishedAt(),
                n.result());
    }
}
