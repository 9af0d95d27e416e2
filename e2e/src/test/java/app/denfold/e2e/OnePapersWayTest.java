package app.denfold.e2e;

import static app.denfold.server.Patience.await;
import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Papers;
import com.jayway.jsonpath.JsonPath;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The whole way of papers through the product, in a real browser on a real server. */
class OnePapersWayTest {

    private static final LocalDate TODAY = LocalDate.now();
    private static final String MAIL = "wendeline.okparo@post.example";
    private static final String PASSWORD = "a horse in the rain";

    @TempDir
    Path folder;

    private final Accessibility accessibility = new Accessibility();
    private ServerProcess server;
    private Desk desk;
    private Page phone;
    private String fileAddress;

    @Test
    void fromTheScannerToASignedSharedProvenPlaceInTheFile() throws Exception {
        try (ServerProcess running = new ServerProcess(folder);
                Chromium chromium = new Chromium()) {
            server = running;
            server.start();
            desk = new Desk(chromium.desk(server.address()));
            phone = chromium.phone(server.address());
            makesAFileAndFindsItAgain();
            takesPapersInAndFilesThem();
            seesSlotsFilledAndEmpty();
            chasesWhatIsMissing();
            hasTheContractSigned();
            sharesTheContractWithTheEmployee();
            theGuestComesReadsAndSends();
            filesTheGuestsPaper();
            theTrailTellsItAllInOrder();
            assertThat(accessibility.faults()).isEmpty();
        }
    }

    private static String words(LocalDate day) {
        return day.format(DateTimeFormatter.ofPattern("d MMM uuuu", Locale.ENGLISH));
    }

    private void makesAFileAndFindsItAgain() {
        desk.page().navigate("/");
        assertThat(desk.page().getByLabel("Mail address")).isVisible();
        accessibility.look(desk.page());
        desk.signIn("ottilie@oakhollin.example");
        desk.page().navigate("/files");
        assertThat(desk.page().getByText("Tamsin Korhola")).isVisible();
        accessibility.look(desk.page());
        desk.button("New file").click();
        Locator willHave = desk.page().getByLabel("Slots of the new file");
        assertThat(willHave).containsText("Contract");
        desk.page().getByLabel("Given name").fill("Wendeline");
        desk.page().getByLabel("Family name").fill("Okparo");
        desk.fillDay("Birth date", "9 Mar 1994");
        desk.fillDay("Starts", words(TODAY.minusDays(60)));
        desk.page().getByLabel("Mail address").fill(MAIL);
        assertThat(willHave).not().containsText("Instructor licence");
        desk.choose("Role", "instructor");
        assertThat(willHave).containsText("Instructor licence");
        accessibility.look(desk.page());
        desk.button("Make the file").click();
        Locator heading =
                desk.page().getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Wendeline Okparo"));
        assertThat(heading).isVisible();
        fileAddress = desk.page().url();
        String number = desk.page().locator(".file-facts span").first().textContent();
        for (String text : List.of("okpa", number)) {
            desk.page().navigate("/files");
            assertThat(desk.page().getByText("Tamsin Korhola")).isVisible();
            desk.page().keyboard().press("/");
            desk.page().keyboard().type(text);
            desk.page()
                    .locator(".ant-select-item-option")
                    .filter(new Locator.FilterOptions().setHasText("Okparo"))
                    .click();
            assertThat(heading).isVisible();
        }
    }

    private void takesPapersInAndFilesThem() throws Exception {
        Path contract = Files.write(folder.resolve("contract.pdf"), Papers.pdf("Contract of employment"));
        Path photo = Files.write(folder.resolve("photo.png"), Papers.png());
        Path scan = Files.write(folder.resolve("scan.pdf"), Papers.pdf("Certificate of first aid"));
        Path empty = Files.createFile(folder.resolve("empty.pdf"));
        desk.page()
                .getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Arrivals"))
                .click();
        Locator input = desk.page().getByLabel("Choose files for Arrivals");
        input.setInputFiles(new Path[] {contract, photo, scan, empty});
        assertThat(desk.page().getByRole(AriaRole.ALERT)).containsText("is empty");
        desk.button("Dismiss").click();
        Path picked = Files.write(server.pickup().resolve("Office desk/scan_7001.pdf"), Papers.pdf("Manual handling"));
        await().until(() -> !Files.exists(picked));

        desk.openArrival("scan.pdf");
        accessibility.look(desk.page());
        desk.choose("Person", "Okparo");
        desk.choose("Type", "First aid certificate");
        desk.fillDay("Dated", words(TODAY.plusDays(3)));
        assertThat(desk.page().getByText("cannot be dated after today")).isVisible();
        desk.fillDay("Dated", words(TODAY.minusDays(20)));
        assertThat(desk.page().locator(".named"))
                .hasText("First aid certificate, " + TODAY.minusDays(20) + ", Okparo W, to review");
        assertThat(desk.page().locator(".effect")).containsText("once accepted");
        desk.page().locator(".filing h2").click();
        desk.page().keyboard().press("Enter");
        assertThat(desk.page().getByText("Filed “First aid certificate")).isVisible();

        fileAs("contract.pdf", "Contract", TODAY.minusDays(58));
        fileAs("photo.png", "Passport", TODAY.minusDays(400));
        fileAs("scan_7001.pdf", "Manual handling", TODAY.minusDays(30));
    }

    private void fileAs(String fileName, String type, LocalDate dated) {
        desk.openArrival(fileName);
        desk.choose("Person", "Okparo");
        desk.choose("Type", type);
        desk.fillDay("Dated", words(dated));
        assertThat(desk.page().locator(".named")).containsText(type);
        desk.button("File and next").click();
        assertThat(desk.page().getByText("Filed “" + type)).isVisible();
    }

    private void seesSlotsFilledAndEmpty() {
        desk.page().navigate(fileAddress);
        desk.assertSlot("First aid certificate", "In review");
        desk.assertSlot("Contract", "Awaiting signature");
        desk.assertSlot("Manual handling", "On file");
        desk.assertSlot("Identity, 100 points", "Missing");
        desk.assertSlot("Handbook receipt", "Missing");
        accessibility.look(desk.page());
    }

    private void chasesWhatIsMissing() {
        desk.button("Chase").click();
        assertThat(desk.page().getByLabel("Text of the mail")).hasValue(Pattern.compile("Handbook receipt: missing"));
        desk.inDialog("Send").click();
        assertThat(desk.page().getByText("On its way")).isVisible();
        desk.button("Notices").click();
        Locator notice = desk.page().locator(".notice").first();
        assertThat(notice).containsText("papers we need from you");
        assertThat(notice).containsText("sent");
        accessibility.look(desk.page());
        desk.page().keyboard().press("Escape");
        desk.button("Chase").click();
        assertThat(desk.page().getByText("Chased today already")).isVisible();
        desk.inDialog("Not now").click();
    }

    private void hasTheContractSigned() throws Exception {
        desk.slot("Contract").locator(".slot-paper").click();
        desk.button("Sign at the desk").click();
        assertThat(desk.page().getByLabel("Name of the employee")).hasValue("Wendeline Okparo");
        desk.page().getByLabel("Name of the director").fill("Bram Ostervelt");
        accessibility.look(desk.page());
        desk.button("Lay it before them").click();
        assertThat(desk.page().getByText("Wendeline Okparo, please sign")).isVisible();
        accessibility.look(desk.page());
        drawSignature();
        desk.button("I have read it and sign").click();
        assertThat(desk.page().getByText("Bram Ostervelt, please sign")).isVisible();
        desk.page().getByText("Type the name").click();
        desk.page().getByLabel("Your full name").fill("Bram Ostervelt");
        desk.page().getByLabel("Password of Bram Ostervelt").fill("oakhollin-demo");
        desk.button("I have read it and sign").click();
        assertThat(desk.page().getByText("Signed by everyone and sealed")).isVisible();
        desk.page().navigate("/today");
        assertThat(desk.page().getByText("Signed by everyone and sealed")).isVisible();
        desk.button("Back to the practice").click();
        desk.page().getByLabel("Password to unlock").fill("oakhollin-demo");
        desk.button("Unlock").click();
        desk.assertSlot("Contract", "On file");
        assertThat(desk.page().locator(".reader-tools")).containsText("version 2");
        desk.button("Download").click();
        Download download = desk.page()
                .waitForDownload(
                        () -> desk.page().getByText("For us, as it came").click());
        byte[] pdf = Files.readAllBytes(download.path());
        assertThat(pdfsig(pdf)).contains("Signature is Valid.", "Total document signed");
        pdf[200] ^= 1;
        assertThat(pdfsig(pdf)).doesNotContain("Signature is Valid.");
    }

    private void drawSignature() {
        BoundingBox box = desk.page().locator(".pen-box").boundingBox();
        var mouse = desk.page().mouse();
        mouse.move(box.x + box.width * 0.2, box.y + box.height * 0.6);
        mouse.down();
        for (int i = 1; i <= 12; i++) {
            mouse.move(box.x + box.width * (0.2 + 0.05 * i), box.y + box.height * (i % 2 == 0 ? 0.3 : 0.7));
        }
        mouse.up();
    }

    private String pdfsig(byte[] pdf) throws Exception {
        Path file = Files.write(Files.createTempFile(folder, "signed", ".pdf"), pdf);
        Process process = new ProcessBuilder("pdfsig", file.toString())
                .redirectErrorStream(true)
                .start();
        return new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    }

    private void sharesTheContractWithTheEmployee() {
        desk.button("Share").first().click();
        assertThat(desk.page().getByLabel("Mail address of the guest")).hasValue(MAIL);
        desk.inDialog("Invite").click();
        desk.button("Show what they will see").click();
        assertThat(desk.page().locator(".copy-pages img").first()).isVisible();
        desk.button("Share with Wendeline Okparo").click();
        assertThat(desk.page().getByText("Shared with Wendeline Okparo")).isVisible();
    }

    private String invitation() throws Exception {
        return await().until(this::newestInvitation, link -> !link.isEmpty());
    }

    private String newestInvitation() {
        String mails =
                desk.page().request().get(server.address() + "/api/demo/mail").text();
        List<String> texts = JsonPath.read(mails, "$.mails[?(@.to=='" + MAIL + "')].text");
        return texts.stream()
                .filter(text -> text.contains("/invitation/"))
                .map(text -> text.replaceAll("(?s).*(http\\S+/invitation/\\S+).*", "$1"))
                .findFirst()
                .orElse("");
    }

    private void theGuestComesReadsAndSends() throws Exception {
        String link = invitation();
        phone.navigate(link);
        phone.getByLabel("New password").fill(PASSWORD);
        accessibility.look(phone);
        phone.getByText("Save and go in").click();
        assertThat(phone.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("We need")))
                .isVisible();
        Locator card = phone.locator(".portal-card").filter(new Locator.FilterOptions().setHasText("Handbook receipt"));
        assertThat(card).containsText("missing");
        accessibility.look(phone);
        phone.getByLabel("Open Contract").first().click();
        assertThat(phone.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName("page 1 of 2")))
                .isVisible();
        accessibility.look(phone);
        Download download =
                phone.waitForDownload(() -> phone.getByText("Download").click());
        assertThat(Files.size(download.path())).isPositive();
        phone.getByText("Back").click();
        Path handbook = Files.write(folder.resolve("handbook.png"), Papers.png());
        phone.getByLabel("Choose a file: Handbook receipt").setInputFiles(handbook);
        phone.getByText("Send one paper").click();
        assertThat(phone.getByText("Handbook receipt: received")).isVisible();
        phone.navigate(fileAddress);
        assertThat(phone.getByText("What you sent us · 1")).isVisible();
        phone.context().clearCookies();
        phone.navigate(link);
        assertThat(phone.getByText("This link was used already")).isVisible();
    }

    private void filesTheGuestsPaper() {
        desk.page().navigate("/arrivals");
        assertThat(desk.page().getByText("From guests")).isVisible();
        desk.page()
                .locator(".arrival-line")
                .filter(new Locator.FilterOptions().setHasText("Handbook receipt"))
                .click();
        assertThat(desk.page().getByText("Asked for: Handbook receipt")).isVisible();
        desk.fillDay("Dated", words(TODAY));
        assertThat(desk.page().locator(".effect")).containsText("on file");
        desk.button("File and next").click();
        assertThat(desk.page().getByText("Filed “Handbook receipt")).isVisible();
        desk.page().navigate(fileAddress);
        desk.assertSlot("Handbook receipt", "On file");
    }

    private void theTrailTellsItAllInOrder() {
        desk.page().navigate(fileAddress + "?view=trail");
        Locator lines = desk.page().locator(".trail li");
        assertThat(lines.first()).isVisible();
        List<String> oldestFirst = new ArrayList<>(lines.allInnerTexts());
        Collections.reverse(oldestFirst);
        String story = String.join("\n", oldestFirst);
        assertThat(story)
                .containsSubsequence(
                        "made the file",
                        "filed “First aid certificate",
                        "filed “Contract",
                        "filed “Passport",
                        "from the pickup “Office desk”",
                        "papers we need from you",
                        "laid “Contract",
                        "Wendeline Okparo signed",
                        "Bram Ostervelt signed",
                        "sealed “Contract",
                        "made Wendeline Okparo (the person) a guest",
                        "shared “Contract",
                        "Wendeline Okparo looked at “Contract",
                        "Wendeline Okparo downloaded “Contract",
                        "sent through the portal by Wendeline Okparo",
                        "filed “Handbook receipt");
        accessibility.look(desk.page());
    }
}
