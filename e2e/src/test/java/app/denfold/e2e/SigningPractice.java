package app.denfold.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import app.denfold.server.Papers;
import app.denfold.server.Patience;
import com.jayway.jsonpath.JsonPath;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import tools.jackson.databind.json.JsonMapper;

/** People with papers to sign, made through the API, and the mails that signers get. */
final class SigningPractice {

    private static final JsonMapper JSON = new JsonMapper();

    private final HttpSession ottilie;

    SigningPractice(HttpSession ottilie) {
        this.ottilie = ottilie;
    }

    /** @return id of the file */
    String newEmployee(String given, String family, String email) throws Exception {
        return newPerson("employee", given, family, "1994-03-09", email);
    }

    /** @param email null for none @return id of the file */
    String newPerson(String kind, String given, String family, String born, String email) throws Exception {
        Map<String, Object> person = new HashMap<>(Map.of(
                "kind",
                kind,
                "givenName",
                given,
                "familyName",
                family,
                "team",
                "Stables",
                "birthDate",
                born,
                "activeFrom",
                LocalDate.now().minusDays(30).toString(),
                "facts",
                Map.of()));
        if (email != null) {
            person.put("email", email);
        }
        return created("/api/files", Map.of("person", person, "evenIfLike", true), "$.id");
    }

    /** Three pages, with a place for the signature on the last. @return id of the paper */
    String newPaper(String file, String type, String heading) throws Exception {
        String upload = ottilie.sent(
                type + ".pdf",
                Papers.pages(List.of(heading + "|Hours and pay", "More of it", "Signature of employee")));
        String arrival = created("/api/arrivals/sent", Map.of("upload", upload), "$.id");
        Map<String, Object> details = Map.of(
                "fileId", file, "type", type, "documentDate", LocalDate.now().toString());
        return created(
                "/api/arrivals/" + arrival + "/filing", Map.of("version", 0, "details", details), "$.documentId");
    }

    /** @param signers as the API takes them @return id of the request */
    String asked(String paper, List<Map<String, Object>> signers) throws Exception {
        return created(
                "/api/signature-requests",
                Map.of(
                        "papers",
                        List.of(Map.of("id", paper, "version", 1)),
                        "signers",
                        signers,
                        "fields",
                        List.of(),
                        "endsAtDue",
                        false,
                        "remindEveryDays",
                        0,
                        "remindMost",
                        0,
                        "mayPassOn",
                        false),
                "$.id");
    }

    /** Somebody without an account. @param email null when none is known */
    static Map<String, Object> signer(int step, String role, String name, String email) {
        Map<String, Object> signer = new HashMap<>(Map.of("step", step, "task", "SIGN", "role", role, "name", name));
        if (email != null) {
            signer.put("email", email);
        }
        return signer;
    }

    String colleague(String name) throws Exception {
        List<String> found = JsonPath.read(ottilie.get("/api/colleagues"), "$[?(@.name=='" + name + "')].id");
        return found.get(0);
    }

    /** Posts what the answer tells a part of. @param answer a path in the answer */
    String created(String path, Object body, String answer) throws Exception {
        var response = ottilie.post(path, JSON.writeValueAsString(body));
        if (response.statusCode() / 100 != 2) {
            throw new IllegalStateException(path + " answered " + response.statusCode() + ": " + response.body());
        }
        return JsonPath.read(response.body(), answer);
    }

    /** What the newest mail to an address says, as soon as there is one that says it. */
    String newest(String to, Pattern what) {
        List<String> found = new ArrayList<>();
        Patience.await().until(() -> {
            found.clear();
            List<String> bodies = JsonPath.read(ottilie.get("/api/demo/mail"), "$.mails[?(@.to=='" + to + "')].text");
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

    String linkTo(String email) {
        return "/sign/" + newest(email, Pattern.compile("/sign/([A-Za-z0-9_-]+)"));
    }

    String codeTo(String email) {
        return newest(email, Pattern.compile("Code (\\d{3} \\d{3})"));
    }

    /** Follows the link in the newest mail to somebody, with the code that comes next. @return their phone */
    Page cameIn(Chromium chromium, String address, String email) {
        Page phone = chromium.phone(address);
        phone.navigate(linkTo(email));
        phone.getByText("Send me the code").click();
        assertThat(phone.getByLabel("Code")).isVisible();
        phone.getByLabel("Code").fill(codeTo(email));
        phone.getByText("Go on").click();
        return phone;
    }

    /** Signs with a typed name. */
    static void types(Page page, String name) {
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("Sign").setExact(true))
                .click();
        page.getByText("Type the name").click();
        page.getByLabel("Your full name").fill(name);
        page.getByText("I have read it and sign").click();
    }

    /** Each of three pages, so that all count as shown. @param paper as its signer reads it */
    static void looksThrough(Page page, String paper) {
        for (int i = 1; i <= 3; i++) {
            Locator one = page.getByAltText(paper + ", page " + i + " of 3");
            one.scrollIntoViewIfNeeded();
            assertThat(one).hasAttribute("src", Pattern.compile("/pages/" + i + "\\?"));
        }
    }
}
