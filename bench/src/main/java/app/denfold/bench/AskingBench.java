package app.denfold.bench;

import app.denfold.core.signing.SigningTurn.Task;
import app.denfold.server.content.Contents;
import app.denfold.server.signing.asking.AskDetails;
import app.denfold.server.signing.asking.AskToSign;
import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import jakarta.mail.Session;
import jakarta.mail.Transport;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeMessage;
import java.io.ByteArrayOutputStream;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.util.ArrayList;
import java.util.List;
import java.util.Properties;
import java.util.UUID;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;

/**
 * Papers asked of two signers each in one go, until every mail is with the mail server; against the same rows by plain
 * JDBC, as many papers in a transaction, and the same mails by plain SMTP over one connection.
 */
public final class AskingBench {

    private static final double GOAL = 2;

    /** Asked before anything counts: a server has been running for a while. */
    private static final int WARMING = 300;

    /** As when many people are asked to sign the same form. */
    private static final int AT_ONCE = 25;

    /** Written for each request; the trail is among them. */
    private static final List<String> TABLES = List.of(
            "signature_request",
            "signature_paper",
            "signature_turn",
            "signature_field",
            "signature_link",
            "notice",
            "audit_event");

    private AskingBench() {}

    public static void main(String[] arguments) throws Exception {
        int papers = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 500;
        GreenMail mail = new GreenMail(new ServerSetup(0, "127.0.0.1", ServerSetup.PROTOCOL_SMTP));
        mail.start();
        System.setProperty("DENFOLD_SMTP_PORT", String.valueOf(mail.getSmtp().getPort()));
        try (BenchServer server = new BenchServer()) {
            List<UUID> ids = generate(server, papers + WARMING);
            ask(server, ids.subList(papers, papers + WARMING));
            awaitMails(mail, 2 * WARMING);
            plainMails(mail.getSmtp().getPort(), mails(2 * WARMING));
            awaitMails(mail, 4 * WARMING);
            long rowsBefore = rows();
            long begun = System.nanoTime();
            ask(server, ids.subList(0, papers));
            double asked = seconds(begun);
            awaitMails(mail, 4 * WARMING + 2 * papers);
            double all = seconds(begun);
            long rows = rows() - rowsBefore;
            begun = System.nanoTime();
            double jdbc = plainRows(papers, begun);
            List<Mail> same = mails(2 * papers);
            begun = System.nanoTime();
            plainMails(mail.getSmtp().getPort(), same);
            double smtp = seconds(begun);
            Figures.told("rows-of-one-request", (double) rows / papers, "rows");
            Figures.told("asked", asked, "s");
            Figures.told("asked-and-mailed", all, "s");
            Figures.told("plain-jdbc", jdbc, "s");
            Figures.told("plain-smtp", smtp, "s");
            Figures.atMost("asking-against-plain", all / (jdbc + smtp), "times", GOAL);
        } finally {
            mail.stop();
        }
    }

    private static double seconds(long begun) {
        return (System.nanoTime() - begun) / 1e9;
    }

    private static List<UUID> generate(BenchServer server, int papers) throws Exception {
        ByteArrayOutputStream pdf = new ByteArrayOutputStream();
        try (PDDocument document = new PDDocument()) {
            document.addPage(new PDPage());
            document.save(pdf);
        }
        String sha256 = server.bean(Contents.class).keepPdf(pdf.toByteArray(), 1);
        List<UUID> ids = new ArrayList<>();
        for (int i = 0; i < papers; i++) {
            ids.add(server.newContract(sha256));
        }
        return ids;
    }

    private static void ask(BenchServer server, List<UUID> papers) {
        AskToSign ask = server.bean(AskToSign.class);
        for (int from = 0; from < papers.size(); from += AT_ONCE) {
            ask.askAll(
                    server.viewer(),
                    papers.subList(from, Math.min(papers.size(), from + AT_ONCE)).stream()
                            .map(paper -> new AskDetails(
                                    List.of(new AskDetails.AskedPaper(paper, 1)),
                                    List.of(signer("employee", paper), signer("director", paper)),
                                    List.of(),
                                    null,
                                    null,
                                    false,
                                    0,
                                    0,
                                    false))
                            .toList());
        }
    }

    private static AskDetails.AskedSigner signer(String role, UUID paper) {
        return new AskDetails.AskedSigner(
                0, Task.SIGN, role, null, "Signer as " + role, role + paper + "@post.example");
    }

    private static void awaitMails(GreenMail mail, int count) throws InterruptedException {
        if (!mail.waitForIncomingEmail(600_000, count)) {
            throw new IllegalStateException("Only " + mail.getReceivedMessages().length + " mails came");
        }
    }

    private static long rows() {
        return TABLES.stream()
                .mapToLong(table -> BenchServer.asOwner()
                        .sql("select count(*) from " + table)
                        .query(Long.class)
                        .single())
                .sum();
    }

    /** The rows that were made, written once more into tables like theirs, with their indexes. */
    private static double plainRows(int papers, long ignored) throws Exception {
        try (Connection connection = DriverManager.getConnection(
                System.getenv("DENFOLD_DB_URL"),
                System.getenv("DENFOLD_DB_OWNER"),
                System.getenv("DENFOLD_DB_OWNER_PASSWORD"))) {
            for (String table : TABLES) {
                connection
                        .createStatement()
                        .execute("create table plain_" + table + " (like " + table + " including all)");
                connection
                        .createStatement()
                        .execute("create table kept_" + table + " as select row_number() over () as n, t.* from "
                                + table + " t");
                connection.createStatement().execute("create index on kept_" + table + " (n)");
            }
            long begun = System.nanoTime();
            connection.setAutoCommit(false);
            for (int i = 0; i < papers; i++) {
                for (String table : TABLES) {
                    int each = each(table);
                    copy(connection, table, i * each + 1L, (i + 1L) * each);
                }
                if (i % AT_ONCE == AT_ONCE - 1 || i == papers - 1) {
                    connection.commit();
                }
            }
            return seconds(begun);
        }
    }

    /** Rows of a table for one request. */
    private static int each(String table) {
        return switch (table) {
            case "signature_request", "signature_paper" -> 1;
            // asked, and for each mail that it waits and that it went out
            case "audit_event" -> 5;
            default -> 2;
        };
    }

    private static void copy(Connection connection, String table, long from, long to) throws Exception {
        String columns = BenchServer.asOwnerColumns(table);
        for (long n = from; n <= to; n++) {
            try (PreparedStatement insert = connection.prepareStatement("insert into plain_" + table + " (" + columns
                    + ") select " + columns + " from kept_" + table + " where n = ?")) {
                insert.setLong(1, n);
                insert.executeUpdate();
            }
        }
    }

    /** A mail as it was written. */
    private record Mail(String recipient, String subject, String body) {}

    private static List<Mail> mails(int count) {
        return BenchServer.asOwner()
                .sql("select recipient, subject, body from notice order by queued_at limit ?")
                .param(count)
                .query(Mail.class)
                .list();
    }

    private static void plainMails(int port, List<Mail> mails) throws Exception {
        Properties properties = new Properties();
        properties.put("mail.smtp.host", "127.0.0.1");
        properties.put("mail.smtp.port", String.valueOf(port));
        Session session = Session.getInstance(properties);
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
}
