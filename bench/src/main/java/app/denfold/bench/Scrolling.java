package app.denfold.bench;

import com.microsoft.playwright.Page;
import java.util.List;

/** How smoothly a pane scrolls from end to end in Chromium. */
final class Scrolling {

    private static final String SCROLL = """
            async (selector) => {
              const pane = document.querySelector(selector);
              const frames = [];
              let last = performance.now();
              pane.scrollTop = 0;
              for (let i = 0; i < 300; i++) {
                pane.scrollTop += i % 100 < 60 ? 700 : pane.scrollHeight / 120;
                await new Promise(requestAnimationFrame);
                const now = performance.now();
                frames.push(now - last);
                last = now;
              }
              return [Math.max(...frames), frames.sort((a, b) => a - b)[Math.floor(frames.length / 2)],
                pane.scrollTop / (pane.scrollHeight - pane.clientHeight)];
            }""";

    private final String selector;

    Scrolling(String selector) {
        this.selector = selector;
    }

    /** Prints the longest and the median frame, and how far it came; the first time does not count. */
    void measure(Page page, String name) {
        page.evaluate(SCROLL, selector);
        List<?> result = (List<?>) page.evaluate(SCROLL, selector);
        Figures.atMost(name + "-longest-frame", ((Number) result.get(0)).doubleValue(), "ms", 100);
        Figures.told(name + "-median-frame", ((Number) result.get(1)).doubleValue(), "ms");
        Figures.told(name + "-scrolled-to", ((Number) result.get(2)).doubleValue() * 100, "%");
    }
}
