package app.denfold.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.jayway.jsonpath.JsonPath;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A certificate is marked as with a pen, names on it are covered, and an insurer gets a copy in which they are gone. */
class MarkingWayTest {

    private static final String INSURER = "Hallam Insurance";

    @TempDir
    Path folder;

    private final Accessibility accessibility = new Accessibility();
    private Page page;
    private Desk desk;

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
        page.navigate("/files/" + file + "?view=read&paper=" + ids.get(0));
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
        page.getByLabel("Who is it for?").fill(INSURER);
        desk.button("Show what they will see").click();
        Locator give = page.locator(".ant-modal-footer .ant-btn-primary")
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
}
