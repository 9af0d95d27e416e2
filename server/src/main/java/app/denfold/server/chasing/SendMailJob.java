package app.denfold.server.chasing;

import app.denfold.server.access.Actor;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.commits.OutsideTransactions;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeLook;
import app.denfold.server.practice.PracticeSettings;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.AddressException;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeMessage;
import java.io.UnsupportedEncodingException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.eclipse.angus.mail.smtp.SMTPAddressFailedException;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.data.domain.Limit;
import org.springframework.mail.MailException;
import org.springframework.mail.MailSendException;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.scheduling.annotation.Async;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;
import org.springframework.transaction.support.TransactionTemplate;

/** Hands queued messages to the mail server and notes the result. */
@Component
class SendMailJob {

    /** Nobody hands a message over for so long; what was claimed before was left behind. */
    private static final Duration ABANDONED = Duration.ofMinutes(2);

    private static final int MOST_AT_ONCE = 100;

    private final NoticeRepository notices;
    private final JavaMailSender mail;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;
    private final AuditTrail trail;
    private final TransactionTemplate transactions;
    private final String from;

    SendMailJob(
            NoticeRepository notices,
            JavaMailSender mail,
            PracticeSettings settings,
            PracticeCalendar calendar,
            AuditTrail trail,
            TransactionTemplate transactions,
            @Value("${denfold.mail-from}") String from) {
        this.notices = notices;
        this.mail = mail;
        this.settings = settings;
        this.calendar = calendar;
        this.trail = trail;
        this.transactions = transactions;
        this.from = from;
    }

    @Async(MailThreads.NAME)
    @TransactionalEventListener(id = "send-notice")
    void on(NoticeQueued event) {
        deliver(event.noticeId());
    }

    /** Messages whose time has come again, and those that whoever sent them left behind. */
    @Scheduled(fixedDelayString = "${denfold.mail-interval:PT30S}", initialDelayString = "PT15S")
    void deliverDue() {
        Instant now = calendar.now();
        for (UUID id : notices.findDue(now, now.minus(ABANDONED), Limit.of(MOST_AT_ONCE))) {
            release(id, now.minus(ABANDONED));
            deliver(id);
        }
    }

    private void release(UUID id, Instant stuckSince) {
        transactions.executeWithoutResult(t -> notices.lock(id)
                .filter(n -> n.state() == Notice.State.SENDING && n.isClaimedBefore(stuckSince))
                .ifPresent(Notice::release));
    }

    /** Claims it, hands it over outside of any transaction, and notes what came of it. */
    private void deliver(UUID id) {
        Optional<Notice> claimed = Objects.requireNonNull(transactions.execute(
                t -> notices.lock(id).filter(n -> n.isDue(calendar.now())).map(n -> {
                    n.claim(calendar.now());
                    return n;
                })));
        if (claimed.isEmpty()) {
            return;
        }
        Notice notice = claimed.get();
        OutsideTransactions.require("sending mail");
        try {
            mail.send(message(notice));
            transactions.executeWithoutResult(t -> sent(id));
        } catch (MailException | MessagingException | UnsupportedEncodingException failed) {
            transactions.executeWithoutResult(t -> failed(id, failed));
        }
    }

    private void sent(UUID id) {
        Notice notice = notices.findById(id).orElseThrow();
        notice.sent(calendar.now());
        note(
                notice,
                "notice-sent",
                "delivered “" + notice.subject() + "” to the mail server for " + notice.recipient());
    }

    private void failed(UUID id, Exception failed) {
        Notice notice = notices.findById(id).orElseThrow();
        boolean isFirst = notice.result() == null;
        notice.failed(calendar.now(), reason(failed), isForGood(failed));
        if (isFirst || notice.nextAttempt() == null) {
            note(
                    notice,
                    "notice-failed",
                    "could not send “" + notice.subject() + "” to " + notice.recipient() + ": " + reason(failed));
        }
    }

    /** The server said no to the address itself (RFC 5321, replies 550 to 553), or it is none. */
    private static boolean isForGood(Exception failed) {
        for (Throwable t = failed; t != null; t = t.getCause()) {
            if (t instanceof AddressException) {
                return true;
            }
            if (t instanceof SMTPAddressFailedException refused) {
                return refused.getReturnCode() >= 550 && refused.getReturnCode() <= 553;
            }
            if (t instanceof MailSendException several && several.getMessageExceptions().length > 0) {
                return isForGoodWithin(several.getMessageExceptions()[0]);
            }
        }
        return false;
    }

    private static boolean isForGoodWithin(Exception failed) {
        for (Exception next = failed; next instanceof MessagingException m; next = m.getNextException()) {
            if (next instanceof AddressException) {
                return true;
            }
            if (next instanceof SMTPAddressFailedException refused) {
                return refused.getReturnCode() >= 550 && refused.getReturnCode() <= 553;
            }
        }
        return false;
    }

    private MimeMessage message(Notice notice) throws MessagingException, UnsupportedEncodingException {
        MimeMessage message = mail.createMimeMessage();
        MimeMessageHelper helper = new MimeMessageHelper(message, StandardCharsets.UTF_8.name());
        PracticeLook look = settings.look();
        String sender = look.mailFrom() == null ? from : look.mailFrom();
        helper.setFrom(new InternetAddress(sender, look.name(), StandardCharsets.UTF_8.name()));
        if (look.replyTo() != null) {
            helper.setReplyTo(new InternetAddress(look.replyTo(), look.name(), StandardCharsets.UTF_8.name()));
        }
        helper.setTo(notice.recipient());
        helper.setSubject(notice.subject());
        helper.setText(notice.body());
        message.setHeader("Message-ID", notice.messageId(sender.substring(sender.indexOf('@') + 1)));
        return message;
    }

    private static String reason(Exception failed) {
        Throwable deepest = failed;
        while (deepest.getCause() != null) {
            deepest = deepest.getCause();
        }
        return deepest.getMessage() == null ? "the mail server did not answer" : deepest.getMessage();
    }

    private void note(Notice notice, String action, String sentence) {
        trail.record(new AuditEntry(
                Actor.system("Mail"), action, notice.fileId(), notice.documentId(), notice.types(), sentence));
    }
}
