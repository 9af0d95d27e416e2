package app.denfold.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Page;
import java.util.List;

/** What axe thinks of a page. */
final class Accessibility {

    private Accessibility() {}

    /** No serious or critical fault, and nothing to scroll to the side. */
    static void check(Page page) {
        List<String> faults = new AxeBuilder(page)
                .analyze().getViolations().stream()
                        .filter(v -> "serious".equals(v.getImpact()) || "critical".equals(v.getImpact()))
                        .map(v -> v.getId() + ": " + v.getHelp() + " at "
                                + v.getNodes().stream().map(n -> n.getHtml()).limit(3).toList())
                        .toList();
        assertThat(faults).as("axe on " + page.url()).isEmpty();
        Object overflow = page.evaluate("document.documentElement.scrollWidth - window.innerWidth");
        assertThat(((Number) overflow).intValue()).as("sideways scrolling on " + page.url()).isLessThanOrEqualTo(0);
    }
}
