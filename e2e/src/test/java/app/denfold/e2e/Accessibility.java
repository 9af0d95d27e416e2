package app.denfold.e2e;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.List;

/** Collects what axe finds serious or critical, and pages that scroll sideways, over a whole test. */
final class Accessibility {

    private final List<String> faults = new ArrayList<>();

    void look(Page page) {
        new AxeBuilder(page)
                .analyze().getViolations().stream()
                        .filter(v -> "serious".equals(v.getImpact()) || "critical".equals(v.getImpact()))
                        .map(v -> page.url() + " " + v.getId() + ": " + v.getHelp() + " at "
                                + v.getNodes().stream()
                                        .map(n -> n.getHtml())
                                        .limit(3)
                                        .toList())
                        .forEach(faults::add);
        Object overflow = page.evaluate("document.documentElement.scrollWidth - window.innerWidth");
        if (((Number) overflow).intValue() > 0) {
            faults.add(page.url() + " scrolls sideways by " + overflow + " pixels");
        }
    }

    List<String> faults() {
        return List.copyOf(faults);
    }
}
