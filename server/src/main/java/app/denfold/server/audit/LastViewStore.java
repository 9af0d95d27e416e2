package app.denfold.server.audit;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** When somebody last viewed something. Pages are asked for side by side: of several at once one is the first, the others wait for its row. */
@Repository
class LastViewStore {

    private final JdbcClient sql;

    LastViewStore(JdbcClient sql) {
        this.sql = sql;
    }

    /** Notes a view. @param since views before it count as another one @return whether it is the first since then */
    boolean isFirst(UUID accountId, UUID viewed, Instant now, Instant since) {
        return sql.sql("""
                        insert into last_view (account_id, viewed_id, at) values (:account, :viewed, :now)
                        on conflict (account_id, viewed_id) do update set at = excluded.at
                        where last_view.at <= :since or last_view.at > :now
                        """)
                        .param("account", accountId)
                        .param("viewed", viewed)
                        .param("now", Timestamp.from(now))
                        .param("since", Timestamp.from(since))
                        .update()
                > 0;
    }
}
