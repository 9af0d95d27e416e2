package app.denfold.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.eatthepath.otp.TimeBasedOneTimePasswordGenerator;
import com.google.gson.JsonObject;
import com.microsoft.playwright.CDPSession;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.nio.file.Path;
import java.time.Instant;
import javax.crypto.spec.SecretKeySpec;
import org.apache.commons.codec.binary.Base32;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The ways to sign in: by a code besides the password, by a passkey, by the directory of the house. */
class WaysInTest {

    @TempDir
    Path folder;

    private final Accessibility accessibility = new Accessibility();
    private Page page;
    private Desk desk;

    @Test
    void signsInByCodeByPasskeyAndByTheHouse() throws Exception {
        try (ServerProcess server = new ServerProcess(folder).withoutRecognition();
                Chromium chromium = new Chromium()) {
            server.start();
            page = chromium.desk(server.address());
            desk = new Desk(page);
            desk.signIn("dilan@oakhollin.example");
            withACode();
            withAPasskey();
            throughTheHouse();
            assertThat(accessibility.faults()).isEmpty();
        }
    }

    private void menu(String item) {
        page.locator(".me").click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(item))
                .click();
    }

    private void signOut() {
        page.navigate("/today");
        menu("Sign out");
        assertThat(page.getByLabel("Mail address")).isVisible();
    }

    private Locator places() {
        return page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Places"));
    }

    private static String code(String secret, int steps) throws Exception {
        return new TimeBasedOneTimePasswordGenerator()
                .generateOneTimePasswordString(
                        new SecretKeySpec(new Base32().decode(secret), "HmacSHA1"),
                        Instant.now().plusSeconds(30L * steps));
    }

    private void withACode() throws Exception {
        menu("How I sign in");
        desk.inDialog("Set it up").click();
        String secret = page.locator(".scan-secret code").innerText().replaceAll("\\s", "");
        accessibility.look(page);
        page.getByLabel("2. Type the code it shows").fill(code(secret, -1));
        desk.inDialog("Turn it on").click();
        assertThat(page.locator(".recovery-codes code")).hasCount(10);
        String recovery = page.locator(".recovery-codes code").first().innerText();
        desk.inDialog("I have kept them").click();
        assertThat(page.getByRole(AriaRole.DIALOG)).containsText("10 of 10");

        signOut();
        page.getByLabel("Mail address").fill("dilan@oakhollin.example");
        page.getByLabel("Password").fill("oakhollin-demo");
        page.keyboard().press("Enter");
        page.getByLabel("Code").fill("111111");
        page.keyboard().press("Enter");
        assertThat(page.getByText("That code is not right")).isVisible();
        accessibility.look(page);
        page.getByLabel("Code").fill(recovery);
        page.keyboard().press("Enter");
        assertThat(places()).isVisible();
    }

    private void withAPasskey() {
        CDPSession devices = page.context().newCDPSession(page);
        devices.send("WebAuthn.enable");
        JsonObject device = new JsonObject();
        device.addProperty("protocol", "ctap2");
        device.addProperty("transport", "internal");
        device.addProperty("hasResidentKey", true);
        device.addProperty("hasUserVerification", true);
        device.addProperty("isUserVerified", true);
        device.addProperty("automaticPresenceSimulation", true);
        JsonObject options = new JsonObject();
        options.add("options", device);
        devices.send("WebAuthn.addVirtualAuthenticator", options);

        menu("How I sign in");
        page.getByLabel("Name of the new passkey").fill("Office computer");
        desk.inDialog("Make a passkey").click();
        assertThat(page.locator(".passkey")).containsText("not used yet");
        signOut();
        desk.button("Sign in with a passkey").click();
        assertThat(places()).isVisible();
        menu("How I sign in");
        assertThat(page.locator(".passkey")).containsText("last used");
        page.locator(".passkey").getByRole(AriaRole.BUTTON).click();
        assertThat(page.locator(".passkey")).hasCount(0);
        signOut();
        desk.button("Sign in with a passkey").click();
        assertThat(page.getByText("This passkey is not known here")).isVisible();
    }

    private void throughTheHouse() {
        Locator through = page.getByRole(
                AriaRole.LINK, new Page.GetByRoleOptions().setName("Sign in with your Oakhollin account"));
        through.click();
        page.getByText("Somebody without an account").click();
        assertThat(page.getByText("has no account here")).isVisible();
        accessibility.look(page);
        through.click();
        page.getByText("Bram Ostervelt").click();
        assertThat(places()).isVisible();
        assertThat(page.locator(".me")).hasText("BO");
    }
}
