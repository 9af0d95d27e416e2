package app.denfold.server.content.destroying;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Bytes that are destroyed, or about to be. Their rows stay, without a file. */
@Repository
class DestroyedContentStore {

    private final JdbcClient sql;

    DestroyedContentStore(JdbcClient sql) {
        this.sql = sql;
    }

    void add(String sha256, Instant now) {
        sql.sql("update content set destroyed_at = ? where sha256 = ? and destroyed_at is null")
                .params(Timestamp.from(now), sha256)
                .update();
    }

    /** Holds the row until the transaction ends: whoever brings the same bytes again meanwhile waits. */
    boolean lockIfDestroyed(String sha256) {
        return sql.sql("select true from content where sha256 = ? and destroyed_at is not null for update")
                .param(sha256)
                .query(Boolean.class)
                .optional()
                .orElse(false);
    }

    List<String> all() {
        return sql.sql("select sha256 from content where destroyed_at is not null")
                .query(String.class)
                .list();
    }
}
