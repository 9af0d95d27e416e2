package app.denfold.server.chasing;

import app.denfold.server.chasing.Attachments.Attachment;
import app.denfold.server.practice.PracticeLook;
import jakarta.activation.FileTypeMap;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeMessage;
import java.io.UnsupportedEncodingException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.regex.Pattern;
import org.eclipse.angus.mail.smtp.SMTPMessage;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.FileSystemResource;
import org.springframework.mail.javamail.ConfigurableMimeFileTypeMap;
import org.springframework.mail.javamail.JavaMailSenderImpl;
import org.springframework.mail.javamail.MimeMessageHelper;
import org.springframework.stereotype.Component;
import org.springframework.web.util.HtmlUtils;

/** Makes a mail of a message: text, the same as a page in the practice's look, and the headers that mails of machines have. */
@Component
class MailForm {

    private static final Pattern LINK = Pattern.compile("https?://[^\\s<>\"]+");
    private static final Pattern ITEM = Pattern.compile("(?m)^ {2}- (.*)$");
    private static final Pattern LIST = Pattern.compile("(?:<li>.*</li>\n?)+");

    private final JavaMailSenderImpl mail;
    private final String from;
    private final String address;

    MailForm(
            JavaMailSenderImpl mail,
            @Value("${denfold.mail-from}") String from,
            @Value("${denfold.address}") String address) {
        this.mail = mail;
        this.from = from;
        this.address = address;
    }

    MimeMessage of(Notice notice, PracticeLook look, List<Attachment> attached)
            throws MessagingException, UnsupportedEncodingException {
        MimeMessage message = empty(notice);
        // one text in two forms, and what is attached beside both
        MimeMessageHelper helper = new Helper(
                message,
                attached.isEmpty()
                        ? MimeMessageHelper.MULTIPART_MODE_RELATED
                        : MimeMessageHelper.MULTIPART_MODE_MIXED_RELATED);
        String sender = look.mailFrom() == null ? from : look.mailFrom();
        helper.setFrom(new InternetAddress(sender, look.name(), StandardCharsets.UTF_8.name()));
        if (look.replyTo() != null) {
            helper.setReplyTo(new InternetAddress(look.replyTo(), look.name(), StandardCharsets.UTF_8.name()));
        }
        helper.setTo(notice.recipient());
        helper.setSubject(notice.subject());
        helper.setText(notice.body(), page(notice, look));
        for (Attachment one : attached) {
            helper.addAttachment(one.name(), new FileSystemResource(one.file()), one.mediaType());
        }
        String domain = sender.substring(sender.indexOf('@') + 1);
        message.setHeader("Message-ID", notice.messageId(domain));
        if (notice.threadOf() != null) {
            String earlier = "<" + notice.threadOf() + "@" + domain + ">";
            message.setHeader("In-Reply-To", earlier);
            message.setHeader("References", earlier);
        }
        if (notice.isOfPlan()) {
            // RFC 3834: nobody's absence answers it
            message.setHeader("Auto-Submitted", "auto-generated");
        }
        if (notice.isCourtesy() && notice.secret() != null) {
            // RFC 8058
            message.setHeader("List-Unsubscribe", "<" + address + "/api/told/" + notice.secret() + "/unsubscribe>");
            message.setHeader("List-Unsubscribe-Post", "List-Unsubscribe=One-Click");
        }
        return message;
    }

    /** Of a mail that chases, the recipient's server is asked to report what became of it (RFC 3461), if it can. */
    private MimeMessage empty(Notice notice) {
        if (!notice.purpose().equals(Message.CHASE)) {
            return mail.createMimeMessage();
        }
        SMTPMessage message = new SMTPMessage(mail.getSession());
        message.setNotifyOptions(SMTPMessage.NOTIFY_SUCCESS | SMTPMessage.NOTIFY_FAILURE | SMTPMessage.NOTIFY_DELAY);
        return message;
    }

    /** The text as a page: its paragraphs, lists and links, under the practice's name and colour. */
    static String page(Notice notice, PracticeLook look) {
        String escaped = HtmlUtils.htmlEscape(notice.body().strip(), StandardCharsets.UTF_8.name());
        String linked = LINK.matcher(escaped).replaceAll("<a href=\"$0\">$0</a>");
        String listed =
                LIST.matcher(ITEM.matcher(linked).replaceAll("<li>$1</li>")).replaceAll("\n\n<ul>$0</ul>\n\n");
        StringBuilder paragraphs = new StringBuilder();
        for (String paragraph : listed.split("\n{2,}")) {
            paragraphs.append(
                    paragraph.startsWith("<ul>")
                            ? paragraph
                            : "<p>" + paragraph.strip().replace("\n", "<br>\n") + "</p>");
            paragraphs.append('\n');
        }
        String language = notice.language() == null ? "en" : notice.language();
        return """
                <!doctype html>
                <html lang="%s"><head><meta charset="utf-8"><title>%s</title></head>
                <body style="margin:0;padding:24px;background:#faf7f1;color:#23302c;font:16px/1.5 Georgia,serif">
                <div style="max-width:600px;margin:auto;background:#ffffff;border-top:6px solid %s;padding:24px 28px">
                <div style="color:%s;font-weight:bold;margin-bottom:16px">%s</div>
                %s</div></body></html>
                """.formatted(
                        language,
                        HtmlUtils.htmlEscape(notice.subject(), StandardCharsets.UTF_8.name()),
                        look.colour(),
                        look.colour(),
                        HtmlUtils.htmlEscape(look.name(), StandardCharsets.UTF_8.name()),
                        paragraphs);
    }

    /** Reads the list of file kinds once, and not for each mail. */
    private static final class Helper extends MimeMessageHelper {

        private static final FileTypeMap KINDS = new ConfigurableMimeFileTypeMap();

        Helper(MimeMessage message, int parts) throws MessagingException {
            super(message, parts, StandardCharsets.UTF_8.name());
        }

        @Override
        protected FileTypeMap getDefaultFileTypeMap(MimeMessage message) {
            return KINDS;
        }
    }
}
