package app.denfold.server.calendars;

import java.sql.Timestamp;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
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
    record Entry(String uid, UUID fileId, LocalDate day, int sequence, boolean cancelled, Instant changedAt) {}

    List<Entry> ofFiles(Collection<UUID> files) {
        return files.isEmpty()
                ? List.of()
                : sql.sql("select uid, file_id, day, sequence, cancelled, changed_at from calendar_entry"
                                + " where file_id in (:files)")
                        .param("files", files)
                        .query((row, n) -> new Entry(
                                row.getString(1),
                                row.getObject(2, UUID.class),
                                row.getObject(3, LocalDate.class),
                                row.getInt(4),
                                row.getBoolean(5),
                                row.getTimestamp(6).toInstant()))
                        .list();
    }

    /** Of two who write at once the higher sequence stays. */
    void write(Entry entry) {
        sql.sql("""
                        insert into calendar_entry (uid, file_id, day, sequence, cancelled, changed_at)
                        values (?, ?, ?, ?, ?, ?)
                        on conflict (uid) do update set day = excluded.day, sequence = excluded.sequence,
                          cancelled = excluded.cancelled, changed_at = excluded.changed_at
                        where calendar_entry.sequence < excluded.sequence
                        """)
                .params(
                        entry.uid(),
                        entry.fileId(),
                        entry.day(),
                        entry.sequence(),
                        entry.cancelled(),
                        Timestamp.from(entry.changedAt()))
                .update();
    }
}
