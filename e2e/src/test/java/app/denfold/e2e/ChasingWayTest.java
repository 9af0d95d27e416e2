package app.denfold.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Papers;
import com.jayway.jsonpath.JsonPath;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import jakarta.activation.DataHandler;
import jakarta.mail.Message;
import jakarta.mail.Session;
import jakarta.mail.Transport;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeBodyPart;
import jakarta.mail.internet.MimeMessage;
import jakarta.mail.internet.MimeMultipart;
import jakarta.mail.util.ByteArrayDataSource;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Properties;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A plan with an outside address is made, its effect and words looked at; what goes out is sent; one mail comes back, the
 * other is answered with a photo that fills the slot.
 */
class ChasingWayTest {

    private static final LocatorAssertions.ContainsTextOptions SOON =
            new LocatorAssertions.ContainsTextOptions().setTimeout(120_000);

    /** A key files nothing that was not there long enough to be looked at; in milliseconds. */
    private static final int LOOKED_AT = 1_100;

    private static final String BROKER = "lorcan.brake@hallam.example";

    @TempDir
    Path folder;

    private final Accessibility accessibility = new Accessibility();
    private Page page;
    private Desk desk;
    private ServerProcess server;

    @Test
    void fromThePlanToThePhotoInItsSlot() throws Exception {
        try (ServerProcess started = new ServerProcess(folder).withoutRecognition();
                Chromium chromium = new Chromium()) {
            server = started;
            server.start();
            page = chromium.desk(server.address());
            desk = new Desk(page);
            desk.signIn("ottilie@oakhollin.example");
            writesWords();
            makesAPlan();
            sendsWhatGoesOut();
            oneComesBack();
            aPhotoFillsTheSlot();
            assertThat(accessibility.faults()).isEmpty();
        }
    }

    private List<String> asked(String path, String json) {
        return JsonPath.read(page.request().get(server.address() + path).text(), json);
    }

    private void writesWords() {
        page.navigate("/chasing?view=plans");
        desk.button("New words").click();
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Please send us");
        accessibility.look(page);
        desk.inDialog("Save").click();
        assertThat(page.getByText("in no plan")).isVisible();
    }

    private void makesAPlan() {
        desk.button("New plan").click();
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Tetanus");
        desk.take("About", "Employees");
        desk.choose("Only", "Tetanus record");
        page.keyboard().press("Escape");
        desk.button("Remove step 3").click();
        for (int step = 1; step <= 2; step++) {
            desk.take("When step " + step + " tells", "days after it went missing");
            page.getByLabel("Days of step " + step).fill("3");
        }
        desk.take("Whom step 2 tells", "somebody outside");
        page.getByLabel("Name for step 2").fill("Lorcan Brake");
        page.getByLabel("Address for step 2").fill(BROKER);
        assertThat(page.locator(".plan-effect")).containsText("mails within 28 days");
        assertThat(page.locator(".plan-effect .mail-text")).containsText("Tetanus record: missing");
        accessibility.look(page);
        desk.button("Save").click();
        assertThat(page.getByText("3 days after it went missing: Lorcan Brake (" + BROKER + ")"))
                .isVisible();
    }

    private Locator planned(String recipient) {
        return page.locator(".ahead-line")
                .filter(new Locator.FilterOptions()
                        .setHas(page.locator("strong").filter(new Locator.FilterOptions().setHasText(recipient))));
    }

    private void sendsWhatGoesOut() {
        page.getByText("Going out", new Page.GetByTextOptions().setExact(true)).click();
        for (String who : List.of("Noor Vahdani", "Lorcan Brake")) {
            planned(who).first().click();
            assertThat(page.locator(".ahead-mail .mail-paper")).containsText("missing");
            if (who.startsWith("Noor")) {
                accessibility.look(page);
            }
            page.keyboard().press("s");
            assertThat(planned(who)).hasCount(0);
        }
    }

    private String numberOf(String address) {
        String mine = "$[?(@.notice.recipient=='" + address + "')].notice";
        page.waitForCondition(
                () -> asked("/api/chased", mine + ".stage").contains("SENT"),
                new Page.WaitForConditionOptions().setTimeout(120_000));
        return "<" + asked("/api/chased", mine + ".id").get(0) + "@oakhollin.example>";
    }

    private void bring(MimeMessage message) throws Exception {
        message.setRecipients(Message.RecipientType.TO, "papers@oakhollin.example");
        message.saveChanges();
        Transport.send(message);
    }

    private MimeMessage message(String from, String subject) throws Exception {
        Properties settings = new Properties();
        settings.put("mail.smtp.host", "127.0.0.1");
        settings.put("mail.smtp.port", String.valueOf(server.mailPort()));
        MimeMessage message = new MimeMessage(Session.getInstance(settings));
        message.setFrom(new InternetAddress(from));
        message.setSubject(subject);
        return message;
    }

    private void oneComesBack() throws Exception {
        String number = numberOf(BROKER);
        String report = "--b\r\nContent-Type: text/plain\r\n\r\nNo such mailbox.\r\n"
                + "--b\r\nContent-Type: message/delivery-status\r\n\r\nReporting-MTA: dns; hallam.example\r\n\r\n"
                + "Final-Recipient: rfc822; " + BROKER + "\r\nAction: failed\r\nStatus: 5.1.1\r\n"
                + "Diagnostic-Code: smtp; 550 5.1.1 no mailbox of this name\r\n\r\n"
                + "--b\r\nContent-Type: message/rfc822\r\n\r\nMessage-ID: " + number + "\r\nSubject: x\r\n\r\nx\r\n"
                + "--b--\r\n";
        MimeMessage message = message("mailer-daemon@hallam.example", "Undelivered mail");
        message.setDataHandler(new DataHandler(new ByteArrayDataSource(
                report.getBytes(StandardCharsets.US_ASCII),
                "multipart/report; report-type=delivery-status; boundary=b")));
        bring(message);
        page.getByText("Went out", new Page.GetByTextOptions().setExact(true)).click();
        Locator row = page.locator(".went-out .ant-table-row").filter(new Locator.FilterOptions().setHasText(BROKER));
        assertThat(row).containsText("550 5.1.1 no mailbox of this name", SOON);
        accessibility.look(page);
        page.navigate("/today");
        assertThat(page.getByText("Mails to " + BROKER + " come back")).isVisible();
    }

    private void aPhotoFillsTheSlot() throws Exception {
        List<String> addresses = asked("/api/chased", "$[?(@.notice.recipient!='" + BROKER + "')].notice.recipient");
        String noor = addresses.get(0);
        MimeMessage answer = message(noor, "Re: Tetanus record");
        answer.setHeader("In-Reply-To", numberOf(noor));
        MimeBodyPart words = new MimeBodyPart();
        words.setText("Here is a photo of it.");
        MimeBodyPart photo = new MimeBodyPart();
        photo.setDataHandler(new DataHandler(new ByteArrayDataSource(Papers.png(), "image/png")));
        photo.setFileName("tetanus.png");
        answer.setContent(new MimeMultipart(words, photo));
        bring(answer);
        page.waitForCondition(
                () -> !asked("/api/arrivals", "$[?(@.fileName=='tetanus.png')].id")
                        .isEmpty(),
                new Page.WaitForConditionOptions().setTimeout(120_000));
        page.navigate("/arrivals?paper="
                + asked("/api/arrivals", "$[?(@.fileName=='tetanus.png')].id").get(0));
        assertThat(page.locator(".arrival-tools")).containsText("tetanus.png");
        assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Noor Vahdani Tetanus record")))
                .isVisible();
        assertThat(page.getByText("asked for: Tetanus record").first()).isVisible();
        page.waitForTimeout(LOOKED_AT);
        desk.fillDay("Dated", LocalDate.now().minusDays(20).toString());
        desk.button("File and next").click();
        assertThat(page.getByText(Pattern.compile("^Filed “Tetanus record")).first())
                .isVisible();
        String file = asked("/api/board?text=vahdani", "$.rows[*].id").get(0);
        page.navigate("/files/" + file);
        desk.assertSlot("Tetanus record", "On file");
        page.navigate("/chasing?view=out");
        assertThat(page.locator(".went-out .ant-table-row").filter(new Locator.FilterOptions().setHasText(noor)))
                .containsText("answered");
    }
}
