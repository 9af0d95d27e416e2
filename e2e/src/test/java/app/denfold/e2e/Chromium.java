package app.denfold.e2e;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import java.nio.file.Path;
import java.util.List;

/** Debian's Chromium, without a head and without connections of its own. */
final class Chromium implements AutoCloseable {

    private final Playwright playwright = Playwright.create();
    private final Browser browser = playwright
            .chromium()
            .launch(new BrowserType.LaunchOptions()
                    .setExecutablePath(Path.of("/usr/bin/chromium"))
                    .setArgs(List.of(
                            "--headless",
                            "--no-sandbox",
                            "--disable-gpu",
                            "--disable-quic",
                            "--no-first-run",
                            "--disable-background-networking",
                            "--disable-component-update",
                            "--disable-sync")));

    /** A page of a fresh profile at an office screen's size. */
    Page desk(String address) {
        return page(address, 1280, 800);
    }

    /** A page of a fresh profile at a phone's size. */
    Page phone(String address) {
        return page(address, 390, 844);
    }

    private Page page(String address, int width, int height) {
        // a busy machine takes longer than the usual five seconds
        PlaywrightAssertions.setDefaultAssertionTimeout(120_000);
        BrowserContext context = browser.newContext(
                new Browser.NewContextOptions().setBaseURL(address).setViewportSize(width, height));
        context.setDefaultTimeout(120_000);
        return context.newPage();
    }

    @Override
    public void close() {
        browser.close();
        playwright.close();
    }
}
