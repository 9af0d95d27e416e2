package app.denfold.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Set-up and the portal, by daylight and by lamplight, on a phone and at a desk. */
class LightAndDarkTest {

    private static final List<ColorScheme> SCHEMES = List.of(ColorScheme.LIGHT, ColorScheme.DARK);

    @TempDir
    Path folder;

    private final Accessibility accessibility = new Accessibility();

    @Test
    void nothingInSetUpOrPortalIsHardToReadOrOutOfReach() throws Exception {
        try (ServerProcess server = new ServerProcess(folder).withoutRecognition();
                Chromium chromium = new Chromium()) {
            server.start();
            setUp(chromium.desk(server.address()));
            portal(chromium.phone(server.address()));
            checkOfACopy(chromium.phone(server.address()));
            assertThat(accessibility.faults()).isEmpty();
        }
    }

    private void setUp(Page page) {
        new Desk(page).signIn("ottilie@oakhollin.example");
        page.navigate("/set-up");
        for (String place : places(page)) {
            page.navigate(place);
            assertThat(page.locator(".set-up > section").first()).isVisible();
            // contrast is a matter of the look and reach one of the size, so two of the four tell all
            look(page, 1280, ColorScheme.LIGHT);
            look(page, 390, ColorScheme.DARK);
        }
    }

    private static List<String> places(Page page) {
        var links = page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Set-up"))
                .getByRole(AriaRole.LINK);
        assertThat(links.first()).isVisible();
        List<String> places = new ArrayList<>();
        links.all().forEach(link -> places.add(link.getAttribute("href")));
        assertThat(places).hasSizeGreaterThan(10);
        return places;
    }

    private void portal(Page page) {
        page.navigate("/");
        page.getByLabel("Mail address").fill("ruth.penhallow@post.example");
        page.getByLabel("Password").fill("oakhollin-demo");
        page.keyboard().press("Enter");
        assertThat(page.getByText("Insurance card").first()).isVisible();
        for (ColorScheme scheme : SCHEMES) {
            look(page, 390, scheme);
            look(page, 1280, scheme);
        }
        // at 200 % of a phone's usual width one still reaches everything
        look(page, 320, ColorScheme.LIGHT);
    }

    private void checkOfACopy(Page page) {
        page.navigate("/check");
        assertThat(page.getByText("Drop the PDF here, or click to choose it")).isVisible();
        look(page, 390, ColorScheme.DARK);
        look(page, 1280, ColorScheme.LIGHT);
    }

    private void look(Page page, int width, ColorScheme scheme) {
        page.setViewportSize(width, 844);
        page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(scheme));
        accessibility.look(page);
    }
}
