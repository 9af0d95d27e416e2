package app.denfold.server.demo;

import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import jakarta.annotation.PreDestroy;
import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** The demo's mail stand-in: an SMTP server on loopback that keeps what it is given and delivers to nobody. */
@Component
@Profile("demo")
class DemoMail {

    private final GreenMail server;

    DemoMail(@Value("${spring.mail.port}") int port) {
        server = new GreenMail(new ServerSetup(port, "127.0.0.1", ServerSetup.PROTOCOL_SMTP));
        server.start();
    }

    record DemoMessage(String to, String from, String subject, String text, Instant at) {}

    List<DemoMessage> received() {
        List<DemoMessage> mails = new ArrayList<>();
        for (MimeMessage message : server.getReceivedMessages()) {
            mails.add(0, read(message));
        }
        return mails;
    }

    private static DemoMessage read(MimeMessage message) {
        try {
            return new DemoMessage(
                    Arrays.toString(message.getAllRecipients()).replaceAll("[\\[\\]]", ""),
                    Arrays.toString(message.getFrom()).replaceAll("[\\[\\]]", ""),
                    message.getSubject(),
                    String.valueOf(message.getContent()),
                    message.getSentDate().toInstant());
        } catch (MessagingException | IOException unreadable) {
            throw new IllegalStateException(unreadable);
        }
    }

    @PreDestroy
    void stop() {
        server.stop();
    }
}
