package app.denfold.server.access.accounts;

import app.denfold.server.access.Viewer;
import app.denfold.server.problems.Refusal;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.jdbc.core.JdbcTemplate;
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

    private final JdbcTemplate sql;

    Preferences(JdbcTemplate sql) {
        this.sql = sql;
    }

    @Transactional(readOnly = true)
    public Map<String, JsonNode> of(Viewer viewer) {
        Map<String, JsonNode> all = new LinkedHashMap<>();
        sql.query(
                "select name, value from account_preference where account_id = ? order by name",
                row -> {
                    all.put(row.getString("name"), JSON.readTree(row.getString("value")));
                },
                viewer.accountId());
        return all;
    }

    /** @throws Refusal when there are too many, or the name or value is too long */
    @Transactional
    public void set(Viewer viewer, String name, JsonNode value) {
        String text = value.toString();
        if (!name.matches("[a-z0-9-]{1,60}") || text.length() > LONGEST) {
            throw Refusal.invalid("value", "This cannot be remembered: it is too long.");
        }
        sql.update(
                "insert into account_preference (account_id, name, value) select ?, ?, ?::jsonb"
                        + " where (select count(*) from account_preference where account_id = ?) < " + MOST
                        + " on conflict (account_id, name) do update set value = excluded.value",
                viewer.accountId(),
                name,
                text,
                viewer.accountId());
    }
}
