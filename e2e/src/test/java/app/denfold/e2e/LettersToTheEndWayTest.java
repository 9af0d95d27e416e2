package app.denfold.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.jayway.jsonpath.JsonPath;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A contract is begun at its open slot, completed, looked through by a colleague, signed by two, and its slot is met; the
 * same letter is written to forty people, of whom three are exceptions.
 */
class LettersToTheEndWayTest {

    private static final String EMPLOYEE = "sorrel.tansey@post.example";
    private static final int MANY = 40;
    private static final int LACKING = 2;

    @TempDir
    Path folder;

    private final Accessibility accessibility = new Accessibility();
    private HttpSession ottilie;
    private SigningPractice practice;
    private Chromium chromium;
    private ServerProcess server;

    @Test
    void fromTheOpenSlotToTheSignedPaperAndFortyAtOnce() throws Exception {
        try (ServerProcess started = new ServerProcess(folder).withoutRecognition();
                Chromium browser = new Chromium()) {
            server = started;
            chromium = browser;
            server.start();
            ottilie = HttpSession.signIn(server.address(), "ottilie@oakhollin.example");
            practice = new SigningPractice(ottilie);
            contractModel();
            String file = practice.newEmployee("Sorrel", "Tansey", EMPLOYEE);
            Desk desk = new Desk(chromium.desk(server.address()));
            desk.signIn("ottilie@oakhollin.example");
            writesTheContract(desk, file);
            asksForSignatures(desk);
            dilanLooksThrough();
            bothSign();
            String ledger = ottilie.get("/api/files/" + file + "/ledger");
            List<String> status = JsonPath.read(ledger, "$.sections[*].slots[?(@.requirement=='contract')].status");
            assertThat(status).containsExactly("on-file");
            fortyAtOnce(desk);
            assertThat(accessibility.faults()).isEmpty();
        }
    }

    private static Map<String, Object> line(Object... pieces) {
        List<Object> content = new ArrayList<>();
        for (Object piece : pieces) {
            content.add(piece instanceof String words ? Map.of("type", "WORDS", "text", words) : piece);
        }
        return Map.of("type", "PARAGRAPH", "content", content);
    }

    private static Map<String, Object> place(String what, String format) {
        return Map.of("type", "PLACE", "place", Map.of("what", what, "format", format, "mustBeKnown", true));
    }

    private static Map<String, Object> block(String id, boolean locked, Object... content) {
        return Map.of("id", id, "locked", locked, "optional", false, "content", List.of(content));
    }

    private void model(String name, String type, List<Object> asks, List<Object> blocks) throws Exception {
        practice.created(
                "/api/set-up/letter-models",
                Map.of(
                        "changes",
                        0,
                        "name",
                        name,
                        "type",
                        type,
                        "kinds",
                        List.of("employee"),
                        "version",
                        Map.of(
                                "language",
                                "en-GB",
                                "holdsFrom",
                                LocalDate.now().minusDays(1).toString(),
                                "words",
                                Map.of("asks", asks, "blocks", blocks))),
                "$.id");
    }

    private void contractModel() throws Exception {
        Map<String, Object> nextPage = Map.of("type", "PAGE_BREAK");
        model(
                "Contract of employment",
                "contract",
                List.of(Map.of("code", "pay", "label", "Pay a month", "kind", "NUMBER")),
                List.of(
                        block(
                                "pay",
                                true,
                                line(
                                        "The yard pays ",
                                        place("person.name", "PLAIN"),
                                        " ",
                                        place("ask.pay", "MONEY"),
                                        "."),
                                nextPage),
                        block("hours", false, line("Work begins at seven."), nextPage),
                        block(
                                "signed",
                                true,
                                Map.of("type", "SIGN_LINE", "text", "Signature of employee"),
                                Map.of("type", "SIGN_LINE", "text", "Signature of director"))));
    }

    private void writesTheContract(Desk desk, String file) {
        Page page = desk.page();
        page.navigate("/files/" + file);
        desk.slot("Contract")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Write")))
                .click();
        desk.inDialog("Write it").click();
        page.waitForURL("**/letters/*");
        assertThat(page.getByText("1 answer is missing before it can be filed."))
                .isVisible();
        page.getByLabel(Pattern.compile("^Pay a month")).fill("2150");
        desk.button("Correct Work begins").click();
        page.getByRole(AriaRole.DIALOG).getByRole(AriaRole.TEXTBOX).click();
        page.keyboard().press("Control+End");
        page.keyboard().type(" On Mondays at eight.");
        desk.inDialog("Use it").click();
        assertThat(page.getByText("differs from the model")).isVisible();
        assertThat(page.getByAltText("Contract of employment, page 3 of 3")).isVisible();
        desk.button("File it").click();
        assertThat(page.getByText("Still to be signed by employee and director."))
                .isVisible();
    }

    private void asksForSignatures(Desk desk) {
        Page page = desk.page();
        desk.button("Ask for signatures").click();
        assertThat(page.getByLabel("Who signs as employee")).hasValue("Sorrel Tansey");
        assertThat(page.getByLabel("Who signs as director")).hasValue("Bram Ostervelt");
        desk.button("Looks through it first").click();
        page.getByLabel("Who looks through it first").fill("Dilan");
        page.getByText("receptionist").click();
        desk.inDialog("Ask for signatures").click();
        assertThat(page.getByText("Asked. Those whose turn it is get a mail.")).isVisible();
    }

    private Locator turnOf(Desk desk) {
        desk.page().navigate("/signing");
        return desk.page().getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText("Sorrel Tansey"));
    }

    private void dilanLooksThrough() {
        Desk desk = new Desk(chromium.desk(server.address()));
        desk.signIn("dilan@oakhollin.example");
        turnOf(desk).getByText("Look at it").click();
        SigningPractice.looksThrough(desk.page(), "Contract");
        desk.button("I have looked through it: pass it on").click();
        assertThat(desk.page().getByText("Those who sign were told.")).isVisible();
        desk.page().context().close();
    }

    private void bothSign() {
        Page phone = practice.cameIn(chromium, server.address(), EMPLOYEE);
        SigningPractice.looksThrough(phone, "Contract");
        SigningPractice.types(phone, "Sorrel Tansey");
        assertThat(phone.getByText("Others still sign.")).isVisible();
        phone.context().close();
        Desk desk = new Desk(chromium.desk(server.address()));
        desk.signIn("bram@oakhollin.example");
        turnOf(desk).getByText("Read and sign").click();
        SigningPractice.looksThrough(desk.page(), "Contract");
        SigningPractice.types(desk.page(), "Bram Ostervelt");
        assertThat(desk.page().getByText("Your sealed copy of Contract")).isVisible();
        desk.page().context().close();
    }

    private void fortyAtOnce(Desk desk) throws Exception {
        model(
                "Letter on the new hours",
                "letter",
                List.of(Map.of("code", "from", "label", "First day", "kind", "DAY")),
                List.of(
                        block("greeting", false, line("Dear ", place("person.givenName", "PLAIN"), ",")),
                        block(
                                "hours",
                                true,
                                line(
                                        "the new hours hold from ",
                                        place("ask.from", "LONG_DATE"),
                                        ". We write to you at ",
                                        place("person.email", "PLAIN"),
                                        "."))));
        List<String> numbers = new ArrayList<>(Collections.nCopies(MANY, ""));
        for (int i = 0; i < MANY; i++) {
            numbers.set(i, String.format("%02d", i));
            practice.newEmployee(
                    "Person" + numbers.get(i), "Fortyson", i < LACKING ? null : "forty" + i + "@post.example");
        }
        Page page = desk.page();
        page.navigate("/files?text=Fortyson");
        assertThat(page.getByLabel("Choose Person39 Fortyson")).isVisible();
        page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName("Choose all shown"))
                .check();
        assertThat(page.getByText(MANY + " people chosen")).isVisible();
        accessibility.look(page);
        desk.button("Write letters…").click();
        page.getByRole(AriaRole.DIALOG).getByLabel("What").click();
        page.locator(".ant-select-item-option")
                .filter(new Locator.FilterOptions().setHasText("Letter on the new hours"))
                .click();
        desk.inDialog("Write them").click();
        page.waitForURL("**/letters/batches/*");
        String batch = page.url();
        Locator day = page.getByLabel(Pattern.compile("^First day"));
        day.fill("4 Jan 2027");
        day.press("Enter");
        desk.button("Use for all").click();
        assertThat(desk.button("File the 38 that are ready")).isVisible();
        accessibility.look(page);
        completes(desk, "Person00");
        page.navigate(batch);
        corrects(desk, "Person20");
        page.navigate(batch);
        assertThat(page.getByText("differs from the model")).hasCount(1);
        desk.button("File the 39 that are ready").click();
        assertThat(desk.button("Print or send all 39")).isVisible();
        assertThat(lineOf(page, "Person01")).containsText("lacks:");
        assertThat(lineOf(page, "Person20")).containsText("filed");
    }

    private static Locator lineOf(Page page, String person) {
        return page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText(person));
    }

    /** The first exception: what the file lacks is answered in this letter. */
    private void completes(Desk desk, String person) {
        Page page = desk.page();
        lineOf(page, person).getByText("Complete it").click();
        page.locator("[id='ask-person.email']").fill("by.hand@post.example");
        assertThat(page.getByText("Saved", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        assertThat(desk.button("File it")).isEnabled();
    }

    /** The second: it gets other words. The third is left as it is. */
    private void corrects(Desk desk, String person) {
        Page page = desk.page();
        lineOf(page, person).getByText("Look at it").click();
        desk.button("Correct Dear").click();
        page.getByRole(AriaRole.DIALOG).getByRole(AriaRole.TEXTBOX).click();
        page.keyboard().press("Control+End");
        page.keyboard().type(" welcome back,");
        desk.inDialog("Use it").click();
        assertThat(page.getByText("differs from the model")).isVisible();
        assertThat(page.getByText("Saved", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
    }
}
