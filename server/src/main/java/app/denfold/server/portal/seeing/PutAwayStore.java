package app.denfold.server.portal.seeing;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.HashSet;
import java.util.Set;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Papers that somebody has looked at and no longer wants to be told of as new. */
@Component
public class PutAwayStore {

    private final JdbcClient sql;

    PutAwayStore(JdbcClient sql) {
        this.sql = sql;
    }

    public Set<UUID> of(UUID accountId) {
        return new HashSet<>(sql.sql("select document_id from put_away where account_id = ?")
                .param(accountId)
                .query(UUID.class)
                .list());
    }

    public void add(UUID accountId, UUID documentId, Instant now) {
        sql.sql("insert into put_away (account_id, document_id, at) values (?, ?, ?) on conflict do nothing")
                .param(accountId)
                .param(documentId)
                .param(Timestamp.from(now))
                .update();
    }
}
