package app.denfold.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.function.BooleanSupplier;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * An agreement that its owner must have is found under way, sent, and opened by nobody yet; its pages are put together with
 * those of another paper, and then nobody has it again.
 */
class WhoHasItWayTest {

    @TempDir
    Path folder;

    private final Accessibility accessibility = new Accessibility();
    private Page page;
    private Desk desk;

    @Test
    void sendsWhatOthersMustHaveAndPutsPagesTogether() throws Exception {
        try (ServerProcess server = new ServerProcess(folder);
                Chromium chromium = new Chromium()) {
            server.startFromDemo();
            page = chromium.desk(server.address());
            desk = new Desk(page);
            desk.signIn("ottilie@oakhollin.example");
            String paper = sends();
            page.navigate(paper);
            assertThat(standing()).containsText("Sent to 1 of 1");
            assertThat(standing()).containsText("not opened yet");
            putsPagesTogether();
            // what was signed stays signed as it was; of the newer one nobody has anything
            assertThat(standing()).containsText("is lacking");
            assertThat(standing()).containsText("not sent yet");
            assertThat(accessibility.faults()).isEmpty();
        }
    }

    private Locator standing() {
        return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("How it stands"));
    }

    /** @return the address of the paper that was sent */
    private String sends() {
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Under way"))
                .click();
        page.getByText(Pattern.compile("^To be sent")).click();
        Locator agreement = page.locator(".ant-table-row")
                .filter(new Locator.FilterOptions().setHasNotText("guardian"))
                .first();
        String paper = agreement.getByRole(AriaRole.LINK).getAttribute("href");
        agreement.getByRole(AriaRole.CHECKBOX).check();
        accessibility.look(page);
        desk.button("Send …").click();
        Locator dialog = page.getByRole(AriaRole.DIALOG).last();
        accessibility.look(page);
        desk.inDialog("Send 1 mail").click();
        assertThat(dialog).containsText("On its way");
        desk.inDialog("Done").click();
        return paper;
    }

    private static BooleanSupplier drawn(Locator image) {
        return () -> (Boolean) image.evaluate("i => i.complete && i.naturalWidth > 0");
    }

    private void putsPagesTogether() {
        page.getByRole(AriaRole.COMPLEMENTARY, new Page.GetByRoleOptions().setName("About this paper"))
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("More").setExact(true))
                .click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Change its pages"))
                .click();
        Locator pages = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Pages"))
                .getByRole(AriaRole.IMG);
        assertThat(pages).hasCount(1);
        desk.button("Put pages in after it").click();
        desk.choose("Which paper", "1 page");
        accessibility.look(page);
        desk.inDialog("Put in").click();
        assertThat(pages).hasCount(2);
        // it is the chosen one now: one place earlier
        page.keyboard().press("[");
        assertThat(pages.nth(1)).hasAttribute("alt", Pattern.compile("^was page 1"));
        for (int i = 0; i < 2; i++) {
            pages.nth(i).scrollIntoViewIfNeeded();
            page.waitForCondition(drawn(pages.nth(i)));
        }
        page.keyboard().press("t");
        accessibility.look(page);
        desk.button("Save as version 2").click();
        assertThat(page.getByText("Saved as version 2.")).isVisible();
        assertThat(page.getByText(Pattern.compile("put in page 1 of “"))).isVisible();
        assertThat(page.getByText("of 2", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
    }
}
