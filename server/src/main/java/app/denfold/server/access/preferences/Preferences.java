package app.denfold.server.access.preferences;

import app.denfold.server.access.Viewer;
import app.denfold.server.problems.Refusal;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** How a person likes the screens: widths, columns, what is folded. Kept with the account, read by the client alone. */
@Service
class Preferences {

    private static final int LONGEST = 20_000;
    private static final int MOST = 200;
    private static final JsonMapper JSON = new JsonMapper();

    private final PreferenceStore store;

    Preferences(PreferenceStore store) {
        this.store = store;
    }

    @Transactional(readOnly = true)
    public Map<String, JsonNode> of(Viewer viewer) {
        Map<String, JsonNode> all = new LinkedHashMap<>();
        store.of(viewer.accountId()).forEach((name, json) -> all.put(name, JSON.readTree(json)));
        return all;
    }

    /** @throws Refusal when there are too many, or the name or value is too long */
    @Transactional
    public void set(Viewer viewer, String name, JsonNode value) {
        String text = value.toString();
        if (!name.matches("[a-z0-9-]{1,60}") || text.length() > LONGEST) {
            throw Refusal.invalid("value", "This cannot be remembered: it is too long.");
        }
        store.set(viewer.accountId(), name, text, MOST);
    }
}
