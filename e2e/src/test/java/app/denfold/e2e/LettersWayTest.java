package app.denfold.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Papers;
import com.jayway.jsonpath.JsonPath;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.io.IOException;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * An agreement is written by its model: what is missing is asked, a part corrected, the paper looked at and filed; then the
 * model gets other words, and the old letter still says by which it was written. A form of others is bound and filled in.
 */
class LettersWayTest {

    @TempDir
    Path folder;

    private final Accessibility accessibility = new Accessibility();
    private Page page;
    private Desk desk;

    @Test
    void fromTheModelToThePaperInTheFile() throws Exception {
        try (ServerProcess server = new ServerProcess(folder);
                Chromium chromium = new Chromium()) {
            server.startFromDemo();
            page = chromium.desk(server.address());
            desk = new Desk(page);
            desk.signIn("ottilie@oakhollin.example");
            begins(server.address());
            String letter = page.url();
            answers();
            corrects();
            files();
            givesTheModelOtherWords();
            page.navigate(letter);
            assertThat(page.getByText("version 1", new Page.GetByTextOptions().setExact(false)))
                    .isVisible();
            assertThat(page.getByText(Pattern.compile("^Filed as"))).isVisible();
            bindsAForm();
            fillsTheFormIn(server.address());
            assertThat(accessibility.faults()).isEmpty();
        }
    }

    private void begins(String address) {
        String board = page.request().get(address + "/api/board?kind=client").text();
        page.navigate("/files/" + JsonPath.<String>read(board, "$.rows[0].id"));
        desk.button("Add something else").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("A letter we write…"))
                .click();
        assertThat(page.getByRole(AriaRole.DIALOG).getByText("Livery agreement").first())
                .isVisible();
        accessibility.look(page);
        desk.inDialog("Write it").click();
        page.waitForURL("**/letters/*");
    }

    private void answers() {
        Locator file = desk.button("File it");
        assertThat(page.getByText(Pattern.compile("answers are missing"))).isVisible();
        assertThat(file).isDisabled();
        page.getByLabel(Pattern.compile("^Monthly fee")).fill("320");
        page.getByLabel(Pattern.compile("^Deposit")).fill("500");
        for (String fact : new String[] {"Horse", "Box"}) {
            Locator asked = page.getByLabel(Pattern.compile("^" + fact + " "));
            if (asked.count() > 0) {
                asked.fill("Bramble");
            }
        }
        assertThat(page.getByText("Saved", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        assertThat(file).isEnabled();
        assertThat(page.locator(".letter-pages img").first()).isVisible();
        accessibility.look(page);
    }

    private void corrects() {
        page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("Place for a trailer"))
                .uncheck();
        desk.button("Correct The yard feeds").click();
        Locator text = page.getByRole(AriaRole.DIALOG).getByRole(AriaRole.TEXTBOX);
        text.click();
        page.keyboard().press("Control+End");
        page.keyboard().type(" Hay is brought by the owner.");
        accessibility.look(page);
        desk.inDialog("Use it").click();
        assertThat(page.getByText("differs from the model")).isVisible();
    }

    private void files() {
        assertThat(page.getByText("Saved", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        desk.button("File it").click();
        assertThat(page.getByText("Still to be signed by owner and yard.")).isVisible();
        accessibility.look(page);
        desk.button("Ask for signatures").click();
        Locator asked = page.getByRole(AriaRole.DIALOG);
        // each of the lines that the model has is found, and is proposed to whom it belongs
        assertThat(asked.getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName(Pattern.compile("^Signature of .*page 1"))))
                .hasCount(2);
        page.keyboard().press("Escape");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^“Livery agreement")))
                .click();
        page.waitForURL("**/files/**");
        // it is read and found by its words like any other paper
        page.waitForCondition(() -> words().contains("Hay is brought by the owner."));
        assertThat(words()).contains("€3,840.00").doesNotContain("trailer");
    }

    private String words() {
        return String.valueOf(page.evaluate("""
                async () => {
                  const id = new URLSearchParams(location.search).get("paper");
                  return (await fetch(`/api/documents/${id}/versions/1/text`)).text();
                }"""));
    }

    private void givesTheModelOtherWords() {
        page.navigate("/set-up/models");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^Livery agreement")))
                .click();
        Locator text = page.getByLabel("Words of part 4");
        text.click();
        page.keyboard().press("Control+End");
        page.keyboard().type(" Bandages are washed by the owner.");
        accessibility.look(page);
        desk.button("Save as a new version").click();
        assertThat(page.getByText(Pattern.compile("^Saved\\. Letters begun"))).isVisible();
        assertThat(page.getByText(Pattern.compile("^Version 2"))).isVisible();
    }

    private void bindsAForm() throws IOException {
        page.navigate("/set-up/models/new");
        page.getByLabel("Name of the model").fill("Claim for Hallam Insurance");
        choose("model-type", "Letter");
        choose("model-kinds", "Clients");
        page.keyboard().press("Escape");
        page.getByLabel("Choose the form")
                .setInputFiles(new FilePayload(
                        "claim.pdf", "application/pdf", Papers.form("Claim for Hallam Insurance", "insured", "")));
        desk.button("insured, page 1").click();
        page.getByLabel("What stands here?").fill("person.name");
        page.getByText("must be known before it is filed").click();
        // where the form has no field one is placed with a click
        page.locator(".form-pages .page-sheet").first().click(new Locator.ClickOptions().setPosition(200, 300));
        page.getByLabel("What it is called").fill("Number of the policy");
        page.getByLabel("What stands here?").fill("fact.horse");
        accessibility.look(page);
        desk.button("Save as a new version").click();
        assertThat(page.getByText(Pattern.compile("^Saved\\. Letters begun"))).isVisible();
    }

    private void choose(String field, String label) {
        page.locator("#" + field).click();
        // of a long list only what is looked for is there
        page.keyboard().type(label.substring(0, 5));
        page.locator(".ant-select-item-option[title='" + label + "']").last().click();
    }

    private void fillsTheFormIn(String address) {
        String board = page.request().get(address + "/api/board?kind=client").text();
        page.navigate("/files/" + JsonPath.<String>read(board, "$.rows[0].id"));
        desk.button("Add something else").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("A letter we write…"))
                .click();
        // the first of those that are for such files
        page.getByRole(AriaRole.DIALOG)
                .getByText("Claim for Hallam Insurance")
                .first()
                .waitFor();
        desk.inDialog("Write it").click();
        page.waitForURL("**/letters/*");
        assertThat(page.locator(".letter-pages img").first()).isVisible();
        desk.button("File it").click();
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^“Letter")))
                .click();
        page.waitForURL("**/files/**");
        String person = JsonPath.read(board, "$.rows[0].name");
        page.waitForCondition(() -> words().contains(person));
        assertThat(words()).contains("Claim for Hallam Insurance");
    }
}
