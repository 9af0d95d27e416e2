package app.denfold.server.chasing;

import app.denfold.server.access.Actor;
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
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
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

    /** Who wrote what plans tell. */
    public static final String BY_PLANS = "Plans";

    /** A mail goes on with one that is not older. */
    private static final int THREAD_DAYS = 120;

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
            @Nullable Instant nextAttempt,
            Notice.Stage stage,
            @Nullable Instant answeredAt,
            @Nullable Instant awayAt) {

        /** Whether the mail server had taken it and could not deliver it after all. */
        public boolean cameBack() {
            return stage == Notice.Stage.BOUNCED;
        }
    }

    /** That a mailbox was chased on a day. */
    public record ChasedOn(String mailbox, LocalDate on) {}

    /** Each mail that chased somebody since a day, first day included. */
    @Transactional(readOnly = true)
    public List<ChasedOn> chasedSince(LocalDate day) {
        return notices.findChasedSince(day);
    }

    /** Whether somebody at this address was chased today. */
    @Transactional(readOnly = true)
    public boolean isChasedToday(String mailbox) {
        return notices.existsByMailboxAndQueuedOnAndStateNot(mailbox, calendar.today(), Notice.State.CANCELLED);
    }

    /** The newest mail of the last months to each of these mailboxes, with which the next one goes on. */
    @Transactional(readOnly = true)
    public Map<String, UUID> newestTo(Collection<String> mailboxes) {
        return mailboxes.isEmpty()
                ? Map.of()
                : notices
                        .findAllById(
                                notices.findNewestTo(mailboxes, calendar.today().minusDays(THREAD_DAYS)))
                        .stream()
                        .collect(Collectors.toMap(Notice::mailbox, Notice::id));
    }

    /**
     * Queues mails of plans, in one go and with one line of the trail for each.
     *
     * @param byNumber each under the number by which its state is asked for
     */
    @Transactional
    public void queueAll(Map<UUID, Message> byNumber) {
        List<Notice> queued = new ArrayList<>();
        LocalDate today = calendar.today();
        Instant now = calendar.now();
        byNumber.forEach((number, message) -> {
            queued.add(new Notice(number, message, Actor.system(BY_PLANS), today, now));
            trail.record(new AuditEntry(
                    Actor.system(BY_PLANS),
                    "notice-queued",
                    message.fileId(),
                    null,
                    message.types(),
                    "wrote to " + message.recipient() + ": “" + message.subject() + "”"));
        });
        notices.saveAll(queued);
        sending.afterCommit();
    }

    /** Those of these mails of whose papers the viewer may know. */
    @Transactional(readOnly = true)
    public Set<UUID> knownTo(Viewer viewer, Collection<UUID> ids) {
        return notices.findAllById(ids).stream()
                .filter(n -> viewer.maySee(n.types()))
                .map(Notice::id)
                .collect(Collectors.toSet());
    }

    /** The file that each of these mails is about, by the mails' numbers; of those that are about one. */
    @Transactional(readOnly = true)
    public Map<UUID, UUID> filesOf(Collection<UUID> ids) {
        return notices.findAllById(ids).stream()
                .filter(n -> n.fileId() != null)
                .collect(Collectors.toMap(Notice::id, n -> Objects.requireNonNull(n.fileId())));
    }

    /** Mails that chased people, newest first, as far as the viewer may know of all they tell. */
    @Transactional(readOnly = true)
    public List<NoticeAnswer> chasing(Viewer viewer, Instant before, int most) {
        return visible(viewer, notices.findChasing(before, Limit.of(most)));
    }

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

    public record QueuedToday(String by, Instant at) {}

    /** The newest of today about a file; who queued it and when. */
    @Transactional(readOnly = true)
    public Optional<QueuedToday> todays(UUID fileId, String purpose) {
        return notices.findFirstByFileIdAndPurposeAndQueuedOnOrderByQueuedAtDesc(fileId, purpose, calendar.today())
                .map(n -> new QueuedToday(n.queuedBy(), n.queuedAt()));
    }

    /** Newest first, those of which the viewer may know. @throws Refusal when he may not see the file */
    @Transactional(readOnly = true)
    public List<NoticeAnswer> ofFile(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        return visible(viewer, notices.findAboutFile(fileId, Limit.of(MOST)));
    }

    /** The newest messages of all files the viewer may see, as far as he may know of what they tell. */
    @Transactional(readOnly = true)
    public List<NoticeAnswer> recent(Viewer viewer) {
        return visible(viewer, notices.findAllByOrderByQueuedAtDesc(Limit.of(MOST)));
    }

    /** Those of which the viewer may know: who may see all files of which they tell. */
    private List<NoticeAnswer> visible(Viewer viewer, List<Notice> all) {
        Map<UUID, Set<UUID>> tell = new HashMap<>();
        all.forEach(n -> {
            if (n.fileId() != null) {
                tell.computeIfAbsent(n.id(), id -> new HashSet<>()).add(n.fileId());
            }
        });
        notices.findFilesOf(all.stream().map(Notice::id).toList())
                .forEach(t -> tell.computeIfAbsent(t.getNotice(), id -> new HashSet<>())
                        .add(t.getFile()));
        Set<UUID> visible = files.visibleAmong(
                viewer, tell.values().stream().flatMap(Set::stream).collect(Collectors.toSet()));
        return told(
                viewer,
                all.stream()
                        .filter(n -> tell.containsKey(n.id())
                                ? visible.containsAll(tell.get(n.id()))
                                : viewer.isAdministrator())
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
                n.nextAttempt(),
                n.stage(),
                n.answeredAt(),
                n.awayAt());
    }
}
