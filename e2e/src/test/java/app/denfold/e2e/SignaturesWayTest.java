package app.denfold.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Papers;
import app.denfold.server.Patience;
import com.jayway.jsonpath.JsonPath;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.json.JsonMapper;

/** A contract: a colleague looks through it, the employee signs on a phone, the director signs it among others. */
class SignaturesWayTest {

    private static final JsonMapper JSON = new JsonMapper();
    private static final String EMPLOYEE = "sorrel.tansey@post.example";

    @TempDir
    Path folder;

    private final Accessibility accessibility = new Accessibility();
    private HttpSession ottilie;
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
            String file = newEmployee("Sorrel", "Tansey", EMPLOYEE);
            String contract = newContract(file);
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

    private String newEmployee(String given, String family, String email) throws Exception {
        Map<String, Object> person = Map.of(
                "kind",
                "employee",
                "givenName",
                given,
                "familyName",
                family,
                "team",
                "Stables",
                "birthDate",
                "1994-03-09",
                "activeFrom",
                LocalDate.now().minusDays(30).toString(),
                "email",
                email,
                "facts",
                Map.of());
        return JsonPath.read(
                ottilie.post("/api/files", JSON.writeValueAsString(Map.of("person", person, "evenIfLike", true)))
                        .body(),
                "$.id");
    }

    private String newContract(String file) throws Exception {
        String upload = ottilie.sent(
                "contract.pdf", Papers.pages(List.of("Contract|Hours and pay", "More of it", "Signature of employee")));
        String arrival = JsonPath.read(
                ottilie.post("/api/arrivals/sent", JSON.writeValueAsString(Map.of("upload", upload)))
                        .body(),
                "$.id");
        Map<String, Object> details = Map.of(
                "fileId",
                file,
                "type",
                "contract",
                "documentDate",
                LocalDate.now().toString());
        return JsonPath.read(
                ottilie.post(
                                "/api/arrivals/" + arrival + "/filing",
                                JSON.writeValueAsString(Map.of("version", 0, "details", details)))
                        .body(),
                "$.documentId");
    }

    private void askInTheFile(String file, String contract) {
        Desk desk = new Desk(chromium.desk(server.address()));
        desk.signIn("ottilie@oakhollin.example");
        desk.page().navigate("/files/" + file + "?paper=" + contract);
        desk.button("Ask for signatures").click();
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
        List<String> bram = JsonPath.read(ottilie.get("/api/colleagues"), "$[?(@.name=='Bram Ostervelt')].id");
        for (int i = 0; i < count; i++) {
            String contract = newContract(newEmployee("Other", "Number" + i, "other" + i + "@post.example"));
            Map<String, Object> request = Map.of(
                    "papers",
                    List.of(Map.of("id", contract, "version", 1)),
                    "signers",
                    List.of(Map.of("step", 0, "task", "SIGN", "role", "director", "accountId", bram.get(0))),
                    "fields",
                    List.of(),
                    "endsAtDue",
                    false,
                    "remindEveryDays",
                    0,
                    "remindMost",
                    0,
                    "mayPassOn",
                    false);
            assertThat(ottilie.post("/api/signature-requests", JSON.writeValueAsString(request))
                            .statusCode())
                    .isEqualTo(201);
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
        looksThrough(page);
        assertThat(page.getByText("You have seen all 3 pages")).isVisible();
        accessibility.look(page);
        desk.button("I have looked through it: pass it on").click();
        assertThat(page.getByText("Those who sign were told.")).isVisible();
        page.context().close();
    }

    private static void looksThrough(Page page) {
        for (int i = 1; i <= 3; i++) {
            Locator one = page.getByAltText("Contract, page " + i + " of 3");
            one.scrollIntoViewIfNeeded();
            assertThat(one).hasAttribute("src", Pattern.compile("/pages/" + i + "\\?"));
        }
    }

    private String newest(Pattern what) {
        List<String> found = new ArrayList<>();
        Patience.await().until(() -> {
            found.clear();
            List<String> bodies =
                    JsonPath.read(ottilie.get("/api/demo/mail"), "$.mails[?(@.to=='" + EMPLOYEE + "')].text");
            for (String body : bodies) {
                Matcher matcher = what.matcher(body);
                if (matcher.find()) {
                    found.add(matcher.group(1));
                }
            }
            return !found.isEmpty();
        });
        return found.get(0);
    }

    private Page phone;

    private void signsOnThePhone() {
        phone = chromium.phone(server.address());
        phone.navigate("/sign/" + newest(Pattern.compile("/sign/([A-Za-z0-9_-]+)")));
        assertThat(phone.getByText("s…@post.example")).isVisible();
        accessibility.look(phone);
        button("Send me the code").click();
        phone.getByLabel("Code").fill(newest(Pattern.compile("Code (\\d{3} \\d{3})")));
        button("Go on").click();
        assertThat(phone.getByText("of 3 pages still to be seen")).isVisible();
        looksThrough(phone);
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
            looksThrough(page);
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
