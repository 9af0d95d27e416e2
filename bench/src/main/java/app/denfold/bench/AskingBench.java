package app.denfold.bench;

import app.denfold.core.signing.SigningTurn.Task;
import app.denfold.server.content.Contents;
import app.denfold.server.signing.asking.AskDetails;
import app.denfold.server.signing.asking.AskToSign;
import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.ServerSetup;
import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.List;
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
            PlainMails.send(mail.getSmtp().getPort(), PlainMails.written(2 * WARMING));
            awaitMails(mail, 4 * WARMING);
            long rowsBefore = rows();
            long begun = System.nanoTime();
            ask(server, ids.subList(0, papers));
            double asked = seconds(begun);
            awaitMails(mail, 4 * WARMING + 2 * papers);
            double all = seconds(begun);
            long rows = rows() - rowsBefore;
            double jdbc = PlainRows.write(TABLES, AskingBench::each, papers, AT_ONCE);
            List<PlainMails.Mail> same = PlainMails.written(2 * papers);
            begun = System.nanoTime();
            PlainMails.send(mail.getSmtp().getPort(), same);
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

    /** Rows of a table for one request. */
    private static int each(String table) {
        return switch (table) {
            case "signature_request", "signature_paper" -> 1;
            // asked, and for each mail that it waits and that it went out
            case "audit_event" -> 5;
            default -> 2;
        };
    }
}
