package app.denfold.bench;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import java.nio.file.Path;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Chromium at a desk, signed in. */
final class BenchBrowser implements AutoCloseable {

    private final Playwright playwright = Playwright.create();
    private final Browser browser;

    BenchBrowser() {
        browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of("/usr/bin/chromium"))
                        .setArgs(List.of("--headless", "--no-sandbox", "--disable-gpu", "--disable-quic")));
    }

    Page signedIn(String address, String email, String password) {
        Page page = browser.newPage(new Browser.NewPageOptions().setViewportSize(1280, 800));
        page.navigate(address);
        page.getByLabel("Mail address").fill(email);
        page.getByLabel("Password").fill(password);
        page.getByText("Sign in").click();
        page.waitForURL("**/today");
        return page;
    }

    /** A phone with an empty cache. @param known what the browser kept before, such as cookies; null for nothing */
    BrowserContext phone(@Nullable String known) {
        Browser.NewContextOptions options = new Browser.NewContextOptions()
                .setViewportSize(390, 844)
                .setDeviceScaleFactor(3)
                .setIsMobile(true)
                .setHasTouch(true);
        return browser.newContext(known == null ? options : options.setStorageState(known));
    }

    @Override
    public void close() {
        browser.close();
        playwright.close();
    }
}
