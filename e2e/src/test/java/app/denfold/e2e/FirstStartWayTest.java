package app.denfold.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Papers;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** From an empty installation to the first filed paper. */
class FirstStartWayTest {

    @TempDir
    Path folder;

    private final Accessibility accessibility = new Accessibility();
    private Page page;
    private Desk desk;

    @Test
    void leadsFromNothingToTheFirstFiledPaper() throws Exception {
        try (ServerProcess server =
                        new ServerProcess(folder).withoutRecognition().withoutDemo();
                Chromium chromium = new Chromium()) {
            server.startEmpty();
            page = chromium.desk(server.address());
            desk = new Desk(page);
            String key = Files.readString(folder.resolve("keys/beginning.key"));
            founds(key);
            choosesASet();
            bringsPeople();
            namesTheScanner();
            filesTheFirstPaper();
            assertThat(folder.resolve("keys/beginning.key")).doesNotExist();
            page.navigate("/begin/" + key);
            assertThat(page.getByText("There is a practice here already")).isVisible();
            assertThat(accessibility.faults()).isEmpty();
        }
    }

    private Locator next(String label) {
        return page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Next: " + label));
    }

    private void founds(String key) {
        page.navigate("/begin/" + "wrong" + key.substring(5));
        accessibility.look(page);
        begin();
        assertThat(page.getByText("This is not the key of this installation").first())
                .isVisible();
        page.navigate("/begin/" + key);
        begin();
    }

    private void begin() {
        page.getByLabel("What is your practice called?").fill("Oakhollin Rowing Club");
        page.getByLabel("Your name").fill("Ottilie Brandmoor");
        page.getByLabel("Your mail address").fill("ottilie@oakhollin.example");
        page.getByLabel("A password").fill("four rivers under one bridge");
        desk.button("Begin").click();
    }

    private void choosesASet() {
        page.getByText("Club or association").click();
        accessibility.look(page);
        desk.button("Add what is chosen").click();
        assertThat(page.locator(".ready-sets .juniper")).hasText("added");
        next("your people").click();
    }

    private void bringsPeople() throws Exception {
        Path cards = Files.writeString(folder.resolve("members.vcf"), """
                BEGIN:VCARD
                VERSION:3.0
                N:Okparo;Wendeline;;;
                FN:Wendeline Okparo
                BDAY:1994-03-09
                END:VCARD
                """, StandardCharsets.UTF_8);
        assertThat(page.getByText("members", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        page.locator("input[type=file]").setInputFiles(cards);
        desk.button("Make 1 file").click();
        assertThat(page.getByText("Made.")).isVisible();
        next("your scanner").click();
    }

    private void namesTheScanner() {
        desk.button("New desk").click();
        page.getByLabel("Name of the desk").fill("Boathouse");
        page.getByLabel("New desk")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Save"))
                .click();
        assertThat(page.getByText("Saved.")).isVisible();
        next("the first paper").click();
    }

    private void filesTheFirstPaper() throws Exception {
        Path mandate = Files.write(folder.resolve("mandate.pdf"), Papers.pdf("A mandate"));
        page.getByLabel("Choose files for Arrivals").setInputFiles(mandate);
        desk.openArrival("mandate.pdf");
        desk.choose("Person", "Okparo");
        desk.choose("Type", "Direct debit mandate");
        desk.fillDay("Dated", "4 May 2026");
        page.locator(".filing h2").click();
        page.keyboard().press("Enter");
        assertThat(page.getByText("Filed “Direct debit mandate")).isVisible();
    }
}
