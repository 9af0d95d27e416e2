package app.denfold.server.demo;

import app.denfold.server.catalog.sets.RuleSet;
import java.io.IOException;
import java.io.InputStream;
import java.util.Objects;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Sets up kinds, sections, types and checklists of the demo practice from its description. */
@Component
public class DemoCatalog {

    private final RuleSet rules;

    DemoCatalog(RuleSet rules) {
        this.rules = rules;
    }

    /** Names reviewers by their accounts, which are there before. */
    public void load() {
        try (InputStream in = Objects.requireNonNull(getClass().getResourceAsStream("/demo/catalog.json"))) {
            rules.add(new JsonMapper().readTree(in));
        } catch (IOException unreadable) {
            throw new IllegalStateException(unreadable);
        }
    }
}
