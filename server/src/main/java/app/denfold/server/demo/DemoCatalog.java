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
        add("/demo/catalog.json");
        add("/sets/practice.json");
    }

    private void add(String description) {
        try (InputStream in = Objects.requireNonNull(getClass().getResourceAsStream(description))) {
            rules.add(new JsonMapper().readTree(in));
        } catch (IOException unreadable) {
            throw new IllegalStateException(unreadable);
        }
    }
}
