package app.denfold.server.documents.pages;

import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** By how many degrees readers turned all pages of bytes. Turned in one statement, since each quarter adds to the last. */
@Repository
class PaperTurnStore {

    private final JdbcClient sql;

    PaperTurnStore(JdbcClient sql) {
        this.sql = sql;
    }

    /** By hash; those that are not turned are left out. */
    Map<String, Integer> of(Collection<String> hashes) {
        Map<String, Integer> turned = new HashMap<>();
        sql.sql("select sha256, degrees from paper_turn where degrees <> 0 and sha256 = any (?)")
                .param(hashes.toArray(String[]::new))
                .query(row -> {
                    turned.put(row.getString(1), row.getInt(2));
                });
        return turned;
    }

    void add(String sha256, int degrees) {
        sql.sql("""
                insert into paper_turn as t (sha256, degrees) values (?, ?) on conflict (sha256) do update
                set degrees = (t.degrees + excluded.degrees) % 360
                """).params(sha256, degrees).update();
    }

    void remove(String sha256) {
        sql.sql("delete from paper_turn where sha256 = ?").param(sha256).update();
    }
}
