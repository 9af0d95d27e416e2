package app.denfold.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A new rule from set-up to the board, a cell's reasons, a past day, and a file's lines. */
class CoverageWayTest {

    private static final LocalDate TODAY = LocalDate.now();

    @TempDir
    Path folder;

    private final Accessibility accessibility = new Accessibility();
    private Desk desk;
    private Page page;

    @Test
    void fromANewRuleToTheBoardAndToAPastDay() throws Exception {
        try (ServerProcess server = new ServerProcess(folder).withoutRecognition();
                Chromium chromium = new Chromium()) {
            server.start();
            page = chromium.desk(server.address());
            desk = new Desk(page);
            desk.signIn("ottilie@oakhollin.example");
            seesWhatWaits();
            buildsAChecklistAndSeesItsEffect();
            seesTheBoardChange();
            movesByKeys();
            looksAtAPastDay();
            dragsTheLineOfAFile();
            setsUpATypeWithAnExample();
            assertThat(accessibility.faults()).isEmpty();
        }
    }

    private static String words(LocalDate day) {
        return day.format(DateTimeFormatter.ofPattern("d MMM uuuu", Locale.ENGLISH));
    }

    private Locator heading(String name) {
        return page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(name));
    }

    private void seesWhatWaits() {
        assertThat(heading("Overdue")).isVisible();
        assertThat(desk.button("Chase Tamsin Korhola").first()).isVisible();
        assertThat(page.getByText("papers wait in Arrivals")).isVisible();
        accessibility.look(page);
    }

    /** Opens a field with choices and takes one of them. */
    private void take(Locator field, String choice) {
        field.click();
        pick(choice);
    }

    private void pick(String choice) {
        page.locator(".ant-select-dropdown:not(.ant-select-dropdown-hidden) .ant-select-item-option")
                .filter(new Locator.FilterOptions().setHasText(choice))
                .first()
                .click();
    }

    private void buildsAChecklistAndSeesItsEffect() {
        page.navigate("/set-up/checklists/new");
        page.getByLabel("Name of the checklist").fill("Photographs");
        Locator whom = page.locator(".checklist-whom");
        take(whom.getByLabel("only those whose…"), "kind of file");
        take(whom.getByLabel("Value"), "client");
        desk.button("Add a requirement").click();
        Locator added = page.locator(".requirement").last();
        added.getByLabel("Name of the requirement").fill("Photo consent of the yard");
        Locator type = added.getByLabel("Document type");
        type.click();
        type.fill("Photo consent");
        pick("Photo consent");
        accessibility.look(page);
        desk.button("See the effect and save…").click();
        Locator effect = page.getByRole(AriaRole.DIALOG);
        assertThat(effect).containsText("slots change in 7 of");
        assertThat(effect.getByText("would no longer be clear")).isVisible();
        assertThat(effect).containsText("Photo consent of the yard: not applicable → missing");
        accessibility.look(page);
        desk.inDialog("Save").click();
        assertThat(page.getByText("Files are recomputed now")).isVisible();
    }

    private void seesTheBoardChange() {
        page.navigate("/coverage?kind=client");
        Locator cell = page.locator(".board-row")
                .filter(new Locator.FilterOptions().setHasText("Rosalba Mincio"))
                .getByLabel("Photo consent of the yard: missing");
        assertThat(cell).isVisible();
        assertThat(page.getByText("0 of 7 clear")).isVisible();
        accessibility.look(page);
        cell.click();
        Locator card = page.getByRole(AriaRole.DIALOG);
        assertThat(card).containsText("Rosalba Mincio");
        assertThat(card).containsText("missing since");
        assertThat(card).containsText("No paper of this type is in the file.");
        accessibility.look(page);
        page.keyboard().press("Escape");
        assertThat(card).isHidden();
    }

    private void movesByKeys() {
        Locator board = page.getByRole(AriaRole.GRID);
        board.focus();
        page.keyboard().press("Home");
        page.keyboard().press("ArrowDown");
        page.keyboard().press("ArrowRight");
        page.keyboard().press("Enter");
        assertThat(page.getByRole(AriaRole.DIALOG)).isVisible();
        page.keyboard().press("Escape");
        board.focus();
        page.keyboard().press("Space");
        page.keyboard().press("ArrowDown");
        page.keyboard().press("Space");
        assertThat(page.getByText("2 people chosen")).isVisible();
        desk.button("Chase 2 people…").click();
        desk.inDialog("Send 2 mails").click();
        assertThat(page.getByText("on its way")).hasCount(2);
        desk.inDialog("Close").last().click();
    }

    private void looksAtAPastDay() {
        page.navigate("/coverage?kind=client&asOf=" + TODAY.minusDays(40) + "&known=then");
        assertThat(page.getByRole(AriaRole.STATUS).filter(new Locator.FilterOptions().setHasText("As of")))
                .containsText("As of " + words(TODAY.minusDays(40)));
        assertThat(page.getByRole(AriaRole.COLUMNHEADER)
                        .filter(new Locator.FilterOptions().setHasText("Horse passport")))
                .isVisible();
        assertThat(page.getByText("Photo consent of the yard")).hasCount(0);
        accessibility.look(page);
        desk.button("Back to today").click();
        assertThat(page.getByText("Photo consent of the yard").first()).isVisible();
    }

    private void dragsTheLineOfAFile() {
        page.getByText("Rosalba Mincio").first().click();
        assertThat(heading("Rosalba Mincio")).isVisible();
        Locator line = page.getByRole(AriaRole.SLIDER);
        assertThat(line).hasAttribute("aria-valuetext", words(TODAY));
        assertThat(page.locator(".lines-table")).containsText("Flu vaccination");
        accessibility.look(page);
        line.focus();
        page.keyboard().press("PageDown");
        page.keyboard().press("PageDown");
        assertThat(line).hasAttribute("aria-valuetext", words(TODAY.minusDays(60)));
        assertThat(page.getByText("Was this file clear on " + words(TODAY.minusDays(60))))
                .isVisible();
        assertThat(desk.button("Add papers")).isHidden();
        page.keyboard().press("Home");
        assertThat(page.getByText("Is this file clear today?")).isVisible();
        assertThat(desk.button("Add papers")).isVisible();
    }

    private void setsUpATypeWithAnExample() {
        page.navigate("/set-up/types/handbook");
        page.getByText("for a period").click();
        page.getByLabel("Length").fill("18");
        page.getByLabel("Length").press("Tab");
        assertThat(page.locator(".validity-example")).containsText("would hold until");
        accessibility.look(page);
        page.getByLabel("Length").fill("0");
        page.getByLabel("Length").press("Tab");
        assertThat(page.getByText("A period must be longer than zero")
                        .or(page.locator("p.clay"))
                        .first())
                .isVisible();
        page.navigate("/set-up/kinds/employee");
        assertThat(page.getByLabel("Form of Reports to")).isVisible();
        accessibility.look(page);
    }
}
