package app.denfold.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;

/** What a person does at the office screen, in few words. */
final class Desk {

    private final Page page;

    Desk(Page page) {
        this.page = page;
    }

    Page page() {
        return page;
    }

    void signIn(String email) {
        page.navigate("/");
        page.getByLabel("Mail address").fill(email);
        page.getByLabel("Password").fill("oakhollin-demo");
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Places")))
                .isVisible();
    }

    Locator button(String name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    /** The button of exactly this name in the dialog that is open. */
    Locator inDialog(String name) {
        return page.getByRole(AriaRole.DIALOG)
                .last()
                .getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName(name).setExact(true));
    }

    void fillDay(String label, String day) {
        Locator field = page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
        field.fill(day);
        field.press("Enter");
    }

    /** Types into a field with choices and takes the first one that is offered. */
    void choose(String label, String text) {
        Locator field = page.getByLabel(label, new Page.GetByLabelOptions().setExact(true));
        field.click();
        field.fill(text);
        Locator option = page.locator(".ant-select-dropdown:not(.ant-select-dropdown-hidden) .ant-select-item-option")
                .filter(new Locator.FilterOptions().setHasText(text))
                .first();
        option.click();
    }

    /** Takes a choice from a list in which nothing can be typed; the one that opened last, for another may be fading. */
    void take(String label, String choice) {
        page.getByLabel(label, new Page.GetByLabelOptions().setExact(true)).click();
        page.locator(".ant-select-dropdown:not(.ant-select-dropdown-hidden):not(.ant-slide-up-leave)")
                .last()
                .locator(".ant-select-item-option")
                .filter(new Locator.FilterOptions().setHasText(choice))
                .first()
                .click();
    }

    /** Chooses a waiting paper by the name of its file. */
    void openArrival(String fileName) {
        page.locator(".arrival-line")
                .filter(new Locator.FilterOptions().setHasText(fileName))
                .click();
        assertThat(page.locator(".arrival-tools")).containsText(fileName);
    }

    Locator slot(String label) {
        return page.locator(".slot")
                .filter(new Locator.FilterOptions()
                        .setHas(page.locator(".slot-line strong")
                                .filter(new Locator.FilterOptions().setHasText(label))));
    }

    /** The word of the status that a slot's glyph has. */
    void assertSlot(String label, String status) {
        assertThat(slot(label).getByRole(AriaRole.IMG).first()).hasAttribute("aria-label", status);
    }
}
