package app.denfold.server.content;

import app.denfold.server.content.DamagedContent.Damage;
import java.sql.Timestamp;
import java.util.Collection;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Damage that was found in stored bytes. The first finding stays, with the last words for it. */
@Repository
class DamageStore {

    private final JdbcClient sql;

    DamageStore(JdbcClient sql) {
        this.sql = sql;
    }

    void add(Damage damage) {
        sql.sql("""
                insert into content_damage (sha256, found_at, words) values (?, ?, ?)
                on conflict (sha256) do update set words = excluded.words
                """)
                .params(damage.sha256(), Timestamp.from(damage.foundAt()), damage.words())
                .update();
    }

    void remove(String sha256) {
        sql.sql("delete from content_damage where sha256 = ?").param(sha256).update();
    }

    /** The longest known first. */
    List<Damage> all() {
        return sql.sql("select sha256, found_at, words from content_damage order by found_at, sha256")
                .query((row, i) ->
                        new Damage(row.getString(1), row.getTimestamp(2).toInstant(), row.getString(3)))
                .list();
    }

    List<Damage> of(Collection<String> hashes) {
        return sql.sql("select sha256, found_at, words from content_damage where sha256 in (:hashes)")
                .param("hashes", hashes)
                .query((row, i) ->
                        new Damage(row.getString(1), row.getTimestamp(2).toInstant(), row.getString(3)))
                .list();
    }
}
