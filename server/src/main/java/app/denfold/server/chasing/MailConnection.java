package app.denfold.server.chasing;

import jakarta.mail.MessagingException;
import jakarta.mail.Transport;
import jakarta.mail.internet.MimeMessage;
import java.util.Date;
import org.springframework.mail.javamail.JavaMailSenderImpl;

/** One connection to the mail server for several messages; opened with the first, and again when it was lost. */
final class MailConnection implements AutoCloseable {

    private final JavaMailSenderImpl settings;
    private final Transport transport;

    MailConnection(JavaMailSenderImpl settings) throws MessagingException {
        this.settings = settings;
        String protocol = settings.getProtocol();
        this.transport =
                settings.getSession().getTransport(protocol == null ? JavaMailSenderImpl.DEFAULT_PROTOCOL : protocol);
    }

    /** @throws MessagingException when the mail server cannot be reached or does not take it */
    void send(MimeMessage message) throws MessagingException {
        if (!transport.isConnected()) {
            transport.connect(settings.getHost(), settings.getPort(), settings.getUsername(), settings.getPassword());
        }
        message.setSentDate(new Date());
        String number = message.getMessageID();
        message.saveChanges();
        message.setHeader("Message-ID", number);
        transport.sendMessage(message, message.getAllRecipients());
    }

    @Override
    public void close() {
        try {
            transport.close();
        } catch (MessagingException gone) {
            // what was taken was taken
        }
    }
}
