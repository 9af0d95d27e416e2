package app.denfold.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Patience;
import com.jayway.jsonpath.JsonPath;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A certificate is marked as with a pen, names on it are covered, and an insurer gets a copy in which they are gone: by hand,
 * and by mail behind a link with a code. Then pages are numbered, and the next ones go on where these ended.
 */
class MarkingWayTest {

    private static final String INSURER = "Hallam Insurance";
    private static final String INSURERS_MAIL = "post@hallam.example";

    @TempDir
    Path folder;

    private final Accessibility accessibility = new Accessibility();
    private Page page;
    private Desk desk;
    private String address;

    @Test
    void marksCoversByWordsAndGivesACopyToAnInsurer() throws Exception {
        try (ServerProcess server = new ServerProcess(folder);
                Chromium chromium = new Chromium()) {
            server.startFromDemo();
            page = chromium.desk(server.address());
            desk = new Desk(page);
            desk.signIn("ottilie@oakhollin.example");
            openPaper(server);
            notesAndHighlights();
            coversByWords();
            givesACopy();
            seesWhoHasIt();
            mailsALink(server, chromium);
            numbersPages();
            readsWhatOthersMarked();
            assertThat(accessibility.faults()).isEmpty();
        }
    }

    private Locator margin() {
        return page.getByRole(AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("Marks"));
    }

    private Locator onPage(String kind) {
        return page.locator(".page-mark." + kind);
    }

    private void openPaper(ServerProcess server) throws Exception {
        HttpSession ottilie = HttpSession.signIn(server.address(), "ottilie@oakhollin.example");
        String found = ottilie.post(
                        "/api/find", "{\"words\":\"certify practical test riding settings\",\"person\":\"korhola\"}")
                .body();
        List<String> ids = JsonPath.read(found, "$.papers[*].id");
        String file = JsonPath.read(found, "$.papers[0].fileId");
        address = "/files/" + file + "?view=read&paper=" + ids.get(0);
        page.navigate(address);
        assertThat(page.locator(".textLayer")).containsText("certify");
    }

    /** What the demo put there goes first. */
    private void notesAndHighlights() {
        assertThat(margin()).containsText("Ask Fennick Hall");
        accessibility.look(page);
        Locator remove = margin().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Remove"));
        while (remove.count() > 0) {
            int before = remove.count();
            remove.first().click();
            assertThat(remove).hasCount(before - 1);
        }
        BoundingBox sheet = page.locator(".sheet").first().boundingBox();
        page.mouse().move(sheet.x + sheet.width * 0.6, sheet.y + sheet.height * 0.05);
        page.mouse().down();
        page.mouse().move(sheet.x + sheet.width * 0.85, sheet.y + sheet.height * 0.09);
        page.mouse().up();
        desk.button("Note").click();
        page.getByLabel("Note").fill("Ask for the original.");
        desk.button("Save note").click();
        assertThat(margin()).containsText("Ask for the original.");

        page.locator(".textLayer span")
                .filter(new Locator.FilterOptions().setHasText("certify"))
                .first()
                .dblclick(new Locator.DblclickOptions().setPosition(8, 5));
        desk.button("Highlight").click();
        assertThat(onPage("highlight")).hasCount(1);
        onPage("highlight").press("ArrowDown");
        page.reload();
        assertThat(onPage("highlight")).hasCount(1);
        assertThat(onPage("note")).hasCount(1);
    }

    private void coversByWords() {
        desk.button("Cover words").click();
        desk.choose("Names, numbers and other words", "Tamsin Korhola");
        page.keyboard().press("Escape");
        page.getByLabel("birth dates").check();
        Locator dialog = page.getByRole(AriaRole.DIALOG).last();
        assertThat(dialog.locator(".covers-found")).containsText("Tamsin Korhola");
        accessibility.look(page);
        page.locator(".ant-modal-footer .ant-btn-primary").click();
        assertThat(onPage("cover").first()).isVisible();
        assertThat(margin()).containsText("Cover");
    }

    private void givesACopy() throws Exception {
        desk.button("Download").click();
        page.getByText("A copy for …").click();
        page.getByLabel("Their name").fill(INSURER);
        desk.button("Show what they will see").click();
        Locator give = page.locator(".copy-footer .ant-btn-primary")
                .filter(new Locator.FilterOptions().setHasText("Download for " + INSURER));
        assertThat(give).containsText("covered");
        assertThat(page.locator(".copy-pages img").first()).isVisible();
        accessibility.look(page);
        Download download = page.waitForDownload(give::click);
        String name = download.suggestedFilename();
        assertThat(name).matches("First aid certificate, copy \\d+\\.pdf");
        Path copy = folder.resolve("copy.pdf");
        download.saveAs(copy);
        String text = run("pdftotext", copy.toString(), "-");
        assertThat(text).contains("certify", "for " + INSURER).doesNotContainIgnoringCase("korhola");
        assertThat(run("qpdf", "--check", copy.toString())).doesNotContain("WARNING");
    }

    private static String run(String... command) throws Exception {
        Process process = new ProcessBuilder(command).redirectErrorStream(true).start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).as(said).isZero();
        return said;
    }

    private void seesWhoHasIt() {
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Details"))
                .click();
        Locator copies = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Copies that left"));
        assertThat(copies).containsText(INSURER);
        assertThat(copies).containsText("covered");
        accessibility.look(page);
    }

    private String newest(String to, String what) {
        Pattern wanted = Pattern.compile(what);
        return Patience.await()
                .until(
                        () -> {
                            String mails = page.request().get("/api/demo/mail").text();
                            List<String> texts = JsonPath.read(mails, "$.mails[?(@.to=='" + to + "')].text");
                            return texts.stream()
                                    .map(wanted::matcher)
                                    .filter(Matcher::find)
                                    .map(found -> found.group(1))
                                    .findFirst();
                        },
                        Optional::isPresent)
                .orElseThrow();
    }

    /** The insurer opens it on a screen of its own. */
    private void mailsALink(ServerProcess server, Chromium chromium) throws Exception {
        page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Copies that left"))
                .getByRole(AriaRole.LINK)
                .nth(1)
                .click();
        assertThat(page.locator(".sheet").first()).isVisible();
        desk.button("Download").click();
        page.getByText("A copy for …").click();
        page.getByLabel("Their name").fill(INSURER);
        desk.button("Show what they will see").click();
        desk.button("By mail …").click();
        page.getByLabel("Mail address").fill(INSURERS_MAIL);
        accessibility.look(page);
        desk.button("Send to " + INSURER).click();
        assertThat(page.getByText("On its way to " + INSURERS_MAIL)).isVisible();

        Page insurer = chromium.desk(server.address());
        insurer.navigate("/copies/" + newest(INSURERS_MAIL, "/copies/([A-Za-z0-9_-]+)"));
        assertThat(insurer.getByText("p…@hallam.example")).isVisible();
        accessibility.look(insurer);
        insurer.getByText("Send me the code").click();
        insurer.getByLabel("Code").fill(newest(INSURERS_MAIL, "Code (\\d{3} \\d{3})"));
        insurer.getByText("Go on").click();
        assertThat(insurer.getByText("Papers for " + INSURER)).isVisible();
        assertThat(insurer.getByAltText("page 1 of").first()).isVisible();
        accessibility.look(insurer);
        Download download = insurer.waitForDownload(
                () -> insurer.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Download"))
                        .click());
        Path copy = folder.resolve("by-link.pdf");
        download.saveAs(copy);
        assertThat(run("pdftotext", copy.toString(), "-"))
                .contains("for " + INSURER)
                .doesNotContainIgnoringCase("korhola");
        insurer.context().close();
    }

    private void numbersPages() {
        page.getByText("Table", new Page.GetByTextOptions().setExact(true)).click();
        Locator boxes = page.locator(".ant-table-tbody .ant-checkbox-input");
        boxes.nth(0).check();
        boxes.nth(1).check();
        desk.button("Number pages").click();
        page.getByLabel("Before the number").fill("OAK-");
        accessibility.look(page);
        desk.button("Give OAK-000001 to OAK-").click();
        assertThat(page.getByText("is given. The copies are being made")).isVisible();
        page.getByRole(AriaRole.TAB, new Page.GetByRoleOptions().setName("Details"))
                .click();
        assertThat(page.getByText("One PDF")).isVisible();
        Download download = page.waitForDownload(() -> page.getByText("One PDF").click());
        assertThat(download.suggestedFilename()).startsWith("OAK-000001 to OAK-");

        desk.button("Number pages").click();
        page.getByLabel("Before the number").fill("oak-");
        // the first number is one that was given: the next free one goes on from there
        page.getByLabel("First number").fill("1");
        desk.button("Go on from there").click();
        assertThat(page.locator(".number-plan strong")).containsText("oak-00000");
        page.keyboard().press("Escape");
        page.getByLabel("Find people, papers and words").fill("OAK-1");
        assertThat(page.getByText("OAK-000001", new Page.GetByTextOptions().setExact(true))
                        .last())
                .isVisible();
    }

    /** A copy that went out with our marks comes back: they stand on it as any program's do, and are read as such. */
    private void readsWhatOthersMarked() {
        page.navigate(address);
        assertThat(margin()).containsText("Ask for the original.");
        desk.button("Download").click();
        page.getByText("A copy for …").click();
        page.getByLabel("Their name").fill(INSURER);
        page.getByLabel("our highlights, notes, stamps and drawings").check();
        desk.button("Show what they will see").click();
        Locator give = page.locator(".copy-footer .ant-btn-primary")
                .filter(new Locator.FilterOptions().setHasText("Download for " + INSURER));
        Download download = page.waitForDownload(give::click);
        Path copy = folder.resolve("with-marks.pdf");
        download.saveAs(copy);
        page.getByText("About the paper").click();
        page.getByLabel("Choose the new version").setInputFiles(copy);
        assertThat(page.getByText("is the newest version of")).isVisible();
        page.locator(".marks-tool").click();
        Locator others = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("On the paper itself"));
        assertThat(others).containsText("Ask for the original.");
        assertThat(others).containsText("page 1, Ottilie Brandmoor");
        accessibility.look(page);
    }
}
