package app.denfold.server.arrivals.pickup;

import java.sql.Timestamp;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/**
 * Files of pickups that became papers and still lie in their folder, or in {@code taken} beside it. A row is written in the
 * transaction in which the paper is received, so that a file is taken once however often the product is stopped.
 */
@Repository
class TakenFileStore {

    private final JdbcClient sql;

    TakenFileStore(JdbcClient sql) {
        this.sql = sql;
    }

    /** @param movedAs its name in {@code taken}; null while it lies where the scanner saved it */
    record TakenFile(String desk, long inode, long modified, long size, String movedAs, Instant takenAt) {}

    boolean isTaken(String desk, PickupFile file) {
        return sql.sql("""
                        select count(*) from pickup_taken
                        where desk = ? and inode = ? and modified = ? and size = ? and moved_as is null
                        """)
                        .params(desk, file.inode(), file.modified(), file.size())
                        .query(Long.class)
                        .single()
                > 0;
    }

    /** Takes part in the running transaction. */
    void note(String desk, PickupFile file, UUID arrival, Instant now) {
        sql.sql("""
                insert into pickup_taken (desk, inode, modified, size, file_name, arrival_id, taken_at)
                values (?, ?, ?, ?, ?, ?, ?) on conflict (desk, inode, modified, size) do update
                set file_name = excluded.file_name, arrival_id = excluded.arrival_id, moved_as = null,
                    taken_at = excluded.taken_at
                """)
                .params(
                        desk,
                        file.inode(),
                        file.modified(),
                        file.size(),
                        file.name().replace("\u0000", ""),
                        arrival,
                        Timestamp.from(now))
                .update();
    }

    void moved(String desk, PickupFile file, String as) {
        sql.sql("update pickup_taken set moved_as = ? where desk = ? and inode = ? and modified = ? and size = ?")
                .params(as, desk, file.inode(), file.modified(), file.size())
                .update();
    }

    List<TakenFile> ofDesk(String desk) {
        return sql.sql("select desk, inode, modified, size, moved_as, taken_at from pickup_taken where desk = ?")
                .param(desk)
                .query((row, i) -> new TakenFile(
                        row.getString(1),
                        row.getLong(2),
                        row.getLong(3),
                        row.getLong(4),
                        row.getString(5),
                        row.getTimestamp(6).toInstant()))
                .list();
    }

    Optional<TakenFile> movedAs(String desk, String name) {
        return ofDesk(desk).stream().filter(t -> name.equals(t.movedAs())).findFirst();
    }

    void forget(TakenFile file) {
        sql.sql("delete from pickup_taken where desk = ? and inode = ? and modified = ? and size = ?")
                .params(file.desk(), file.inode(), file.modified(), file.size())
                .update();
    }
}
