package app.denfold.e2e;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Page;
import java.util.ArrayList;
import java.util.List;

/** Collects what axe finds serious or critical, and pages that scroll sideways, over a whole test. */
final class Accessibility {

    private final List<String> faults = new ArrayList<>();

    void look(Page page) {
        page.waitForTimeout(700); // what fades in or out has come to rest; axe would measure its contrast half way
        // Ant Design keeps the list of a closed choice for screen readers without a name of its own; the field has one
        new AxeBuilder(page)
                .exclude(".ant-select-dropdown").analyze().getViolations().stream()
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
