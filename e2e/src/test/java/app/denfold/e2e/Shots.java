package app.denfold.e2e;

import com.jayway.jsonpath.JsonPath;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.LoadState;
import java.nio.file.Path;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/** Takes the pictures of docs/screenshots from a running demo; ./denfold shots runs it. */
@EnabledIfSystemProperty(named = "denfold.shots", matches = ".+")
class Shots {

    private final Path folder = Path.of(System.getProperty("denfold.shots", ""));
    private final String address = System.getProperty("denfold.address", "");

    @Test
    void takeAll() throws Exception {
        try (Chromium chromium = new Chromium()) {
            Page page = chromium.desk(address);
            page.navigate("/");
            Desk desk = new Desk(page);
            desk.signIn("ottilie@oakhollin.example");
            page.waitForURL("**/today");
            open(page, "/today", "today");
            open(page, "/set-up/checklists/employees", "set-up-checklist");
            coverage(page);
            open(page, "/files", "files");
            String file = first(page, "/api/board?text=korhola", "$.rows[*].id");
            String ledger = "/api/files/" + file + "/ledger";
            String firstAid = first(page, ledger, "$..slots[?(@.requirement=='first-aid')].papers[0].id");
            String contract = first(page, ledger, "$..slots[?(@.requirement=='contract')].papers[0].id");
            open(page, "/files/" + file + "?paper=" + firstAid, "file-read");
            open(page, "/files/" + file, "file-lines");
            open(page, "/files/" + file + "?view=whole&words=course", "file-whole");
            open(page, "/find?for=%7B%22words%22%3A%22certificate%20course%22%7D", "find");
            open(page, "/under-way?queue=RECEIVER", "under-way");
            open(page, "/chasing", "chasing");
            open(page, "/arrivals", "arrivals");
            arrivals(page);
            copy(desk, file, firstAid);
            open(page, "/set-up/accounts", "set-up-accounts");
            open(page, "/signing?show=all", "signing-requests");
            letter(desk);
            signing(desk, file, contract);
            Page phone = chromium.phone(address);
            phone.navigate("/");
            phone.getByLabel("Mail address").fill("ruth.penhallow@post.example");
            phone.getByLabel("Password").fill("oakhollin-demo");
            phone.keyboard().press("Enter");
            phone.getByText("What you sent us").waitFor();
            take(phone, "portal");
        }
    }

    private void copy(Desk desk, String file, String paper) {
        Page page = desk.page();
        page.navigate("/files/" + file + "?paper=" + paper);
        desk.button("Download").click();
        page.getByText("A copy for …").click();
        page.getByLabel("Their name").fill("Hallam Insurance");
        desk.button("Show what they will see").click();
        page.locator(".copy-pages img").first().waitFor();
        take(page, "copy-out");
        page.keyboard().press("Escape");
    }

    private void letter(Desk desk) {
        Page page = desk.page();
        String owner = first(page, "/api/board?kind=client", "$.rows[*].id");
        page.navigate("/files/" + owner);
        desk.button("Add something else").click();
        page.getByText("A letter we write…").click();
        desk.inDialog("Write it").click();
        page.getByLabel("Monthly fee").fill("320");
        page.getByLabel("Deposit").fill("500");
        page.getByText("Saved").waitFor();
        page.locator(".letter-pages img").first().waitFor();
        take(page, "letter");
    }

    private void coverage(Page page) {
        page.navigate("/coverage?kind=employee");
        page.locator(".board-row")
                .filter(new Locator.FilterOptions().setHasText("Tamsin Korhola"))
                .getByLabel("First aid certificate: expiring")
                .click();
        take(page, "coverage");
    }

    private void arrivals(Page page) {
        page.locator(".batch-head").first().waitFor(new Locator.WaitForOptions().setTimeout(240_000));
        open(page, "/arrivals?paper=" + arrival(page, "@.fileName=='scan_0300.pdf'"), "arrivals-stack");
    }

    private static String arrival(Page page, String condition) {
        return first(page, "/api/arrivals", "$[?(" + condition + ")].id");
    }

    private void signing(Desk desk, String file, String contract) {
        Page page = desk.page();
        page.navigate("/files/" + file + "?paper=" + contract);
        desk.button("Ask for signatures").first().click();
        page.getByAltText("page 2 of 2").scrollIntoViewIfNeeded();
        take(page, "signing-asking");
        page.navigate("/files/" + file + "?paper=" + contract);
        page.getByText("Sign at the desk")
                .or(page.getByText("Go on signing"))
                .first()
                .waitFor();
        if (page.getByText("Sign at the desk").isVisible()) {
            desk.button("Sign at the desk").click();
            page.getByLabel("Name of the director").fill("Bram Ostervelt");
            desk.button("Lay it before them").click();
        } else {
            desk.button("Go on signing").click();
        }
        page.getByText("please sign").first().waitFor();
        take(page, "signing");
        desk.button("Back to the practice").click();
        page.getByLabel("Password to unlock").fill("oakhollin-demo");
        desk.button("Unlock").click();
        desk.inDialog("End it").click();
    }

    private static String first(Page page, String path, String json) {
        String body = page.request()
                .get(page.url().replaceAll("(https?://[^/]+).*", "$1") + path)
                .text();
        List<String> found = JsonPath.read(body, json);
        return found.get(0);
    }

    private void open(Page page, String path, String name) {
        page.navigate(path);
        take(page, name);
    }

    private void take(Page page, String name) {
        page.waitForLoadState(LoadState.NETWORKIDLE);
        page.waitForTimeout(600);
        page.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve(name + ".png")));
    }
}
