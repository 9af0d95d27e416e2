package app.denfold.server.catalog.sets;

import app.denfold.server.access.Viewer;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.problems.Refusal;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Ready-made sets for kinds of practices, of which one begins with some and adds others later. */
@Service
class ReadySets {

    private static final List<String> CODES = List.of("clinic", "school", "workplace", "club", "landlord", "practice");

    private final RuleSet rules;
    private final Catalog catalog;
    private final JsonMapper mapper = new JsonMapper();

    ReadySets(RuleSet rules, Catalog catalog) {
        this.rules = rules;
        this.catalog = catalog;
    }

    /**
     * @param words what it is for
     * @param kinds what its files are about
     * @param papers labels of what it asks for
     * @param added whether all its checklists are there already
     */
    record ReadySet(String code, String label, String words, List<String> kinds, List<String> papers, boolean added) {}

    @Transactional(readOnly = true)
    List<ReadySet> all(Viewer viewer) {
        viewer.requireAdministrator();
        Set<String> known = catalog.checklistCodes();
        return CODES.stream()
                .map(code -> {
                    JsonNode set = read(code);
                    List<String> kinds = new ArrayList<>();
                    set.get("kinds").forEach(k -> kinds.add(k.get("plural").stringValue()));
                    List<String> papers = new ArrayList<>();
                    boolean added = true;
                    for (JsonNode list : set.get("checklists")) {
                        list.get("labels").forEach(label -> papers.add(label.stringValue()));
                        added &= known.contains(
                                list.get("definition").get("code").stringValue());
                    }
                    return new ReadySet(
                            code,
                            set.get("label").stringValue(),
                            set.get("words").stringValue(),
                            kinds,
                            papers,
                            added);
                })
                .toList();
    }

    /** Adds sets to what is there. @throws Refusal when there is no such set */
    @Transactional
    void add(Viewer viewer, List<String> codes) {
        viewer.requireAdministrator();
        for (String code : codes) {
            if (!CODES.contains(code)) {
                throw Refusal.invalid("codes", "There is no set called " + code + ".");
            }
            rules.add(read(code));
        }
    }

    private JsonNode read(String code) {
        try (InputStream in = Objects.requireNonNull(getClass().getResourceAsStream("/sets/" + code + ".json"))) {
            return mapper.readTree(in);
        } catch (IOException unreadable) {
            throw new IllegalStateException(unreadable);
        }
    }
}
