package app.denfold.server.arrivals.mailbox;

import app.denfold.core.filing.FileNames;
import app.denfold.server.access.Actor;
import app.denfold.server.arrivals.Arrival;
import app.denfold.server.arrivals.ReceivedPaper;
import app.denfold.server.arrivals.receiving.Arrivals;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.chasing.MailAnswers;
import app.denfold.server.chasing.MailAnswers.Answered;
import app.denfold.server.chasing.answers.KeepMailAnswers;
import app.denfold.server.chasing.answers.KeepMailAnswers.AskedFor;
import app.denfold.server.problems.Refusal;
import jakarta.mail.Flags;
import jakarta.mail.Folder;
import jakarta.mail.Message;
import jakarta.mail.MessagingException;
import jakarta.mail.Part;
import jakarta.mail.Session;
import jakarta.mail.Store;
import jakarta.mail.search.FlagTerm;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Properties;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Reads the practice's mailbox over IMAP: each attachment of an unseen message becomes an arrival that keeps the text of
 * the message; a message without one is itself the paper. Messages are marked as seen after their papers are safe, and
 * are never deleted. An answer to a mail of the practice is proposed for the file that mail was about.
 */
@Component
class ReadMailboxJob {

    private static final Logger LOG = LoggerFactory.getLogger(ReadMailboxJob.class);

    private final String host;
    private final int port;
    private final String user;
    private final String password;
    private final boolean secure;
    private final Arrivals arrivals;
    private final AuditTrail trail;
    private final MailAnswers answers;
    private final KeepMailAnswers kept;

    ReadMailboxJob(
            @Value("${denfold.mailbox.host:}") String host,
            @Value("${denfold.mailbox.port:993}") int port,
            @Value("${denfold.mailbox.user:}") String user,
            @Value("${denfold.mailbox.password:}") String password,
            @Value("${denfold.mailbox.secure:true}") boolean secure,
            Arrivals arrivals,
            AuditTrail trail,
            MailAnswers answers,
            KeepMailAnswers kept) {
        this.host = host;
        this.port = port;
        this.user = user;
        this.password = password;
        this.secure = secure;
        this.arrivals = arrivals;
        this.trail = trail;
        this.answers = answers;
        this.kept = kept;
    }

    @Scheduled(fixedDelayString = "${denfold.mailbox.interval:15000}", initialDelay = 5_000)
    void poll() {
        if (host.isBlank()) {
            return;
        }
        try (Store store = store()) {
            Folder inbox = store.getFolder("INBOX");
            inbox.open(Folder.READ_WRITE);
            for (Message message : inbox.search(new FlagTerm(new Flags(Flags.Flag.SEEN), false))) {
                take(message);
            }
            inbox.close(false);
        } catch (MessagingException unreachable) {
            LOG.warn("The mailbox {} cannot be read now: {}", user, unreachable.getMessage());
        }
    }

    private Store store() throws MessagingException {
        String protocol = secure ? "imaps" : "imap";
        Properties settings = new Properties();
        for (String limit : new String[] {"connectiontimeout", "timeout", "writetimeout"}) {
            settings.put("mail." + protocol + "." + limit, "15000");
        }
        // reading a message must not mark it as seen: only a stored paper does
        settings.put("mail." + protocol + ".peek", "true");
        Store store = Session.getInstance(settings).getStore(protocol);
        store.connect(host, port, user, password);
        return store;
    }

    private void take(Message message) throws MessagingException {
        try {
            if (isAboutOurs(message)) {
                message.setFlag(Flags.Flag.SEEN, true);
                return;
            }
            MailMessage mail = MailMessage.read(message);
            if (isAnsweredWithoutPaper(mail)) {
                message.setFlag(Flags.Flag.SEEN, true);
                return;
            }
            for (int i = 0; i < mail.attachments().size(); i++) {
                Part part = mail.attachments().get(i);
                receive(mail, i + 1, MailMessage.nameOf(part), to -> part.getInputStream()
                        .transferTo(to));
            }
            if (mail.attachments().isEmpty()) {
                receive(mail, 0, FileNames.safe(mail.subject()) + ".eml", message::writeTo);
            }
            message.setFlag(Flags.Flag.SEEN, true);
        } catch (IOException | RuntimeException failed) {
            LOG.error("A message in {} stays unseen and is tried again", user, failed);
        }
    }

    /** Whether it tells what became of mails of ours; that they did not arrive is noted at them. It is no paper. */
    private boolean isAboutOurs(Message message) throws MessagingException, IOException {
        List<CameBack> cameBack = CameBack.read(message);
        if (cameBack == null) {
            return false;
        }
        boolean isOurs = false;
        for (CameBack one : cameBack) {
            // of a delay nothing is noted: the server goes on trying
            isOurs |= switch (one.fate()) {
                case FAILED -> answers.cameBack(one.messageId(), one.recipient(), one.why());
                case ARRIVED -> answers.delivered(one.messageId(), one.recipient());
                case UNKNOWN -> answers.answered(List.of(one.messageId())).isPresent();
            };
        }
        return isOurs;
    }

    /** Whether it answers a mail of ours in words only; somebody's words are kept in the file, a machine's only noted. */
    private boolean isAnsweredWithoutPaper(MailMessage mail) throws MessagingException {
        Optional<Answered> answered = answers.answered(mail.answers());
        if (answered.isEmpty()) {
            return false;
        }
        if (mail.isAutomaticReply()) {
            answers.noteAway(answered.get().noticeId());
            return true;
        }
        return mail.attachments().isEmpty()
                && !mail.ownText().isEmpty()
                && kept.keep(answered.get(), mail.sender(), "mail " + mail.id(), mail.ownText());
    }

    private interface Bytes {
        void writeTo(OutputStream to) throws IOException, MessagingException;
    }

    private void receive(MailMessage mail, int number, String name, Bytes bytes)
            throws IOException, MessagingException {
        String origin = "mail " + mail.id() + " " + number;
        if (arrivals.isTaken(origin)) {
            return;
        }
        String subject = mail.subject();
        Optional<Answered> answered = answers.answered(mail.answers());
        Optional<AskedFor> asked = answered.map(a -> kept.askedFor(a, sender(mail)));
        Path file = Files.createTempFile("mail", ".part");
        try {
            try (OutputStream out = Files.newOutputStream(file)) {
                bytes.writeTo(out);
            }
            arrivals.receive(new ReceivedPaper(
                    file,
                    name,
                    Arrival.Source.MAIL,
                    Actor.system(user),
                    asked.map(AskedFor::fileId).orElse(null),
                    asked.map(AskedFor::type).orElse(null),
                    answered.map(a -> note(subject, a, asked)).orElse(subject),
                    mail.sender(),
                    number == 0 ? null : mail.text(),
                    origin));
            answered.ifPresent(a -> answers.noteAnswer(a.noticeId()));
        } catch (Refusal refused) {
            trail.record(AuditEntry.ofFile(
                    Actor.system(user),
                    "mail-not-taken",
                    null,
                    "left “" + name + "” from " + mail.sender() + " in the mailbox: " + refused.getMessage()));
        } finally {
            Files.deleteIfExists(file);
        }
    }

    private static String note(String subject, Answered answered, Optional<AskedFor> asked) {
        String wanted = asked.map(AskedFor::label).map(l -> "; asked for: " + l).orElse("");
        return subject + " (answers “" + answered.subject() + "”" + wanted + ")";
    }

    private static String sender(MailMessage mail) {
        try {
            return mail.sender();
        } catch (MessagingException unreadable) {
            return "";
        }
    }
}
