package app.denfold.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.jayway.jsonpath.JsonPath;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A contract: a colleague looks through it, the employee signs on a phone, the director signs it among others. */
class SignaturesWayTest {

    private static final String EMPLOYEE = "sorrel.tansey@post.example";

    @TempDir
    Path folder;

    private final Accessibility accessibility = new Accessibility();
    private HttpSession ottilie;
    private SigningPractice practice;
    private Chromium chromium;
    private ServerProcess server;

    @Test
    void aContractIsAskedOnceAndSignedByEverybodyInTheRightOrder() throws Exception {
        try (ServerProcess started = new ServerProcess(folder).withoutRecognition();
                Chromium browser = new Chromium()) {
            server = started;
            chromium = browser;
            server.start();
            ottilie = HttpSession.signIn(server.address(), "ottilie@oakhollin.example");
            practice = new SigningPractice(ottilie);
            String file = practice.newEmployee("Sorrel", "Tansey", EMPLOYEE);
            String contract = practice.newPaper(file, "contract", "Contract");
            askInTheFile(file, contract);
            othersWaitForTheDirector(2);
            dilanPassesItOn();
            signsOnThePhone();
            directorSignsAll(3);
            String ledger = ottilie.get("/api/files/" + file + "/ledger");
            List<String> status = JsonPath.read(ledger, "$.sections[*].slots[?(@.requirement=='contract')].status");
            assertThat(status).containsExactly("on-file");
            getsTheSealedCopy();
            assertThat(accessibility.faults()).isEmpty();
        }
    }

    private void askInTheFile(String file, String contract) {
        Desk desk = new Desk(chromium.desk(server.address()));
        desk.signIn("ottilie@oakhollin.example");
        desk.page().navigate("/files/" + file + "?paper=" + contract);
        desk.page()
                .getByLabel("About this paper")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Ask for signatures"))
                .click();
        assertThat(desk.page().getByLabel("Who signs as employee")).hasValue("Sorrel Tansey");
        assertThat(desk.page().getByLabel("Who signs as director")).hasValue("Bram Ostervelt");
        desk.button("Looks through it first").click();
        desk.page().getByLabel("Who looks through it first").fill("Dilan");
        desk.page().getByText("receptionist").click();
        desk.page().getByLabel("Message").fill("Please read the hours on page one.");
        accessibility.look(desk.page());
        desk.inDialog("Ask for signatures").click();
        assertThat(desk.page().getByText("Asked. Those whose turn it is get a mail."))
                .isVisible();
        assertThat(desk.slot("Contract").getByText("Dilan Ozgune")).isVisible();
        desk.page().navigate("/signing?show=all");
        assertThat(desk.page().getByText("Sorrel Tansey").first()).isVisible();
        accessibility.look(desk.page());
        desk.page().context().close();
    }

    private void othersWaitForTheDirector(int count) throws Exception {
        String bram = practice.colleague("Bram Ostervelt");
        for (int i = 0; i < count; i++) {
            String file = practice.newEmployee("Other", "Number" + i, "other" + i + "@post.example");
            practice.asked(
                    practice.newPaper(file, "contract", "Contract"),
                    List.of(Map.of("step", 0, "task", "SIGN", "role", "director", "accountId", bram)));
        }
    }

    private void dilanPassesItOn() {
        Desk desk = new Desk(chromium.desk(server.address()));
        desk.signIn("dilan@oakhollin.example");
        desk.page().navigate("/signing");
        desk.page()
                .getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHasText("Sorrel Tansey"))
                .getByText("Look at it")
                .click();
        Page page = desk.page();
        assertThat(page.getByText("Please read the hours on page one.")).isVisible();
        SigningPractice.looksThrough(page, "Contract");
        assertThat(page.getByText("You have seen all 3 pages")).isVisible();
        accessibility.look(page);
        desk.button("I have looked through it: pass it on").click();
        assertThat(page.getByText("Those who sign were told.")).isVisible();
        page.context().close();
    }

    private Page phone;

    private void signsOnThePhone() {
        phone = chromium.phone(server.address());
        phone.navigate(practice.linkTo(EMPLOYEE));
        assertThat(phone.getByText("s…@post.example")).isVisible();
        accessibility.look(phone);
        button("Send me the code").click();
        phone.getByLabel("Code").fill(practice.codeTo(EMPLOYEE));
        button("Go on").click();
        assertThat(phone.getByText("of 3 pages still to be seen")).isVisible();
        SigningPractice.looksThrough(phone, "Contract");
        button("Sign").click();
        phone.getByText("Type the name").click();
        phone.getByLabel("Your full name").fill("Bram Ostervelt");
        button("I have read it and sign").click();
        assertThat(phone.getByText("is not the name of Sorrel Tansey")).isVisible();
        phone.getByLabel("Your full name").fill("Sorrel Tansey");
        accessibility.look(phone);
        button("I have read it and sign").click();
        assertThat(phone.getByText("Others still sign.")).isVisible();
    }

    private Locator button(String name) {
        return phone.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private void directorSignsAll(int count) {
        Desk desk = new Desk(chromium.desk(server.address()));
        desk.signIn("bram@oakhollin.example");
        Page page = desk.page();
        page.navigate("/signing");
        for (String person : List.of("Sorrel Tansey", "Other Number0", "Other Number1")) {
            page.getByLabel("Choose Contract of " + person).check();
        }
        desk.button("Look through and sign " + count).click();
        for (int i = 0; i < count; i++) {
            SigningPractice.looksThrough(page, "Contract");
            desk.button("Seen, next").click();
        }
        page.getByText("Type the name").click();
        page.getByLabel("Your full name").fill("Bram Ostervelt");
        accessibility.look(page);
        desk.button("I have read them and sign " + count).click();
        assertThat(page.getByText("Signed " + count + ".")).isVisible();
        page.context().close();
    }

    private void getsTheSealedCopy() {
        phone.reload();
        assertThat(phone.getByText("Your sealed copy of Contract")).isVisible();
        var download = phone.waitForDownload(
                () -> phone.getByText("Your sealed copy of Contract").click());
        assertThat(download.failure()).isNull();
        assertThat(download.suggestedFilename()).endsWith(".pdf");
    }
}
