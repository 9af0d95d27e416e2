package app.denfold.server.chasing;

import app.denfold.server.access.Actor;
import app.denfold.server.access.secrets.Secrets;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.chasing.ChaseEvents.MailCameBack;
import app.denfold.server.practice.PracticeCalendar;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What comes back to mails that were sent: replies, which know their file by it, and mails that could not be delivered. */
@Service
public class MailAnswers {

    private static final Pattern OURS =
            Pattern.compile("<?([0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12})@[^>\\s]+>?");

    private final NoticeRepository notices;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;
    private final ApplicationEventPublisher events;

    MailAnswers(
            NoticeRepository notices, AuditTrail trail, PracticeCalendar calendar, ApplicationEventPublisher events) {
        this.events = events;
        this.notices = notices;
        this.trail = trail;
        this.calendar = calendar;
    }

    /** The mail that was answered. @param fileId it was about; null when about none */
    public record Answered(UUID noticeId, @Nullable UUID fileId, String subject, String recipient) {}

    /**
     * @param messageIds to which a mail refers (RFC 5322, 3.6.4), the nearest first
     * @return empty when none of them is of a mail of ours
     */
    @Transactional(readOnly = true)
    public Optional<Answered> answered(List<String> messageIds) {
        return messageIds.stream()
                .flatMap(id -> notice(id).stream())
                .findFirst()
                .map(n -> new Answered(n.id(), n.fileId(), n.subject(), n.recipient()));
    }

    /**
     * Notes that a mail could not be delivered after all.
     *
     * @param recipient whom it did not reach; one who was not written to changes nothing
     * @param why in the words of the mail server
     * @return whether it was a mail of ours to this recipient
     */
    @Transactional
    public boolean cameBack(String messageId, String recipient, String why) {
        Optional<Notice> found = notice(messageId).filter(n -> n.recipient().equalsIgnoreCase(recipient));
        found.ifPresent(n -> {
            n.cameBack(calendar.now(), "came back: " + why);
            events.publishEvent(new MailCameBack(n.id(), n.recipient(), why));
            trail.record(new AuditEntry(
                    Actor.system("Mail"),
                    "notice-failed",
                    n.fileId(),
                    n.documentId(),
                    n.types(),
                    "“" + n.subject() + "” to " + n.recipient() + " came back: " + why));
        });
        return found.isPresent();
    }

    /** Notes that the recipient's mail server has a mail. @return whether it was a mail of ours to this recipient */
    @Transactional
    public boolean delivered(String messageId, String recipient) {
        Optional<Notice> found = notice(messageId).filter(n -> n.recipient().equalsIgnoreCase(recipient));
        found.ifPresent(n -> n.delivered(calendar.now()));
        return found.isPresent();
    }

    /** Notes that somebody wrote back, or sent a paper. */
    @Transactional
    public void noteAnswer(UUID noticeId) {
        notices.findById(noticeId).ifPresent(n -> n.answered(calendar.now()));
    }

    /** Notes that a machine answered because nobody is there (RFC 3834); that is no answer. */
    @Transactional
    public void noteAway(UUID noticeId) {
        notices.findById(noticeId).ifPresent(n -> n.away(calendar.now()));
    }

    /**
     * A mail that chased somebody, by the secret of the link in it.
     *
     * @param mayUnsubscribe whether the recipient may ask for no more
     */
    public record ByLink(UUID noticeId, String recipient, String subject, boolean mayUnsubscribe) {}

    /** Notes that somebody followed the link. Empty when there is no such link. */
    @Transactional
    public Optional<ByLink> opened(String secret) {
        Optional<Notice> found = notices.lockByLinkHash(Secrets.hash(secret));
        found.filter(n -> n.opened(calendar.now()))
                .ifPresent(n -> trail.record(new AuditEntry(
                        Actor.system(n.recipient()),
                        "notice-opened",
                        n.fileId(),
                        n.documentId(),
                        n.types(),
                        "followed the link in “" + n.subject() + "”")));
        return found.map(MailAnswers::byLink);
    }

    /** The same without noting anything. */
    @Transactional(readOnly = true)
    public Optional<ByLink> byLink(String secret) {
        return notices.findByLinkHash(Secrets.hash(secret)).map(MailAnswers::byLink);
    }

    private static ByLink byLink(Notice n) {
        return new ByLink(n.id(), n.recipient(), n.subject(), n.isCourtesy());
    }

    private Optional<Notice> notice(String messageId) {
        Matcher ours = OURS.matcher(messageId.strip());
        return ours.matches() ? notices.findById(UUID.fromString(ours.group(1))) : Optional.empty();
    }
}
