package app.denfold.server.arrivals.mailbox;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Api;
import app.denfold.server.Papers;
import app.denfold.server.ServerTest;
import app.denfold.server.TestMail;
import app.denfold.server.TestPractice;
import app.denfold.server.arrivals.receiving.Arrivals;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.chasing.MailAnswers;
import app.denfold.server.chasing.answers.KeepMailAnswers;
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
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
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

    @Autowired
    MailAnswers answers;

    @Autowired
    KeepMailAnswers kept;

    private final GreenMail mail = new GreenMail(new ServerSetup(0, "127.0.0.1", ServerSetup.PROTOCOL_IMAP));
    private GreenMailUser mailbox;
    private ReadMailboxJob reader;

    @BeforeEach
    void openMailbox() {
        mail.start();
        String address = "papers" + UUID.randomUUID() + "@oakhollin.example";
        mailbox = mail.setUser(address, address, "secret");
        reader = new ReadMailboxJob(
                "127.0.0.1", mail.getImap().getPort(), address, "secret", false, arrivals, trail, answers, kept);
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

    /** A mail of ours about a file, as it went out. */
    private MimeMessage written(Api api, UUID file, String to) throws Exception {
        api.post("/api/files/{id}/chase", Map.of("to", to, "body", "Please send the card.", "again", false), file);
        TestMail.waitFor(to, 1);
        return TestMail.messagesTo(to).get(0);
    }

    @Test
    void anAnswerToAMailOfOursIsForTheFileItWasAbout() throws Exception {
        Api api = practice.administrator();
        String to = TestPractice.newAddress();
        UUID file = api.newEmployee("Answered", to);
        MimeMessage ours = written(api, file, to);
        MimeMessage answer = new MimeMessage(Session.getInstance(new Properties()));
        answer.setFrom(new InternetAddress("from-elsewhere@post.example"));
        answer.setSubject("Re: your papers");
        answer.setHeader("References", "<older@post.example>\r\n " + ours.getMessageID());
        MimeBodyPart paper = new MimeBodyPart();
        paper.setDataHandler(
                new DataHandler(new ByteArrayDataSource(Papers.pdf("no name"), "application/octet-stream")));
        paper.setFileName("answer.pdf");
        answer.setContent(new MimeMultipart(paper));
        answer.saveChanges();
        mailbox.deliver(answer);
        reader.poll();
        List<String> ids = api.get("/api/arrivals").at("$[?(@.fileName=='answer.pdf')].id");
        Api.Answer detail = api.get("/api/arrivals/{id}", UUID.fromString(ids.get(0)));
        assertThat(detail.id("$.proposals.persons[0].fileId")).isEqualTo(file);
        assertThat(detail.<String>at("$.proposals.persons[0].reason")).isEqualTo("it came for this file");
    }

    @Test
    void aMailThatCameBackIsNotedAtItAndIsNoPaper() throws Exception {
        Api api = practice.administrator();
        String to = TestPractice.newAddress();
        UUID file = api.newEmployee("Bounced", to);
        MimeMessage ours = written(api, file, to);
        int waiting = api.get("/api/arrivals").<List<?>>at("$").size();
        report(ours.getMessageID(), to, "delayed", "451 try later");
        reader.poll();
        assertThat(api.get("/api/arrivals").<List<?>>at("$")).as("no paper").hasSize(waiting);
        report(ours.getMessageID(), "stranger@post.example", "failed", "550 5.1.1 no such user");
        reader.poll();
        waiting = api.get("/api/arrivals").<List<?>>at("$").size();
        assertThat(api.get("/api/files/{id}/notices", file).<String>at("$[0].state"))
                .isEqualTo("SENT");
        report(ours.getMessageID(), to, "failed", "550 5.1.1 no such user");
        reader.poll();
        Api.Answer notices = api.get("/api/files/{id}/notices", file);
        assertThat(notices.<String>at("$[0].state")).isEqualTo("FAILED");
        assertThat(notices.<String>at("$[0].result")).isEqualTo("came back: 550 5.1.1 no such user");
        assertThat(notices.<Boolean>at("$[0].mayRetry")).isFalse();
        assertThat(api.get("/api/arrivals").<List<?>>at("$")).hasSize(waiting);
    }

    /** What a mail server sends about a mail that it could not deliver (RFC 3464). */
    private void report(String messageId, String recipient, String action, String code) throws Exception {
        String raw = String.join(
                "\r\n",
                "From: MAILER-DAEMON@post.example",
                "To: " + mailbox.getEmail(),
                "Subject: Undelivered",
                "Message-ID: <" + UUID.randomUUID() + "@post.example>",
                "MIME-Version: 1.0",
                "Content-Type: multipart/report; report-type=delivery-status; boundary=b",
                "",
                "--b",
                "Content-Type: text/plain",
                "",
                "It did not arrive.",
                "--b",
                "Content-Type: message/delivery-status",
                "",
                "Reporting-MTA: dns; post.example",
                "",
                "Final-Recipient: rfc822; " + recipient,
                "Action: " + action,
                "Status: 5.1.1",
                "Diagnostic-Code: smtp; " + code,
                "",
                "--b",
                "Content-Type: text/rfc822-headers",
                "",
                "Message-ID: " + messageId,
                "Subject: Papers",
                "",
                "--b--",
                "");
        mailbox.deliver(new MimeMessage(
                Session.getInstance(new Properties()),
                new ByteArrayInputStream(raw.getBytes(StandardCharsets.US_ASCII))));
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

    private void reply(MimeMessage ours, String from, String text, String fileName, Map<String, String> headers)
            throws Exception {
        MimeMessage answer = new MimeMessage(Session.getInstance(new Properties()));
        answer.setFrom(new InternetAddress(from));
        answer.setSubject("Re: " + ours.getSubject());
        answer.setHeader("In-Reply-To", ours.getMessageID());
        MimeBodyPart words = new MimeBodyPart();
        words.setText(text);
        MimeMultipart parts = new MimeMultipart(words);
        if (fileName != null) {
            MimeBodyPart paper = new MimeBodyPart();
            paper.setDataHandler(new DataHandler(new ByteArrayDataSource(Papers.png(), "image/png")));
            paper.setFileName(fileName);
            parts.addBodyPart(paper);
        }
        answer.setContent(parts);
        for (Map.Entry<String, String> header : headers.entrySet()) {
            answer.setHeader(header.getKey(), header.getValue());
        }
        answer.saveChanges();
        mailbox.deliver(answer);
        reader.poll();
    }

    private List<String> stage(Api api, UUID file) throws Exception {
        return api.get("/api/files/{id}/notices", file).at("$[*].stage");
    }

    @Test
    void aPhotoSentBackSaysWhatWasAskedForAndIsAnAnswer() throws Exception {
        Api api = practice.administrator();
        String to = TestPractice.newAddress();
        UUID file = api.newEmployee("Photographed", to);
        MimeMessage ours = written(api, file, to);
        List<String> asked = api.get("/api/chased").at("$[?(@.notice.recipient=='" + to + "')].told[*].label");
        reply(ours, to, "Here it is.", "photo-" + file + ".png", Map.of());
        assertThat(asked)
                .as("several are asked for, so that the note says which")
                .hasSizeGreaterThan(1);
        List<String> ids = api.get("/api/arrivals").at("$[?(@.fileName=='photo-" + file + ".png')].id");
        Api.Answer arrived = api.get("/api/arrivals/{id}", UUID.fromString(ids.get(0)));
        assertThat(api.get("/api/arrivals").<List<String>>at("$[?(@.id=='" + ids.get(0) + "')].note"))
                .allMatch(note -> note.contains("asked for: " + asked.get(0)));
        assertThat(arrived.id("$.proposals.persons[0].fileId")).isEqualTo(file);
        assertThat(stage(api, file)).containsExactly("ANSWERED");
    }

    @Test
    void wordsWithoutAPaperAreKeptInTheFileAndAnAbsenceIsNoAnswer() throws Exception {
        Api api = practice.administrator();
        String to = TestPractice.newAddress();
        UUID file = api.newEmployee("Wordsonly", to);
        MimeMessage ours = written(api, file, to);
        reply(ours, to, "I am away until Monday.", null, Map.of("Auto-Submitted", "auto-replied"));
        assertThat(api.get("/api/files/{id}/mail-answers", file).<List<Object>>at("$"))
                .isEmpty();
        assertThat(stage(api, file)).containsExactly("SENT");
        assertThat(api.get("/api/files/{id}/notices", file).<String>at("$[0].awayAt"))
                .isNotBlank();

        reply(ours, to, "It comes on Friday.\n> Please send the card.", null, Map.of());
        Api.Answer answered = api.get("/api/files/{id}/mail-answers", file);
        assertThat(answered.<List<String>>at("$[*].words")).containsExactly("It comes on Friday.");
        assertThat(stage(api, file)).containsExactly("ANSWERED");
        String mine = "$.dueToday[?(@.action=='mail-answer' && @.fileId=='" + file + "')].taskId";
        assertThat(api.get("/api/today").<List<String>>at(mine)).hasSize(1);
        api.post("/api/mail-answers/{id}/seen", null, answered.id("$[0].id"));
        assertThat(api.get("/api/today").<List<String>>at(mine)).isEmpty();
        assertThat(api.get("/api/arrivals").<List<String>>at("$[?(@.sender=='" + to + "')].id"))
                .as("words are no papers")
                .isEmpty();
    }
}
