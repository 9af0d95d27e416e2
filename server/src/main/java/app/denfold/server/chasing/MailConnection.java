package app.denfold.server.chasing;

import jakarta.mail.MessagingException;
import jakarta.mail.Transport;
import jakarta.mail.internet.MimeMessage;
import java.util.Date;
import org.eclipse.angus.mail.smtp.SMTPAddressFailedException;
import org.eclipse.angus.mail.smtp.SMTPSendFailedException;
import org.eclipse.angus.mail.smtp.SMTPSenderFailedException;
import org.jspecify.annotations.Nullable;
import org.springframework.mail.javamail.JavaMailSenderImpl;

/** One connection to the mail server for several messages; opened with the first, and again when it was lost. */
final class MailConnection implements AutoCloseable {

    private static final int NO_MORE = 421;

    private final JavaMailSenderImpl settings;
    private @Nullable Transport transport;

    /** Asked of the server only after a message failed: each time would be one more round trip for each message. */
    private boolean isOpen;

    MailConnection(JavaMailSenderImpl settings) {
        this.settings = settings;
    }

    /** @throws MessagingException when the mail server cannot be reached or does not take it */
    void send(MimeMessage message) throws MessagingException {
        message.setSentDate(new Date());
        String number = message.getMessageID();
        message.saveChanges();
        message.setHeader("Message-ID", number);
        boolean isFirst = !isOpen;
        try {
            handOver(message);
        } catch (MessagingException failed) {
            if (isFirst || isOpen || !saysNoMore(failed)) {
                throw failed;
            }
            handOver(message);
        }
    }

    private void handOver(MimeMessage message) throws MessagingException {
        Transport open = opened();
        try {
            open.sendMessage(message, message.getAllRecipients());
        } catch (MessagingException failed) {
            isOpen = open.isConnected();
            throw failed;
        }
    }

    /** The server takes no more on this connection (RFC 5321, reply 421), so the message was not taken. */
    private static boolean saysNoMore(MessagingException failed) {
        for (Exception one = failed;
                one != null;
                one = one instanceof MessagingException m ? m.getNextException() : null) {
            if (one instanceof SMTPSendFailedException sending && sending.getReturnCode() == NO_MORE
                    || one instanceof SMTPSenderFailedException sender && sender.getReturnCode() == NO_MORE
                    || one instanceof SMTPAddressFailedException address && address.getReturnCode() == NO_MORE) {
                return true;
            }
        }
        return false;
    }

    private Transport opened() throws MessagingException {
        Transport known = transport;
        if (known == null) {
            String protocol = settings.getProtocol();
            known = settings.getSession()
                    .getTransport(protocol == null ? JavaMailSenderImpl.DEFAULT_PROTOCOL : protocol);
            transport = known;
        }
        if (!isOpen) {
            known.connect(settings.getHost(), settings.getPort(), settings.getUsername(), settings.getPassword());
            isOpen = true;
        }
        return known;
    }

    @Override
    public void close() {
        try {
            if (transport != null) {
                transport.close();
            }
        } catch (MessagingException gone) {
            // what was taken was taken
        }
    }
}
