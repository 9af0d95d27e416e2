package app.denfold.server.demo.standins;

import com.icegreen.greenmail.user.GreenMailUser;
import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import jakarta.activation.DataHandler;
import jakarta.annotation.PreDestroy;
import jakarta.mail.Message;
import jakarta.mail.MessagingException;
import jakarta.mail.Multipart;
import jakarta.mail.Part;
import jakarta.mail.Session;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeBodyPart;
import jakarta.mail.internet.MimeMessage;
import jakarta.mail.internet.MimeMultipart;
import jakarta.mail.util.ByteArrayDataSource;
import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Properties;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/**
 * The demo's mail stand-in on loopback: an SMTP server that keeps what it is given and delivers to nobody outside, and an
 * IMAP server with the practice's mailbox, into which mail to the practice goes.
 */
@Component
@Profile("demo")
public class DemoMail {

    private final GreenMail server;
    private final GreenMailUser mailbox;

    DemoMail(
            @Value("${spring.mail.port}") int port,
            @Value("${denfold.mailbox.port}") int imapPort,
            @Value("${denfold.mailbox.user}") String mailbox,
            @Value("${denfold.mailbox.password}") String password) {
        server = new GreenMail(new ServerSetup[] {
            new ServerSetup(port, "127.0.0.1", ServerSetup.PROTOCOL_SMTP),
            new ServerSetup(imapPort, "127.0.0.1", ServerSetup.PROTOCOL_IMAP)
        });
        server.start();
        this.mailbox = server.setUser(mailbox, mailbox, password);
    }

    /** Puts a message with one attachment into the practice's mailbox, as if it had come from outside. */
    public void deliver(@Nullable String from, String subject, String text, String fileName, byte[] attachment) {
        try {
            MimeMessage message = new MimeMessage(Session.getInstance(new Properties()));
            message.setFrom(new InternetAddress(from));
            message.setRecipients(Message.RecipientType.TO, mailbox.getEmail());
            message.setSubject(subject);
            MimeBodyPart words = new MimeBodyPart();
            words.setText(text);
            MimeBodyPart paper = new MimeBodyPart();
            paper.setDataHandler(new DataHandler(new ByteArrayDataSource(attachment, "application/octet-stream")));
            paper.setFileName(fileName);
            message.setContent(new MimeMultipart(words, paper));
            message.saveChanges();
            mailbox.deliver(message);
        } catch (MessagingException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    record DemoMessage(String to, String from, String subject, String text, Instant at) {}

    List<DemoMessage> received() {
        List<DemoMessage> mails = new ArrayList<>();
        for (MimeMessage message : server.getReceivedMessages()) {
            if (isForThePractice(message)) {
                continue;
            }
            mails.add(0, read(message));
        }
        return mails;
    }

    private boolean isForThePractice(MimeMessage message) {
        try {
            return Arrays.toString(message.getAllRecipients()).contains(mailbox.getEmail());
        } catch (MessagingException unreadable) {
            throw new IllegalStateException(unreadable);
        }
    }

    private static DemoMessage read(MimeMessage message) {
        try {
            return new DemoMessage(
                    Arrays.toString(message.getAllRecipients()).replaceAll("[\\[\\]]", ""),
                    Arrays.toString(message.getFrom()).replaceAll("[\\[\\]]", ""),
                    message.getSubject(),
                    plain(message),
                    message.getSentDate().toInstant());
        } catch (MessagingException | IOException unreadable) {
            throw new IllegalStateException(unreadable);
        }
    }

    /** The first part that is plain text. */
    private static String plain(Part part) throws MessagingException, IOException {
        if (!(part.getContent() instanceof Multipart parts)) {
            return part.isMimeType("text/plain") ? String.valueOf(part.getContent()) : "";
        }
        for (int i = 0; i < parts.getCount(); i++) {
            String found = plain(parts.getBodyPart(i));
            if (!found.isEmpty()) {
                return found;
            }
        }
        return "";
    }

    @PreDestroy
    void stop() {
        server.stop();
    }
}
