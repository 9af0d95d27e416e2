package app.denfold.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Papers;
import com.jayway.jsonpath.JsonPath;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.json.JsonMapper;

/** A guardian on her phone: two children, five photos as two papers, and a right that is taken away in the middle. */
class GuestWayTest {

    private static final JsonMapper JSON = new JsonMapper();
    private static final String RUTH = "ruth.penhallow@post.example";

    @TempDir
    Path folder;

    private final Accessibility accessibility = new Accessibility();
    private HttpSession ottilie;
    private Page page;

    @Test
    void sendsPhotosForOneChildUntilItsRightIsTakenAway() throws Exception {
        try (ServerProcess server = new ServerProcess(folder).withoutRecognition();
                Chromium chromium = new Chromium()) {
            server.start();
            ottilie = HttpSession.signIn(server.address(), "ottilie@oakhollin.example");
            String kenji = file("Kenji Abelard");
            ottilie.post(
                    "/api/guests",
                    JSON.writeValueAsString(Map.of(
                            "name",
                            "Ruth Penhallow",
                            "email",
                            RUTH,
                            "relation",
                            "guardian",
                            "files",
                            List.of(kenji),
                            "rights",
                            Map.of("inFile", List.of("ADD"), "inSections", List.of()))));
            page = chromium.phone(server.address());
            Map<String, Long> arrived = new ConcurrentHashMap<>();
            page.onRequestFinished(request -> arrived.merge(
                    request.url(),
                    (long) request.sizes().responseBodySize + request.sizes().responseHeadersSize,
                    Long::sum));
            page.navigate("/");
            page.getByLabel("Mail address").fill(RUTH);
            page.getByLabel("Password").fill("oakhollin-demo");
            page.keyboard().press("Enter");
            page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Kenji Abelard"))
                    .click();
            assertThat(page.getByText("We need nothing from you now")).isVisible();
            assertThat(arrived.values().stream().mapToLong(bytes -> bytes).sum())
                    .as("bytes over the line up to the first view, signing in included: " + arrived)
                    .isBetween(50_000L, 250_000L);
            accessibility.look(page);
            page.getByText("Choose papers").click();
            sendsFivePhotosAsTwoPapers();
            losesTheRightWhileChoosing(kenji);
            page.setViewportSize(1280, 800);
            accessibility.look(page);
            assertThat(accessibility.faults()).isEmpty();
        }
    }

    private String file(String name) throws Exception {
        List<String> found = JsonPath.read(
                ottilie.get("/api/files/found?text=" + name.replace(" ", "%20")), "$[?(@.name=='" + name + "')].id");
        return found.get(0);
    }

    private Path[] photos(int count) {
        return IntStream.rangeClosed(1, count)
                .mapToObj(i -> {
                    try {
                        return Files.write(folder.resolve("photo " + i + ".png"), Papers.png());
                    } catch (java.io.IOException unwritable) {
                        throw new java.io.UncheckedIOException(unwritable);
                    }
                })
                .toArray(Path[]::new);
    }

    private Locator picker() {
        return page.getByLabel("Choose a file: a paper for Kenji Abelard");
    }

    private void sendsFivePhotosAsTwoPapers() {
        picker().setInputFiles(photos(5));
        assertThat(page.getByText("Send 5 photos as one paper")).isVisible();
        page.getByLabel("Turn photo 2.png").click();
        page.getByLabel("a new paper").nth(2).check();
        accessibility.look(page);
        page.getByText("Send 5 photos as 2 papers").click();
        assertThat(page.getByText("Thank you, 2 papers have arrived.")).isVisible();
        assertThat(page.getByText("photo 1.pdf")).isVisible();
        assertThat(page.getByText("photo 4.pdf")).isVisible();
    }

    private void losesTheRightWhileChoosing(String kenji) throws Exception {
        picker().setInputFiles(photos(1));
        assertThat(page.getByText("Send one paper")).isVisible();
        List<String> guests = JsonPath.read(
                ottilie.get("/api/files/" + kenji + "/shared"), "$.guests[?(@.email=='" + RUTH + "')].accountId");
        ottilie.put(
                "/api/files/" + kenji + "/guests/" + guests.get(0),
                "{\"relation\":\"guardian\",\"rights\":{\"inFile\":[],\"inSections\":[]}}");
        page.getByText("Send one paper").click();
        assertThat(page.getByText("You may no longer send papers for this person"))
                .isVisible();
        assertThat(page.getByText("photo 1.png")).isVisible();
    }
}
