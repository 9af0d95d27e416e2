package app.denfold.server.arrivals.waiting;

import app.denfold.server.access.Viewer;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Repository;

/** Who has which waiting paper open, so that two people do not work on the same one. The first one keeps it. */
@Repository
class ArrivalPresenceStore {

    /** A page that is left without a word stays open for so long. */
    private static final Duration OPEN = Duration.ofSeconds(45);

    private final JdbcTemplate sql;
    private final Clock clock;

    ArrivalPresenceStore(JdbcTemplate sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    /** Notes that the viewer has the paper open, and no other one any more; one that is there no more is not noted. */
    void note(Viewer viewer, UUID arrival) {
        Instant now = clock.instant();
        sql.update(
                "delete from arrival_presence where account_id = ? and arrival_id <> ?", viewer.accountId(), arrival);
        sql.update(
                """
                insert into arrival_presence as l (arrival_id, account_id, by_name, at)
                select a.id, ?, ?, ? from arrival a where a.id = ?
                on conflict (arrival_id) do update
                set account_id = excluded.account_id, by_name = excluded.by_name, at = excluded.at
                where l.account_id = excluded.account_id or l.at < ?
                """, viewer.accountId(), viewer.name(), Timestamp.from(now), arrival, Timestamp.from(now.minus(OPEN)));
    }

    /** Names of the others who have papers open, by arrival. */
    Map<UUID, String> others(Viewer viewer) {
        Map<UUID, String> open = new HashMap<>();
        sql.query(
                "select arrival_id, by_name from arrival_presence where account_id <> ? and at >= ?",
                row -> {
                    open.put(row.getObject("arrival_id", UUID.class), row.getString("by_name"));
                },
                viewer.accountId(),
                Timestamp.from(clock.instant().minus(OPEN)));
        return open;
    }
}
