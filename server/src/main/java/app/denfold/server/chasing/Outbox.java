package app.denfold.server.chasing;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.annotation.Nullable;
import java.time.Duration;
import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Messages on their way out. They are sent after the transaction that queued them, and survive a restart. */
@Service
public class Outbox {

    private static final int MOST = 200;

    /** After so long a message that waits or is being sent may be tried again by hand. */
    private static final Duration STUCK = Duration.ofMinutes(2);

    private static final Duration FAILURES_TOLD = Duration.ofDays(7);

    private final NoticeRepository notices;
    private final PersonFiles files;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;
    private final SendMailJob sending;

    Outbox(
            NoticeRepository notices,
            PersonFiles files,
            AuditTrail trail,
            PracticeCalendar calendar,
            SendMailJob sending) {
        this.notices = notices;
        this.files = files;
        this.trail = trail;
        this.calendar = calendar;
        this.sending = sending;
    }

    /** A number for a message that is not written yet. */
    public static UUID freshNumber() {
        return UuidCreator.getTimeOrderedEpoch();
    }

    @Transactional
    public void queue(Viewer by, Message message) {
        queue(freshNumber(), by, message);
    }

    /** @param number by which its state is asked for */
    @Transactional
    public void queue(UUID number, Viewer by, Message message) {
        notices.save(new Notice(number, message, by.actor(), calendar.today(), calendar.now()));
        trail.record(new AuditEntry(
                by.actor(),
                message.isAmongColleagues() ? "colleague-told" : "notice-queued",
                message.fileId(),
                message.documentId(),
                message.types(),
                "wrote to " + message.recipient() + ": “" + message.subject() + "”"));
        sending.afterCommit();
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
            Notice.State state,
            @Nullable Instant finishedAt,
            @Nullable String result,
            boolean mayRetry,
            @Nullable Instant nextAttempt) {}

    /**
     * What became of a mail.
     *
     * @param deliveredAt when the mail server took it; null before
     * @param failure why it did not the last time; null otherwise
     */
    public record Delivery(
            @Nullable Instant deliveredAt, @Nullable String failure) {}

    /** By the notices' numbers. */
    @Transactional(readOnly = true)
    public Map<UUID, Delivery> deliveries(Collection<UUID> ids) {
        return ids.isEmpty()
                ? Map.of()
                : notices.findAllById(ids).stream().collect(Collectors.toMap(Notice::id, Outbox::delivery));
    }

    private static Delivery delivery(Notice notice) {
        return new Delivery(
                notice.state() == Notice.State.SENT ? notice.finishedAt() : null,
                notice.state() == Notice.State.FAILED ? notice.result() : null);
    }

    Optional<Notice> todays(UUID fileId, String purpose) {
        return notices.findFirstByFileIdAndPurposeAndQueuedOnOrderByQueuedAtDesc(fileId, purpose, calendar.today());
    }

    /** Newest first, those of which the viewer may know. @throws Refusal when he may not see the file */
    @Transactional(readOnly = true)
    public List<NoticeAnswer> ofFile(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        return told(viewer, notices.findByFileIdOrderByQueuedAtDesc(fileId, Limit.of(MOST)));
    }

    /** The newest messages of all files the viewer may see, as far as he may know of what they tell. */
    @Transactional(readOnly = true)
    public List<NoticeAnswer> recent(Viewer viewer) {
        List<Notice> newest = notices.findAllByOrderByQueuedAtDesc(Limit.of(MOST));
        Set<UUID> visible = files.visibleAmong(
                viewer,
                newest.stream().map(Notice::fileId).filter(Objects::nonNull).toList());
        return told(
                viewer,
                newest.stream()
                        .filter(n -> n.fileId() == null ? viewer.isAdministrator() : visible.contains(n.fileId()))
                        .toList());
    }

    /** What the viewer wrote, or for an administrator anybody, and could not be sent lately. */
    @Transactional(readOnly = true)
    public List<NoticeAnswer> failed(Viewer viewer) {
        Instant since = calendar.now().minus(FAILURES_TOLD);
        return told(viewer, notices.findFailed(viewer.accountId(), viewer.isAdministrator(), since, Limit.of(20)));
    }

    private List<NoticeAnswer> told(Viewer viewer, List<Notice> all) {
        return all.stream()
                .filter(n -> viewer.maySee(n.types()))
                .map(n -> answer(viewer, n))
                .toList();
    }

    /** Tries a message again that failed, or has been waiting for too long. */
    @Transactional
    public void retry(Viewer viewer, UUID id) {
        viewer.requireChange();
        Notice notice = notices.findById(id).orElseThrow(() -> Refusal.notFound("notice"));
        if (notice.fileId() == null) {
            viewer.requireAdministrator();
        } else {
            files.visible(viewer, notice.fileId());
        }
        if (!viewer.maySee(notice.types())) {
            throw Refusal.notFound("notice");
        }
        if (!notice.mayBeRetried(calendar.now().minus(STUCK))) {
            throw Refusal.conflict(
                    "not-failed", "This notice is on its way or was sent; only one that failed can be sent again.");
        }
        notice.queueAgain();
        sending.afterCommit();
    }

    /** The text of a mail among colleagues is for the two of them: it may quote a paper. */
    private NoticeAnswer answer(Viewer viewer, Notice n) {
        boolean isForViewer = !Message.isAmongColleagues(n.purpose())
                || viewer.email().equals(n.recipient())
                || viewer.accountId().equals(n.queuedById());
        return new NoticeAnswer(
                n.id(),
                n.fileId(),
                n.purpose(),
                n.recipient(),
                n.subject(),
                isForViewer ? OneTimeSecret.removedFrom(n.body()) : "",
                n.queuedBy(),
                n.queuedAt(),
                n.state(),
                n.finishedAt(),
                n.result(),
                viewer.mayChange() && n.mayBeRetried(calendar.now().minus(STUCK)),
                n.nextAttempt());
    }
}
