package app.denfold.bench;

import app.denfold.core.signing.SigningTurn.Task;
import app.denfold.server.content.Contents;
import app.denfold.server.signing.asking.AskDetails;
import app.denfold.server.signing.asking.AskToSign;
import com.icegreen.greenmail.util.GreenMail;
import com.icegreen.greenmail.util.GreenMailUtil;
import com.icegreen.greenmail.util.ServerSetup;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import jakarta.mail.internet.MimeMessage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.jspecify.annotations.Nullable;

/**
 * Seen in Chromium: a request opened on a phone, until its first page shows, with nothing in the browser's cache and no page
 * drawn before; and the table of all requests, scrolled from end to end.
 */
public final class SigningBench {

    private static final int ROUNDS = 7;

    /** Opened before anything counts: a server has been running for a while. */
    private static final int WARMING = 4;

    private static final int PAGES = 4;
    private static final int AT_ONCE = 25;

    private static final Pattern LINK = Pattern.compile("/sign/[A-Za-z0-9_-]+");
    private static final Pattern CODE = Pattern.compile("\\d{3} \\d{3}");

    /** In milliseconds from the beginning of the navigation. */
    private static final String SHOWN = """
            async () => {
              for (;;) {
                const page = document.querySelector('.turn img');
                if (page && page.complete && page.naturalWidth > 0 && page.getBoundingClientRect().top < innerHeight) {
                  await page.decode();
                  await new Promise(requestAnimationFrame);
                  return performance.now();
                }
                if (performance.now() > 30000) throw new Error('the first page never showed');
                await new Promise(requestAnimationFrame);
              }
            }""";

    /** From asking for the rows of the table until they are all there. */
    private static final String DATA = """
            () => {
              const rows = performance.getEntriesByType('resource').find((e) => e.name.includes('/api/signature-requests'));
              return rows.responseEnd - rows.startTime;
            }""";

    private SigningBench() {}

    public static void main(String[] arguments) throws Exception {
        int requests = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 5_000;
        GreenMail mail = new GreenMail(new ServerSetup(0, "127.0.0.1", ServerSetup.PROTOCOL_SMTP));
        mail.start();
        System.setProperty("DENFOLD_SMTP_PORT", String.valueOf(mail.getSmtp().getPort()));
        try (BenchServer server = new BenchServer();
                BenchBrowser browser = new BenchBrowser()) {
            double[] shown = new double[ROUNDS];
            for (int i = -WARMING; i < ROUNDS; i++) {
                double took = openedOnAPhone(server, browser, mail, i);
                if (i >= 0) {
                    shown[i] = took;
                }
            }
            Figures.atMost("phone-first-page-median", Figures.median(shown), "ms", 1_200);
            Figures.atMost("phone-first-page-most", Figures.percentile95(shown), "ms", 1_200);
            table(server, browser, requests);
        } finally {
            mail.stop();
        }
    }

    private static double openedOnAPhone(BenchServer server, BenchBrowser browser, GreenMail mail, int round)
            throws Exception {
        String email = "signer" + round + "@post.example";
        ask(server, List.of(paper(server, "A contract of round " + round)), email);
        await(mail, 1);
        String link = server.address() + found(LINK, mail);
        String known;
        try (BrowserContext door = browser.phone(null)) {
            Page page = door.newPage();
            // the pages are drawn for the first time on the phone that counts
            page.route("**/pages/**", Route::abort);
            page.navigate(link);
            mail.purgeEmailFromAllMailboxes();
            page.getByText("Send me the code").click();
            await(mail, 1);
            page.getByLabel("Code").fill(found(CODE, mail));
            page.getByText("Go on").click();
            page.waitForSelector(".turn");
            known = door.storageState();
        }
        mail.purgeEmailFromAllMailboxes();
        try (BrowserContext phone = browser.phone(known)) {
            Page page = phone.newPage();
            page.navigate(link);
            return ((Number) page.evaluate(SHOWN)).doubleValue();
        }
    }

    private static void await(GreenMail mail, int count) {
        if (!mail.waitForIncomingEmail(60_000, count)) {
            throw new IllegalStateException("The mail did not come");
        }
    }

    private static String found(Pattern pattern, GreenMail mail) {
        MimeMessage[] all = mail.getReceivedMessages();
        Matcher matcher = pattern.matcher(GreenMailUtil.getBody(all[all.length - 1]));
        if (!matcher.find()) {
            throw new IllegalStateException("There is no " + pattern + " in the mail");
        }
        return matcher.group();
    }

    private static UUID paper(BenchServer server, String words) throws IOException {
        return server.newContract(server.bean(Contents.class).keepPdf(pdf(words), PAGES));
    }

    private static byte[] pdf(String words) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (PDDocument document = new PDDocument()) {
            for (int i = 0; i < PAGES; i++) {
                PDPage page = new PDPage(PDRectangle.A4);
                document.addPage(page);
                try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                    content.setFont(new PDType1Font(Standard14Fonts.FontName.HELVETICA), 10);
                    for (int line = 0; line < 45; line++) {
                        content.beginText();
                        content.newLineAtOffset(60, 780 - line * 16f);
                        content.showText(line + ". " + words + ": both sides keep to what is written on page " + i);
                        content.endText();
                    }
                }
            }
            document.save(out);
        }
        return out.toByteArray();
    }

    /** @param email of the one who signs; null when nobody is written to */
    private static void ask(BenchServer server, List<UUID> papers, @Nullable String email) {
        server.bean(AskToSign.class)
                .askAll(
                        server.viewer(),
                        papers.stream()
                                .map(paper -> new AskDetails(
                                        List.of(new AskDetails.AskedPaper(paper, 1)),
                                        List.of(new AskDetails.AskedSigner(
                                                0, Task.SIGN, "employee", null, "Tamsin Korhola", email)),
                                        List.of(),
                                        null,
                                        null,
                                        false,
                                        0,
                                        0,
                                        false))
                                .toList());
    }

    private static void table(BenchServer server, BenchBrowser browser, int requests) throws IOException {
        List<UUID> papers = new ArrayList<>();
        for (int i = 0; i < requests; i++) {
            papers.add(paper(server, "The same contract"));
        }
        for (int from = 0; from < requests; from += AT_ONCE) {
            ask(server, papers.subList(from, Math.min(requests, from + AT_ONCE)), null);
        }
        Page page = browser.signedIn(server.address(), BenchServer.EMAIL, BenchServer.PASSWORD);
        long begun = System.nanoTime();
        page.navigate(server.address() + "/signing?show=all");
        page.locator(".signing-page .ant-table-row").first().waitFor();
        Figures.told("table-rows", requests, "rows");
        Figures.told("table-first-row", (System.nanoTime() - begun) / 1e6, "ms");
        Figures.told("table-data", ((Number) page.evaluate(DATA)).doubleValue(), "ms");
        new Scrolling(".signing-page .ant-table-tbody-virtual-holder").measure(page, "table");
    }
}
