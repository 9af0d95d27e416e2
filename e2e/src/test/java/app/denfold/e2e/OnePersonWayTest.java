package app.denfold.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Somebody was entered twice: the files are found, compared, merged and parted; and from a guardian one comes to the children. */
class OnePersonWayTest {

    @TempDir
    Path folder;

    private final Accessibility accessibility = new Accessibility();
    private Page page;

    @Test
    void mergesTwoFilesTakesItBackAndFollowsRelations() throws Exception {
        try (ServerProcess server = new ServerProcess(folder).withoutRecognition();
                Chromium chromium = new Chromium()) {
            server.start();
            page = chromium.desk(server.address());
            page.navigate("/");
            new Desk(page).signIn("ottilie@oakhollin.example");
            mergesAndTakesBack();
            comesFromTheGuardianToTheChildren();
            asksAColleagueInAComment();
            readsTheFileVisitByVisit();
            readsALetterOfTheOffice();
            assertThat(accessibility.faults()).isEmpty();
        }
    }

    private Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    private void find(String text) {
        page.getByLabel("Find people, papers and words").fill(text);
    }

    private void mergesAndTakesBack() {
        page.navigate("/files");
        page.getByText("Possible duplicates").click();
        Locator pair = page.locator("tr").filter(new Locator.FilterOptions().setHasText("L Abrantes"));
        assertThat(pair).containsText("the same birth date");
        accessibility.look(page);
        pair.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Compare"))
                .click();
        assertThat(page.locator(".merge-table .differs").first()).containsText("Given name");
        accessibility.look(page);
        String gone = page.locator(".merge-table thead th")
                .nth(1)
                .getByRole(AriaRole.LINK)
                .innerText();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(java.util.regex.Pattern.compile("^Merge into")))
                .click();
        assertThat(page.locator(".file-who h1")).hasText("Liesel Abrantes");
        assertThat(page.locator(".same-person")).containsText(gone + " of L Abrantes was merged into this file");
        int merged = page.locator(".slot-paper").count();
        accessibility.look(page);

        find(gone);
        assertThat(page.locator(".ant-select-item-option").first()).containsText("Liesel Abrantes");
        page.keyboard().press("Escape");
        button("Take the merge back").click();
        assertThat(page.locator(".same-person")).containsText("May be the same person as L Abrantes");
        assertThat(page.locator(".slot-paper")).not().hasCount(merged);
        assertThat(page.locator(".slot-paper").count()).isLessThan(merged);
    }

    private void comesFromTheGuardianToTheChildren() {
        find("Ruth Penh");
        page.locator(".ant-select-item-option")
                .filter(new Locator.FilterOptions().setHasText("no file"))
                .click();
        assertThat(page.locator("h1")).hasText("Ruth Penhallow");
        assertThat(page.locator(".relations li")).hasCount(2);
        accessibility.look(page);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Edie Penhallow"))
                .click();
        assertThat(page.locator(".file-who h1")).hasText("Edie Penhallow");
        assertThat(page.locator(".file-facts")).containsText("guardian Ruth Penhallow");
    }

    private void asksAColleagueInAComment() {
        page.locator(".slot-paper").first().click();
        Locator comment = page.getByLabel("Comment", new Page.GetByLabelOptions().setExact(true));
        comment.click();
        page.keyboard().type("Is this the right year, @Zuri");
        page.locator(".ant-mentions-dropdown-menu-item").first().click();
        button("Say it").click();
        assertThat(page.locator(".comments")).containsText("@Zuri Mbeya-Holt");
        accessibility.look(page);
    }

    private void readsTheFileVisitByVisit() {
        page.getByText("Details", new Page.GetByTextOptions().setExact(true))
                .first()
                .click();
        Locator day = page.getByLabel("Day of the visit");
        day.fill("1 Jan 2020");
        page.keyboard().press("Enter");
        page.getByLabel("What the visit is for").fill("first look");
        button("Note it").click();
        Locator visits = page.locator(".visits");
        assertThat(visits).containsText("next");
        visits.getByText("Show all").click();
        assertThat(visits).containsText("1 Jan 2020first look");
        accessibility.look(page);
        page.getByText("Whole file").click();
        page.getByLabel("visit", new Page.GetByLabelOptions().setExact(true)).click();
        Locator first = page.locator(".ant-select-item-option").last();
        assertThat(first).containsText("1 Jan 2020 · ");
        first.click();
        assertThat(page.locator(".flow article")).not().hasCount(0);
        assertThat(page.locator(".flow article").first()).containsText("Insurance card");
    }

    /** Where LibreOffice is installed, as it is for tests, its pages are there when the letter is opened. */
    private void readsALetterOfTheOffice() {
        find("Salome Iwaszko");
        page.keyboard().press("Enter");
        assertThat(page.locator(".file-who h1")).hasText("Salome Iwaszko");
        page.getByText(java.util.regex.Pattern.compile("^Letter, ")).first().click();
        Locator canvas = page.locator("canvas[aria-label*='page 1 of 2']");
        Locator asPages = button("As pages");
        assertThat(canvas.or(asPages).first()).isVisible();
        if (asPages.isVisible()) {
            asPages.click();
        }
        assertThat(canvas)
                .isVisible(new com.microsoft.playwright.assertions.LocatorAssertions.IsVisibleOptions()
                        .setTimeout(240_000));
        assertThat(page.locator(".reader")).containsText("Carriage driving in the winter months");
        accessibility.look(page);
    }
}
