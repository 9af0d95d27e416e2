package app.denfold.server.arrivals.mailbox;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Api;
import app.denfold.server.Papers;
import app.denfold.server.ServerTest;
import app.denfold.server.TestPractice;
import app.denfold.server.arrivals.receiving.Arrivals;
import app.denfold.server.audit.AuditTrail;
import com.icegreen.greenmail.user.GreenMailUser;
import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import jakarta.activation.DataHandler;
import jakarta.mail.Message;
import jakarta.mail.Session;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeBodyPart;
import jakarta.mail.internet.MimeMessage;
import jakarta.mail.internet.MimeMultipart;
import jakarta.mail.util.ByteArrayDataSource;
import java.util.List;
import java.util.Map;
import java.util.Properties;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

@ServerTest
class ReadMailboxTest {

    @Autowired
    TestPractice practice;

    @Autowired
    Arrivals arrivals;

    @Autowired
    AuditTrail trail;

    private final GreenMail mail = new GreenMail(new ServerSetup(0, "127.0.0.1", ServerSetup.PROTOCOL_IMAP));
    private GreenMailUser mailbox;
    private ReadMailboxJob reader;

    @BeforeEach
    void openMailbox() {
        mail.start();
        String address = "papers" + UUID.randomUUID() + "@oakhollin.example";
        mailbox = mail.setUser(address, address, "secret");
        reader = new ReadMailboxJob("127.0.0.1", mail.getImap().getPort(), address, "secret", false, arrivals, trail);
    }

    @AfterEach
    void closeMailbox() {
        mail.stop();
    }

    private void deliver(String from, String subject, String text, String fileName, byte[] attachment)
            throws Exception {
        MimeMessage message = new MimeMessage(Session.getInstance(new Properties()));
        message.setFrom(new InternetAddress(from));
        message.setRecipients(Message.RecipientType.TO, mailbox.getEmail());
        message.setSubject(subject);
        if (attachment == null) {
            message.setText(text);
        } else {
            MimeBodyPart words = new MimeBodyPart();
            words.setText(text);
            MimeBodyPart paper = new MimeBodyPart();
            paper.setDataHandler(new DataHandler(new ByteArrayDataSource(attachment, "application/octet-stream")));
            paper.setFileName(fileName);
            message.setContent(new MimeMultipart(words, paper));
        }
        message.saveChanges();
        mailbox.deliver(message);
    }

    @Test
    void anAttachmentArrivesWithItsMessageAndItsSenderProposesThePerson() throws Exception {
        Api api = practice.administrator();
        String sender = TestPractice.newAddress();
        UUID file = api.newEmployee("Mailer", sender);
        deliver(sender, "Insurance card", "Please find the card attached.", "card.pdf", Papers.pdf("no name on it"));
        reader.poll();
        Api.Answer list = api.get("/api/arrivals");
        String mine = "$[?(@.source=='MAIL' && @.fileName=='card.pdf')]";
        List<String> ids = list.at(mine + ".id");
        assertThat(ids).hasSize(1);
        Api.Answer detail = api.get("/api/arrivals/{id}", UUID.fromString(ids.get(0)));
        assertThat(detail.<String>at("$.message")).isEqualTo("Please find the card attached.");
        assertThat(detail.<String>at("$.sender")).isEqualTo(sender);
        assertThat(detail.id("$.proposals.persons[0].fileId")).isEqualTo(file);
        assertThat(detail.<String>at("$.proposals.persons[0].reason")).contains("sent from " + sender);
    }

    @Test
    void aGuestOfAFileWhoWritesProposesItsPerson() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Wardling", TestPractice.newAddress());
        String guardian = TestPractice.newAddress();
        api.post(
                "/api/files/{id}/guests",
                Map.of("name", "Ruth Penhallow", "email", guardian, "relation", "guardian"),
                file);
        deliver(guardian, "Consent", "Signed, see attached.", "consent.pdf", Papers.pdf("no name on it either"));
        reader.poll();
        List<String> ids = api.get("/api/arrivals").at("$[?(@.fileName=='consent.pdf')].id");
        Api.Answer detail = api.get("/api/arrivals/{id}", UUID.fromString(ids.get(0)));
        assertThat(detail.id("$.proposals.persons[0].fileId")).isEqualTo(file);
        assertThat(detail.<String>at("$.proposals.persons[0].reason")).contains("sent from " + guardian);
    }

    @Test
    void aMessageIsTakenOnceAlsoWhenItWasNotMarkedAsSeen() throws Exception {
        Api api = practice.administrator();
        deliver("a@post.example", "Twice", "text", "once-only.pdf", Papers.pdf("once"));
        reader.poll();
        mail.getManagers()
                .getImapHostManager()
                .getInbox(mailbox)
                .getMessages()
                .forEach(m -> m.setFlag(jakarta.mail.Flags.Flag.SEEN, false));
        reader.poll();
        assertThat(api.get("/api/arrivals").<List<String>>at("$[?(@.fileName=='once-only.pdf')].id"))
                .hasSize(1);
    }

    @Test
    void aMessageWithoutAttachmentIsItselfThePaper() throws Exception {
        Api api = practice.administrator();
        deliver("b@post.example", "Moving house", "From May on we live at Lower Mill Lane 9.", null, null);
        reader.poll();
        List<String> found = api.get("/api/arrivals").at("$[?(@.fileName=='Moving house.eml')].mediaType");
        assertThat(found).containsExactly("message/rfc822");
    }

    @Test
    void whatIsNotTakenStaysInTheMailboxAndIsNoted() throws Exception {
        deliver("c@post.example", "Tool", "Look at this", "tool.pdf", Papers.png());
        reader.poll();
        assertThat(practice.administrator().get("/api/arrivals").<List<String>>at("$[?(@.fileName=='tool.pdf')].id"))
                .isEmpty();
        assertThat(mail.getManagers().getImapHostManager().getInbox(mailbox).getMessageCount())
                .isEqualTo(1);
    }
}
