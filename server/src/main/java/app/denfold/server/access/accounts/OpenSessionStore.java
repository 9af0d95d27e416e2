package app.denfold.server.access.accounts;

import app.denfold.server.access.SignedInAccount;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** The sessions of accounts, as the session store keeps them. */
@Component
class OpenSessionStore {

    private final JdbcClient sql;

    OpenSessionStore(JdbcClient sql) {
        this.sql = sql;
    }

    /** Those that have not run out, the last used first. */
    List<OpenSession> of(UUID accountId, String current) {
        return sql.sql("""
                        select creation_time, last_access_time, session_id = :current as mine from spring_session
                        where principal_name = :name and expiry_time > extract(epoch from now()) * 1000
                        order by last_access_time desc
                        """)
                .param("current", current)
                .param("name", SignedInAccount.nameOf(accountId))
                .query((row, i) -> new OpenSession(
                        Instant.ofEpochMilli(row.getLong("creation_time")),
                        Instant.ofEpochMilli(row.getLong("last_access_time")),
                        row.getBoolean("mine")))
                .list();
    }

    void endOthers(UUID accountId, String current) {
        sql.sql("delete from spring_session where principal_name = ? and session_id <> ?")
                .param(SignedInAccount.nameOf(accountId))
                .param(current)
                .update();
    }

    /** All sessions end when they were not used for so long; those that were not already, at once. */
    void limitIdle(Duration idle) {
        sql.sql("""
                        update spring_session
                        set max_inactive_interval = :seconds, expiry_time = last_access_time + :seconds * 1000
                        """).param("seconds", idle.toSeconds()).update();
    }

    /** Ends all sessions of an account, wherever it is signed in. Takes part in the running transaction. */
    void endAll(UUID accountId) {
        sql.sql("delete from spring_session where principal_name = ?")
                .param(SignedInAccount.nameOf(accountId))
                .update();
    }
}
