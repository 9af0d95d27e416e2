package app.denfold.server.arrivals.mailbox;

import app.denfold.server.content.UploadedFile;
import jakarta.mail.BodyPart;
import jakarta.mail.Message;
import jakarta.mail.MessagingException;
import jakarta.mail.Multipart;
import jakarta.mail.Part;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeMessage;
import jakarta.mail.internet.MimeUtility;
import java.io.IOException;
import java.io.UnsupportedEncodingException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Locale;

/** What of a mail message becomes arrivals: its attachments, and its text with each. */
final class MailMessage {

    private static final int MOST_LETTERS = 20_000;

    private final MimeMessage message;
    private final List<Part> attachments = new ArrayList<>();
    private final StringBuilder text = new StringBuilder();

    private MailMessage(MimeMessage message) {
        this.message = message;
    }

    static MailMessage read(Message message) throws MessagingException, IOException {
        MailMessage mail = new MailMessage((MimeMessage) message);
        mail.collect(message);
        return mail;
    }

    private void collect(Part part) throws MessagingException, IOException {
        Object content = part.isMimeType("multipart/*") ? part.getContent() : null;
        if (content instanceof Multipart parts) {
            for (int i = 0; i < parts.getCount(); i++) {
                BodyPart inner = parts.getBodyPart(i);
                collect(inner);
            }
        } else if (isAttachment(part)) {
            attachments.add(part);
        } else if (part.isMimeType("text/plain") && text.length() < MOST_LETTERS) {
            text.append(part.getContent()).append('\n');
        }
    }

    /** Pictures within the text, such as a logo, are not papers. */
    private static boolean isAttachment(Part part) throws MessagingException {
        boolean within = Part.INLINE.equalsIgnoreCase(part.getDisposition())
                && part.isMimeType("image/*")
                && part.getHeader("Content-ID") != null;
        return part.getFileName() != null && !within;
    }

    List<Part> attachments() {
        return attachments;
    }

    String text() {
        String all = text.toString().strip();
        return all.substring(0, Math.min(all.length(), MOST_LETTERS));
    }

    static String nameOf(Part part) throws MessagingException {
        try {
            return UploadedFile.lastName(MimeUtility.decodeText(part.getFileName()));
        } catch (UnsupportedEncodingException odd) {
            return UploadedFile.lastName(part.getFileName());
        }
    }

    String subject() throws MessagingException {
        return message.getSubject() == null ? "Mail" : message.getSubject();
    }

    String sender() throws MessagingException {
        return message.getFrom() == null || message.getFrom().length == 0
                ? "an unknown sender"
                : ((InternetAddress) message.getFrom()[0]).getAddress();
    }

    /** The messages it answers (RFC 5322, 3.6.4), the nearest first; none when it answers none. */
    List<String> answers() throws MessagingException {
        List<String> ids = new ArrayList<>();
        for (String header : new String[] {"In-Reply-To", "References"}) {
            String[] values = message.getHeader(header);
            if (values != null) {
                List<String> named =
                        Arrays.asList(String.join(" ", values).strip().split("[\\s,]+"));
                ids.addAll(reversed(named));
            }
        }
        return ids;
    }

    private static List<String> reversed(List<String> ids) {
        List<String> turned = new ArrayList<>(ids);
        Collections.reverse(turned);
        return turned;
    }

    /** Whether a machine answers for somebody who is away, or the like (RFC 3834, 5; older programs say it otherwise). */
    boolean isAutomaticReply() throws MessagingException {
        String submitted = message.getHeader("Auto-Submitted", " ");
        if (submitted != null && !submitted.strip().toLowerCase(Locale.ROOT).startsWith("no")) {
            return true;
        }
        String precedence = message.getHeader("Precedence", " ");
        return message.getHeader("X-Autoreply", " ") != null
                || precedence != null && precedence.strip().equalsIgnoreCase("auto_reply");
    }

    /** The text without what it quotes of the mail that it answers. */
    String ownText() {
        StringBuilder own = new StringBuilder();
        for (String line : text().split("\\R")) {
            if (!line.startsWith(">")) {
                own.append(line).append('\n');
            }
        }
        return own.toString().strip();
    }

    /** The same for the same message, also after a crash. */
    String id() throws MessagingException {
        String id = message.getMessageID();
        return id != null ? id : sender() + " " + message.getSentDate() + " " + message.getSize();
    }
}
