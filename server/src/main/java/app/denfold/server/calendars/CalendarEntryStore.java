package app.denfold.server.calendars;

import java.sql.Timestamp;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What calendars were told. Two who read at once write the same, hence by SQL. */
@Repository
class CalendarEntryStore {

    private final JdbcClient sql;

    CalendarEntryStore(JdbcClient sql) {
        this.sql = sql;
    }

    /** @param sequence counts up whenever the event changes */
    record Entry(String uid, LocalDate day, int sequence, boolean cancelled, Instant changedAt) {}

    /** What a calendar was told. */
    List<Entry> of(UUID feed) {
        return sql.sql("select uid, day, sequence, cancelled, changed_at from calendar_entry where feed_id = ?")
                .param(feed)
                .query((row, n) -> new Entry(
                        row.getString(1),
                        row.getObject(2, LocalDate.class),
                        row.getInt(3),
                        row.getBoolean(4),
                        row.getTimestamp(5).toInstant()))
                .list();
    }

    /** Of two who write at once the higher sequence stays. */
    void write(UUID feed, Entry entry) {
        sql.sql("""
                        insert into calendar_entry (feed_id, uid, day, sequence, cancelled, changed_at)
                        values (?, ?, ?, ?, ?, ?)
                        on conflict (feed_id, uid) do update set day = excluded.day, sequence = excluded.sequence,
                          cancelled = excluded.cancelled, changed_at = excluded.changed_at
                        where calendar_entry.sequence < excluded.sequence
                        """)
                .params(
                        feed,
                        entry.uid(),
                        entry.day(),
                        entry.sequence(),
                        entry.cancelled(),
                        Timestamp.from(entry.changedAt()))
                .update();
    }
}
