package app.denfold.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.filing.CoverCode;
import app.denfold.paper.codes.CoverSheet;
import app.denfold.server.Papers;
import com.jayway.jsonpath.JsonPath;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A morning's post: ten papers cleared by keys alone, a stack, a duplicate, and two people of one name. */
class ArrivalsWayTest {

    private static final LocalDate TODAY = LocalDate.now();
    private static final LocatorAssertions.ContainsTextOptions SOON =
            new LocatorAssertions.ContainsTextOptions().setTimeout(240_000);

    /** A key files nothing that was not there long enough to be looked at; in milliseconds. */
    private static final int LOOKED_AT = 1_100;

    @TempDir
    Path folder;

    private final Accessibility accessibility = new Accessibility();
    private Desk desk;
    private Page page;

    @Test
    void theMorningsPostIsClearedByKeys() throws Exception {
        try (ServerProcess server = new ServerProcess(folder);
                Chromium chromium = new Chromium()) {
            server.start();
            page = chromium.desk(server.address());
            desk = new Desk(page);
            desk.signIn("ottilie@oakhollin.example");
            isToldOfAScanWhileTyping(server.pickup());
            page.navigate("/arrivals");
            clearsTenPapersByKeys();
            isToldOfADuplicate();
            splitsAStackAndChangesItsPages();
            tellsTwoPeopleOfOneNameApart();
            assertThat(accessibility.faults()).isEmpty();
        }
    }

    private List<String> asked(String path, String json) {
        String body = page.request()
                .get(page.url().replaceAll("(https?://[^/]+).*", "$1") + path)
                .text();
        return JsonPath.read(body, json);
    }

    private Path paper(String name, byte[] bytes) throws Exception {
        return Files.write(folder.resolve(name), bytes);
    }

    private static byte[] receipt(String person, String number, int days) throws Exception {
        return Papers.pdf("Handbook receipt | " + person + ", file number " + number
                + ", has received the handbook of the yard. | Issued "
                + TODAY.minusDays(days).format(DateTimeFormatter.ofPattern("d MMMM uuuu", Locale.ENGLISH)));
    }

    private void drop(Path... papers) {
        page.getByLabel("Choose files for Arrivals").setInputFiles(papers);
    }

    private Locator line(String text) {
        return page.locator(".arrival-line").filter(new Locator.FilterOptions().setHasText(text));
    }

    private void clearsTenPapersByKeys() throws Exception {
        List<String> numbers = asked("/api/board?kind=employee", "$.rows[*].number");
        List<String> names = asked("/api/board?kind=employee", "$.rows[*].name");
        List<Path> papers = new ArrayList<>();
        for (int i = 0; i < 10; i++) {
            papers.add(paper("post_%02d.pdf".formatted(i), receipt(names.get(i), numbers.get(i), i + 1)));
        }
        drop(papers.toArray(Path[]::new));
        Locator dropped =
                page.locator(".arrivals-group").filter(new Locator.FilterOptions().setHasText("Dropped here"));
        assertThat(dropped).containsText("12", SOON);
        for (int i = 0; i < 10; i++) {
            assertThat(line(names.get(i))
                            .filter(new Locator.FilterOptions().setHasText("Handbook receipt"))
                            .first())
                    .containsText(names.get(i), SOON);
        }
        String first =
                asked("/api/arrivals", "$[?(@.fileName=='post_00.pdf')].id").get(0);
        page.navigate("/arrivals?paper=" + first);
        List<Long> times = new ArrayList<>();
        for (int i = 0; i < 10; i++) {
            assertThat(page.locator(".arrival-tools")).containsText("post_%02d.pdf".formatted(i));
            assertThat(page.locator(".named")).containsText("Handbook receipt");
            if (i == 0) {
                accessibility.look(page);
            }
            page.waitForTimeout(LOOKED_AT);
            times.add(untilTheNextShows());
        }
        Collections.sort(times);
        System.out.println(
                "Enter until the next paper shows: median " + times.get(5) + " ms, most " + times.get(9) + " ms");
        assertThat(page.getByText("Filed “Handbook receipt").first()).isVisible();
        for (int i = 0;
                i < 200
                        && !asked("/api/arrivals", "$[?(@.fileName=~/post_.*/)].id")
                                .isEmpty();
                i++) {
            page.waitForTimeout(100);
        }
        assertThat(asked("/api/arrivals", "$[?(@.fileName=~/post_.*/)].id")).isEmpty();
        page.keyboard().press("u");
        assertThat(page.locator(".arrival-tools")).containsText("post_09.pdf");
        assertThat(page.locator(".named")).containsText("Handbook receipt");
        page.waitForTimeout(LOOKED_AT);
        page.keyboard().press("Enter");
        assertThat(page.locator(".arrival-tools")).not().containsText("post_09.pdf");
        page.keyboard().press("?");
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("a new paper begins with this page");
        page.keyboard().press("Escape");
        assertThat(page.getByRole(AriaRole.DIALOG)).isHidden();
    }

    /** The product's first promise: a scan made while a file is open at the desk is told there at once. */
    private void isToldOfAScanWhileTyping(Path pickup) throws Exception {
        page.navigate(
                "/files/" + asked("/api/board?text=korhola", "$.rows[*].id").get(0) + "?view=details");
        page.getByLabel("My account, Ottilie Brandmoor").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Office desk"))
                .click();
        Locator team = page.getByLabel("Team", new Page.GetByLabelOptions().setExact(true));
        team.fill("Stables and paddocks");
        Path scan = Files.write(folder.resolve("scan.part"), Papers.pdf("A letter that was scanned just now"));
        Files.move(scan, Files.createDirectories(pickup.resolve("Office desk")).resolve("just_now.pdf"));
        Locator notice = page.locator(".ant-notification-notice");
        assertThat(notice).containsText("just_now.pdf", SOON);
        assertThat(team).hasValue("Stables and paddocks");
        assertThat(page.getByText("Not saved yet.")).isVisible();
        notice.getByText("Look at it and file it").click();
        assertThat(page.locator(".arrival-tools")).containsText("just_now.pdf");
        assertThat(page.getByText("Tamsin Korhola").first()).isVisible();
        page.goBack();
        assertThat(team).hasValue("Stables and paddocks");
        page.getByText("Discard the changes").click();
        assertThat(team).not().hasValue("Stables and paddocks");
    }

    /** Milliseconds, measured in the page, from the key to another paper standing in the tools. */
    private long untilTheNextShows() {
        Object took = page.evaluate("""
                () => new Promise((done) => {
                  const name = () => document.querySelector(".arrival-tools strong")?.textContent;
                  const before = name();
                  const begun = performance.now();
                  const look = () => (name() !== before ? done(performance.now() - begun) : requestAnimationFrame(look));
                  window.dispatchEvent(new KeyboardEvent("keydown", { key: "Enter", bubbles: true }));
                  requestAnimationFrame(look);
                })
                """);
        return Math.round(((Number) took).doubleValue());
    }

    /** Keys do nothing while a dialog is still on its way out. */
    private void pressUntil(String key, Locator shown) {
        for (int i = 0; i < 20 && !shown.isVisible(); i++) {
            page.keyboard().press(key);
            page.waitForTimeout(500);
        }
        assertThat(shown).isVisible();
    }

    private void isToldOfADuplicate() throws Exception {
        drop(folder.resolve("post_03.pdf"));
        for (int i = 0;
                i < 300
                        && asked("/api/arrivals", "$[?(@.fileName=='post_03.pdf')].id")
                                .isEmpty();
                i++) {
            page.waitForTimeout(100);
        }
        String again =
                asked("/api/arrivals", "$[?(@.fileName=='post_03.pdf')].id").get(0);
        page.navigate("/arrivals?paper=" + again);
        assertThat(page.locator(".like-note")).containsText("The same file is filed already");
        desk.button("Side by side").click();
        assertThat(page.locator(".side-by-side img")).hasCount(2);
        accessibility.look(page);
        page.keyboard().press("Escape");
        assertThat(page.getByRole(AriaRole.DIALOG)).isHidden();
        pressUntil("x", page.getByRole(AriaRole.DIALOG).getByRole(AriaRole.TEXTBOX));
        page.getByRole(AriaRole.DIALOG).getByRole(AriaRole.TEXTBOX).fill("Filed already");
        desk.inDialog("Set aside").click();
        assertThat(page.getByLabel("Set aside").first()).containsText("Filed already");
    }

    private void splitsAStackAndChangesItsPages() throws Exception {
        String number = asked("/api/board?text=korhola", "$.rows[*].number").get(0);
        byte[] cover = CoverSheet.pdf(List.of(new CoverSheet.Sheet(
                new CoverCode(number, "manual-handling").written(), List.of("Tamsin Korhola", "Manual handling"))));
        byte[] stack = Papers.merged(List.of(
                cover,
                Papers.pages(List.of("Course in lifting and carrying, first page of it", "and the second page")),
                cover,
                Papers.pages(List.of("Another course in lifting, all on one page"))));
        drop(paper("stack.pdf", stack));
        Locator head = page.locator(".batch-head").filter(new Locator.FilterOptions().setHasText("stack.pdf"));
        assertThat(head).containsText("2 left of it", SOON);
        String part = asked("/api/arrivals", "$[?(@.fileName=='stack.pdf')].id").get(0);
        page.navigate("/arrivals?paper=" + part);
        assertThat(page.getByText("New document: cover sheet for " + number)).isVisible();
        assertThat(page.locator(".why").first()).containsText("on the cover sheet");
        accessibility.look(page);
        page.keyboard().press("ArrowDown");
        page.keyboard().press("s");
        assertThat(head).containsText("3 left of it");
        page.keyboard().press("j");
        assertThat(page.getByText("Split by Ottilie Brandmoor.")).isVisible();
        page.keyboard().press("b");
        assertThat(head).containsText("2 left of it");
        page.keyboard().press("z");
        assertThat(page.getByText("Undone: joined")).isVisible();
        assertThat(head).containsText("3 left of it");
        page.keyboard().press("z");
        assertThat(head).containsText("2 left of it");
        assertThat(page.locator(".arrival-page")).hasCount(2);
        page.keyboard().press("d");
        assertThat(page.locator(".arrival-page")).hasCount(1);
        desk.button("Bring back page").last().click();
        assertThat(page.locator(".arrival-page")).hasCount(2);
    }

    private void tellsTwoPeopleOfOneNameApart() {
        String scan =
                asked("/api/arrivals", "$[?(@.fileName=='scan_0089.pdf')].id").get(0);
        page.navigate("/arrivals?paper=" + scan);
        Locator offered = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Proposed persons"))
                .getByRole(AriaRole.BUTTON);
        assertThat(offered).hasCount(2);
        assertThat(page.locator(".arrival-tools")).not().containsText("reading", SOON);
        page.keyboard().press("Enter");
        assertThat(page.getByText("Choose the person")).isVisible();
        accessibility.look(page);
        page.keyboard().press("2");
        page.keyboard().press("6");
        assertThat(page.locator(".named")).containsText("Risk acknowledgement");
        page.keyboard().press("Enter");
        assertThat(page.getByText("Filed “Risk acknowledgement").first()).isVisible();
    }
}
