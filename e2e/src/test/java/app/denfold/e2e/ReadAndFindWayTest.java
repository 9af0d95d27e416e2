package app.denfold.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Papers;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Somebody takes over a file: finds papers by their words, reads and compares them, renews one, hands one on. */
class ReadAndFindWayTest {

    @TempDir
    Path folder;

    private final Accessibility accessibility = new Accessibility();
    private Desk desk;
    private Desk director;
    private Page page;

    @Test
    void findsReadsComparesRenewsAndHandsOver() throws Exception {
        try (ServerProcess server = new ServerProcess(folder).withoutRecognition();
                Chromium chromium = new Chromium()) {
            server.start();
            page = chromium.desk(server.address());
            desk = new Desk(page);
            director = new Desk(chromium.desk(server.address()));
            page.navigate("/");
            desk.signIn("ottilie@oakhollin.example");
            findsAPaperByItsWordsAndSeesThemMarked();
            laysPapersBesideEachOther();
            bringsANewVersionAndComparesIt();
            readsTheWholeFile();
            throwsAwayAndTakesOut();
            fetchesChosenPapersAsAZip();
            handsAPaperOverAndGetsItBack();
            assertThat(accessibility.faults()).isEmpty();
        }
    }

    private Locator role(AriaRole role, String name) {
        return page.getByRole(role, new Page.GetByRoleOptions().setName(name));
    }

    private Locator papers() {
        return page.locator(".find-paper a");
    }

    private void findsAPaperByItsWordsAndSeesThemMarked() {
        page.navigate("/today");
        assertThat(page.locator(".today-item").first()).isVisible();
        page.keyboard().press("/");
        page.keyboard().type("practical test riding settings");
        page.locator(".ant-select-item-option")
                .filter(new Locator.FilterOptions().setHasText("Words in all papers"))
                .click();
        assertThat(papers().first()).isVisible();
        assertThat(page.locator(".find-count")).containsText("papers of");
        accessibility.look(page);
        int all = papers().count();
        page.getByLabel("Person", new Page.GetByLabelOptions().setExact(true)).fill("korhola");
        assertThat(papers()).hasCount(1);
        assertThat(papers().first()).containsText("Korhola T");
        assertThat(all).isGreaterThan(1);
        papers().first().click();
        assertThat(page.locator(".sheet canvas")).isVisible();
        assertThat(page.locator(".word-marks span").first()).isVisible();
        assertThat(page.locator(".reader-words")).containsText(Pattern.compile("1 of \\d+"));
        desk.button("Next place").click();
        assertThat(page.locator(".reader-words")).containsText(Pattern.compile("2 of \\d+"));
        // the text layer of the page holds the words that are marked
        assertThat(page.locator(".textLayer")).containsText("certify");
        accessibility.look(page);
        page.getByLabel("Words in this paper").fill("the");
        assertThat(page.locator(".reader-words .ant-input-status-error")).isVisible();
        page.getByLabel("Words in this paper").fill("");
    }

    private void laysPapersBesideEachOther() {
        Locator passport = page.locator(".slot-paper").filter(new Locator.FilterOptions().setHasText("Passport"));
        passport.focus();
        page.keyboard().press("b");
        assertThat(page.locator(".pane")).hasCount(2);
        assertThat(page.locator(".pane canvas")).hasCount(2);
        assertThat(page.locator(".pane .textLayer").last()).containsText("Passport");
        page.locator(".pane-head button[aria-label^='Close']").last().click();
        assertThat(page.locator(".pane")).hasCount(0);
        assertThat(page.locator(".textLayer")).containsText("certify");
        passport.dragTo(page.locator(".desk"));
        assertThat(page.locator(".pane")).hasCount(2);
        assertThat(page.locator(".pane .textLayer").last()).containsText("Passport");
        accessibility.look(page);
        page.locator(".pane-head button[aria-label^='Close']").last().click();
        assertThat(page.locator(".pane")).hasCount(0);
    }

    private void bringsANewVersionAndComparesIt() throws Exception {
        Path better = Files.write(folder.resolve("better.pdf"), Papers.pdf("Handbook receipt, now with the last page"));
        page.locator(".slot-paper")
                .filter(new Locator.FilterOptions().setHasText("Handbook receipt"))
                .click();
        assertThat(page.locator(".paper-card h2")).hasText("Handbook receipt");
        page.getByLabel("Choose the new version").setInputFiles(better);
        assertThat(page.locator(".version-line")).hasCount(2);
        assertThat(page.locator(".textLayer")).containsText("now with the last page");
        desk.button("Version 1 beside this one").click();
        assertThat(page.locator(".pane")).hasCount(2);
        assertThat(page.locator(".pane .textLayer").first()).containsText("last page");
        assertThat(page.locator(".pane .textLayer").last()).not().containsText("last page");
        assertThat(page.locator(".pane").first().locator(".word-marks.new span").first())
                .isVisible();
        assertThat(page.locator(".pane").last().locator(".word-marks.gone")).isVisible();
        page.locator(".pane-head button[aria-label^='Close']").first().click();
        assertThat(page.locator(".version-line[aria-pressed=true]")).containsText("as received");
        desk.button("restore").click();
        assertThat(page.locator(".version-line")).hasCount(3);
    }

    private void readsTheWholeFile() {
        role(AriaRole.TAB, "Whole file").click();
        assertThat(page.locator(".flow article").first()).isVisible();
        int all = page.locator(".flow article").count();
        page.getByLabel("Words in this file").fill("course");
        page.keyboard().press("Enter");
        assertThat(page.locator(".whole-tools")).containsText(Pattern.compile("1 of \\d+ in \\d+ paper"));
        assertThat(page.locator(".flow .word-marks .chosen")).isVisible();
        assertThat(page.locator(".flow article").count()).isBetween(1, all - 1);
        assertThat(page.locator(".ledger .slot-paper"))
                .hasCount(page.locator(".flow article").count());
        accessibility.look(page);
        page.getByLabel("Words in this file").fill("");
        assertThat(page.locator(".flow article")).hasCount(all);
        page.locator(".slot-paper")
                .filter(new Locator.FilterOptions().setHasText("Passport"))
                .click();
        assertThat(page.locator(".flow article").filter(new Locator.FilterOptions().setHasText("Passport")))
                .isInViewport();
    }

    private void throwsAwayAndTakesOut() {
        role(AriaRole.TAB, "Read").click();
        Locator line = page.locator(".paper-line").filter(new Locator.FilterOptions().setHasText("Handbook receipt"));
        line.getByRole(AriaRole.CHECKBOX).check();
        desk.button("Throw away").click();
        assertThat(line).hasCount(0);
        desk.button("Wastebasket 1").click();
        page.locator(".basket")
                .getByText("Take out", new Locator.GetByTextOptions().setExact(true))
                .click();
        assertThat(page.locator(".basket-line")).hasCount(0);
        assertThat(line).hasCount(1);
        if (page.locator(".ant-drawer-close").isVisible()) {
            page.locator(".ant-drawer-close").click();
        }
    }

    private void fetchesChosenPapersAsAZip() throws Exception {
        for (String name : List.of("Passport", "Handbook receipt")) {
            page.locator(".paper-line")
                    .filter(new Locator.FilterOptions().setHasText(name))
                    .getByRole(AriaRole.CHECKBOX)
                    .check();
        }
        desk.button("ZIP").click();
        desk.button("ZIP for us").click();
        Locator work = page.locator(".top-right .linklike");
        assertThat(work).hasText("work done");
        work.click();
        Download zip =
                page.waitForDownload(() -> page.getByText("Fetch it").first().click());
        Set<String> names = new HashSet<>();
        try (ZipInputStream in = new ZipInputStream(Files.newInputStream(zip.path()))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                names.add(entry.getName());
            }
        }
        assertThat(names).hasSize(3).contains("manifest.csv");
        page.keyboard().press("Escape");
        desk.button("Choose none").click();
    }

    private void handsAPaperOverAndGetsItBack() {
        page.locator(".slot-paper")
                .filter(new Locator.FilterOptions().setHasText("Passport"))
                .click();
        assertThat(page.locator(".paper-card h2")).hasText("Passport");
        desk.button("Hand over").click();
        desk.choose("To whom", "Bram");
        page.getByLabel("Note").fill("Please see whether the number is right.");
        desk.inDialog("Hand this paper over").click();
        assertThat(page.locator(".way")).containsText("handed over to Bram Ostervelt");
        director.page().navigate("/");
        director.signIn("bram@oakhollin.example");
        Locator waiting =
                director.page().locator(".today-item").filter(new Locator.FilterOptions().setHasText("from Ottilie"));
        assertThat(waiting).containsText("Please see whether the number is right.");
        waiting.getByText("Look at it").click();
        director.button("Return").click();
        director.page().getByLabel("Note").fill("It is.");
        director.inDialog("Return it").click();
        assertThat(director.page().locator(".way")).containsText("returned to Ottilie Brandmoor");
        page.reload();
        assertThat(page.locator(".way")).containsText("It is.");
        desk.button("Finish").click();
        desk.inDialog("Finish").click();
        assertThat(page.locator(".paper-card")).containsText("Handed over");
    }
}
