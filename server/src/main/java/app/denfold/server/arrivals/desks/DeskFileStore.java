package app.denfold.server.arrivals.desks;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Which file is open at which desk. The last one told of stays, in one statement, since two may open one at once. */
@Repository
class DeskFileStore {

    private final JdbcClient sql;

    DeskFileStore(JdbcClient sql) {
        this.sql = sql;
    }

    void put(String desk, UUID fileId, UUID accountId, Instant now) {
        sql.sql("""
                insert into desk_file (desk, file_id, account_id, at) values (?, ?, ?, ?) on conflict (desk) do update
                set file_id = excluded.file_id, account_id = excluded.account_id, at = excluded.at
                """).params(desk, fileId, accountId, Timestamp.from(now)).update();
    }

    void remove(String desk, UUID accountId) {
        sql.sql("delete from desk_file where desk = ? and account_id = ?")
                .params(desk, accountId)
                .update();
    }

    Optional<UUID> openSince(String desk, Instant moment) {
        return sql.sql("select file_id from desk_file where desk = ? and at >= ?")
                .params(desk, Timestamp.from(moment))
                .query(UUID.class)
                .optional();
    }
}
