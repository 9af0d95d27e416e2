package app.denfold.bench;

import jakarta.mail.Session;
import jakarta.mail.Transport;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeMessage;
import java.util.List;
import java.util.Properties;

/** The mails that the product sent, sent once more by the mail library alone. */
final class PlainMails {

    private PlainMails() {}

    /** A mail as it was written. */
    record Mail(String recipient, String subject, String body) {}

    /** The oldest that were written. */
    static List<Mail> written(int count) {
        return BenchServer.asOwner()
                .sql("select recipient, subject, body from notice order by queued_at limit ?")
                .param(count)
                .query(Mail.class)
                .list();
    }

    /** Over one connection. */
    static void send(int port, List<Mail> mails) throws Exception {
        Session session = session(port);
        try (Transport transport = session.getTransport("smtp")) {
            transport.connect();
            for (Mail mail : mails) {
                MimeMessage message = new MimeMessage(session);
                message.setFrom(new InternetAddress("papers@oakhollin.example"));
                message.setRecipient(MimeMessage.RecipientType.TO, new InternetAddress(mail.recipient()));
                message.setSubject(mail.subject(), "UTF-8");
                message.setText(mail.body(), "UTF-8");
                message.saveChanges();
                transport.sendMessage(message, message.getAllRecipients());
            }
        }
    }

    /** Mails as they came, with all their parts, over one connection. */
    static void sendAgain(int port, List<MimeMessage> mails) throws Exception {
        try (Transport transport = session(port).getTransport("smtp")) {
            transport.connect();
            for (MimeMessage mail : mails) {
                transport.sendMessage(mail, mail.getAllRecipients());
            }
        }
    }

    private static Session session(int port) {
        Properties properties = new Properties();
        properties.put("mail.smtp.host", "127.0.0.1");
        properties.put("mail.smtp.port", String.valueOf(port));
        return Session.getInstance(properties);
    }
}
