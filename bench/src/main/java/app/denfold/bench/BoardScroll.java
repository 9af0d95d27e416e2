package app.denfold.bench;

import com.microsoft.playwright.Page;
import java.util.List;

/** How smoothly the board scrolls through all its rows in Chromium. */
final class BoardScroll {

    private static final String SCROLL = """
            async () => {
              const pane = document.querySelector('.board');
              const frames = [];
              let last = performance.now();
              for (let i = 0; i < 300; i++) {
                pane.scrollTop += i % 100 < 60 ? 700 : pane.scrollHeight / 120;
                await new Promise(requestAnimationFrame);
                const now = performance.now();
                frames.push(now - last);
                last = now;
              }
              return [Math.max(...frames), frames.sort((a, b) => a - b)[Math.floor(frames.length / 2)],
                pane.scrollTop / pane.scrollHeight];
            }""";

    private final String address;
    private final String email;
    private final String password;

    BoardScroll(String address, String email, String password) {
        this.address = address;
        this.email = email;
        this.password = password;
    }

    void measure() {
        try (BenchBrowser browser = new BenchBrowser()) {
            Page page = browser.signedIn(address, email, password);
            page.navigate(address + "/coverage?kind=all");
            page.locator(".board-row .board-cell").first().waitFor();
            page.evaluate(SCROLL);
            List<?> result = (List<?>) page.evaluate(SCROLL);
            Figures.atMost("board-longest-frame", ((Number) result.get(0)).doubleValue(), "ms", 100);
            Figures.told("board-median-frame", ((Number) result.get(1)).doubleValue(), "ms");
            Figures.told("board-scrolled-to", ((Number) result.get(2)).doubleValue() * 100, "%");
        }
    }
}
