package app.denfold.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Papers;
import app.denfold.server.Patience;
import com.jayway.jsonpath.JsonPath;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.json.JsonMapper;

/** Two guardians of whom one says no, a pen on paper, a deputy, and a request that is signed at the desk after all. */
class SigningOtherwiseWayTest {

    private static final JsonMapper JSON = new JsonMapper();

    @TempDir
    Path folder;

    private final Accessibility accessibility = new Accessibility();
    private HttpSession ottilie;
    private SigningPractice practice;
    private Chromium chromium;
    private ServerProcess server;

    @Test
    void whoeverIsAskedAnswersWithWhateverIsInTheirHands() throws Exception {
        try (ServerProcess started = new ServerProcess(folder).withoutRecognition();
                Chromium browser = new Chromium()) {
            server = started;
            chromium = browser;
            server.start();
            ottilie = HttpSession.signIn(server.address(), "ottilie@oakhollin.example");
            practice = new SigningPractice(ottilie);
            ofTwoGuardiansOneSaysNo();
            whatWasSignedWithAPenClosesItsStep();
            theDeputySignsForTheDirector();
            whoWasAskedSignsAtTheDesk();
            assertThat(accessibility.faults()).isEmpty();
        }
    }

    private void ofTwoGuardiansOneSaysNo() throws Exception {
        String file = practice.newPerson(
                "patient", "Juno", "Tansey", LocalDate.now().minusYears(9).toString(), null);
        String paper = practice.newPaper(file, "guardian-consent", "Consent");
        practice.asked(
                paper,
                List.of(
                        SigningPractice.signer(0, "guardian", "Oda Tansey", "oda@post.example"),
                        SigningPractice.signer(0, "guardian", "Edun Tansey", "edun@post.example")));
        Page oda = practice.cameIn(chromium, server.address(), "oda@post.example");
        Page edun = practice.cameIn(chromium, server.address(), "edun@post.example");
        SigningPractice.looksThrough(oda, "Guardian consent");
        SigningPractice.types(oda, "Oda Tansey");
        assertThat(oda.getByText("Others still sign.")).isVisible();
        edun.getByText("I do not sign").click();
        edun.getByLabel("Why do you not sign?").fill("Not without a helmet.");
        accessibility.look(edun);
        edun.getByText("Say no").click();
        assertThat(edun.getByText("You said no, and the practice has read why."))
                .isVisible();
        oda.context().close();
        edun.context().close();
        List<String> states =
                JsonPath.read(ottilie.get("/api/files/" + file + "/signature-requests"), "$[*].endReason");
        assertThat(states).containsExactly("Not without a helmet.");
    }

    private void whatWasSignedWithAPenClosesItsStep() throws Exception {
        String file = practice.newEmployee("Penna", "Tansey", "penna@post.example");
        String request = practice.asked(
                practice.newPaper(file, "contract", "Contract"),
                List.of(
                        SigningPractice.signer(0, "employee", "Penna Tansey", null),
                        SigningPractice.signer(1, "director", "Otto Tansey", "otto@post.example")));
        List<String> turns = JsonPath.read(ottilie.get("/api/signature-requests/" + request), "$.row.way[*].id");
        byte[] printed = ottilie.bytes("/api/signature-requests/" + request + "/turns/" + turns.get(0) + "/print");
        Path scan = Files.write(folder.resolve("signed.pdf"), Papers.scanOf(printed));
        Files.move(
                scan,
                Files.createDirectories(server.pickup().resolve("Office desk")).resolve("scan_8001.pdf"));
        Patience.await().until(() -> JsonPath.<String>read(
                        ottilie.get("/api/signature-requests/" + request), "$.row.way[0].outcome")
                .equals("TO_CONFIRM"));
        Desk desk = new Desk(chromium.desk(server.address()));
        desk.signIn("ottilie@oakhollin.example");
        desk.page().navigate("/signing?show=all&request=" + request);
        desk.button("Look at it").click();
        assertThat(desk.page().getByAltText("What Penna Tansey sent back, page 1 of 3"))
                .isVisible();
        accessibility.look(desk.page());
        desk.button("It is signed").click();
        assertThat(desk.page().getByText("with a pen on paper").first()).isVisible();
        assertThat(practice.linkTo("otto@post.example"))
                .as("the next one is asked")
                .isNotBlank();
        desk.page().context().close();
    }

    private void theDeputySignsForTheDirector() throws Exception {
        String bram = practice.colleague("Bram Ostervelt");
        makeDeputy(bram, practice.colleague("Dilan Ozgune"));
        String file = practice.newEmployee("Deppa", "Tansey", "deppa@post.example");
        String paper = practice.newPaper(file, "contract", "Contract");
        String request = practice.asked(
                paper, List.of(Map.of("step", 0, "task", "SIGN", "role", "director", "accountId", bram)));
        List<String> turns = JsonPath.read(ottilie.get("/api/signature-requests/" + request), "$.row.way[*].id");
        Desk desk = new Desk(chromium.desk(server.address()));
        desk.signIn("dilan@oakhollin.example");
        Page page = desk.page();
        page.navigate("/signing");
        assertThat(page.getByRole(AriaRole.LISTITEM)
                        .filter(new com.microsoft.playwright.Locator.FilterOptions().setHasText("Deppa Tansey")))
                .isVisible();
        page.navigate("/signing/turns/" + turns.get(0));
        assertThat(page.getByText("you stand in for Bram Ostervelt")).isVisible();
        SigningPractice.looksThrough(page, "Contract");
        SigningPractice.types(page, "Dilan Ozgune");
        assertThat(page.getByText("Your sealed copy of Contract")).isVisible();
        try (var copy = Loader.loadPDF(ottilie.bytes("/api/documents/" + paper + "/versions/2/content"))) {
            assertThat(new PDFTextStripper().getText(copy)).contains("Dilan Ozgune for Bram Ostervelt");
        }
        page.context().close();
    }

    private void makeDeputy(String account, String deputy) throws Exception {
        List<Map<String, Object>> found =
                JsonPath.read(ottilie.get("/api/set-up/accounts"), "$[?(@.id=='" + account + "')]");
        Map<String, Object> details = new HashMap<>(found.get(0));
        Map<String, Object> post = new HashMap<>(JsonPath.<Map<String, Object>>read(details, "$.post"));
        post.put("deputy", deputy);
        post.put("deputyFrom", LocalDate.now().minusDays(1).toString());
        post.put("deputyUntil", LocalDate.now().plusDays(1).toString());
        details.put("post", post);
        details.keySet().retainAll(List.of("email", "name", "role", "scope", "post"));
        Map<String, Object> change = Map.of("version", found.get(0).get("version"), "details", details);
        assertThat(ottilie.put("/api/set-up/accounts/" + account, JSON.writeValueAsString(change))
                        .statusCode())
                .isEqualTo(200);
    }

    private void whoWasAskedSignsAtTheDesk() throws Exception {
        String file = practice.newEmployee("Deska", "Tansey", "deska@post.example");
        String request = practice.asked(
                practice.newPaper(file, "contract", "Contract"),
                List.of(SigningPractice.signer(0, "employee", "Deska Tansey", "deska@post.example")));
        Desk desk = new Desk(chromium.desk(server.address()));
        desk.signIn("ottilie@oakhollin.example");
        Page page = desk.page();
        page.navigate("/signing?show=all&request=" + request);
        desk.button("Sign here at the desk").click();
        assertThat(page.getByText("of 3 pages still to be seen")).isVisible();
        page.navigate("/files/" + file);
        assertThat(page.getByText("asked by Ottilie Brandmoor")).isVisible();
        assertThat(page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Places")))
                .isHidden();
        SigningPractice.looksThrough(page, "Contract");
        accessibility.look(page);
        SigningPractice.types(page, "Deska Tansey");
        assertThat(page.getByText("Signed,")).isVisible();
        desk.button("Back to the practice").click();
        page.getByLabel("Password to unlock").fill("oakhollin-demo");
        desk.button("Unlock").click();
        assertThat(page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Places")))
                .isVisible();
        page.context().close();
    }
}
