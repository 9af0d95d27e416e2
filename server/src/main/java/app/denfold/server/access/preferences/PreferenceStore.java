package app.denfold.server.access.preferences;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** How accounts like the screens. One statement a wish, since two windows of one person may set the same at once. */
@Repository
class PreferenceStore {

    private final JdbcClient sql;

    PreferenceStore(JdbcClient sql) {
        this.sql = sql;
    }

    /** Values as JSON by their names. */
    Map<String, String> of(UUID accountId) {
        Map<String, String> all = new LinkedHashMap<>();
        sql.sql("select name, value from account_preference where account_id = ? order by name")
                .param(accountId)
                .query(row -> {
                    all.put(row.getString("name"), row.getString("value"));
                });
        return all;
    }

    /** Does nothing when the account has the most already. */
    void set(UUID accountId, String name, String json, int most) {
        sql.sql("""
                insert into account_preference (account_id, name, value) select :account, :name, :json::jsonb
                where (select count(*) from account_preference where account_id = :account) < :most
                on conflict (account_id, name) do update set value = excluded.value
                """)
                .param("account", accountId)
                .param("name", name)
                .param("json", json)
                .param("most", most)
                .update();
    }
}
