package app.denfold.server.chasing;

import app.denfold.server.access.Actor;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeMessage;
import java.io.UnsupportedEncodingException;
import java.nio.charset.StandardCharsets;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.mail.MailException;
import org.springframework.mail.javamail.JavaMailSender;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.modulith.events.ApplicationModuleListener;
import org.springframework.stereotype.Component;

/** Hands queued messages to the mail server and notes the result. */
@Component
class MailCourier {

    private final NoticeRepository notices;
    private final JavaMailSender mail;
    private final PracticeSettings settings;
    private final PracticeCalendar calendar;
    private final AuditTrail trail;
    private final String from;

    MailCourier(
            NoticeRepository notices,
            JavaMailSender mail,
            PracticeSettings settings,
            PracticeCalendar calendar,
            AuditTrail trail,
            @Value("${denfold.mail-from}") String from) {
        this.notices = notices;
        this.mail = mail;
        this.settings = settings;
        this.calendar = calendar;
        this.trail = trail;
        this.from = from;
    }

    @ApplicationModuleListener
    void on(NoticeQueued event) {
        Notice notice = notices.findById(event.noticeId()).orElseThrow();
        if (notice.state() != Notice.State.QUEUED) {
            return;
        }
        try {
            mail.send(message(notice));
            notice.sent(calendar.now());
            note(
                    notice,
                    "notice-sent",
                    "delivered “" + notice.subject() + "” to the mail server for " + notice.recipient());
        } catch (MailException | MessagingException | UnsupportedEncodingException failed) {
            notice.failed(calendar.now(), reason(failed));
            note(
                    notice,
                    "notice-failed",
                    "could not send “" + notice.subject() + "” to " + notice.recipient() + ": " + reason(failed));
        }
    }

    private MimeMessage message(Notice notice) throws MessagingException, UnsupportedEncodingException {
        MimeMessage message = mail.createMimeMessage();
        MimeMessageHelper helper = new MimeMessageHelper(message, StandardCharsets.UTF_8.name());
        helper.setFrom(new InternetAddress(from, settings.name(), StandardCharsets.UTF_8.name()));
        helper.setTo(notice.recipient());
        helper.setSubject(notice.subject());
        helper.setText(notice.body());
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
        trail.record(AuditEntry.ofFile(Actor.system("Mail"), action, notice.fileId(), sentence));
    }
}
