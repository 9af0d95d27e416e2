package app.denfold.server.arrivals.desks;

import app.denfold.server.access.Viewer;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.problems.Refusal;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Repository;

/** Which file is open at which desk: what comes through the desk's pickup meanwhile is for that file. */
@Repository
public class FilesAtDesks {

    /** A browser that is closed without a word stays at its desk for so long. */
    private static final Duration OPEN = Duration.ofSeconds(45);

    private final JdbcTemplate sql;
    private final Clock clock;
    private final PersonFiles files;
    private final PickupDesks desks;

    FilesAtDesks(JdbcTemplate sql, Clock clock, PersonFiles files, PickupDesks desks) {
        this.sql = sql;
        this.clock = clock;
        this.files = files;
        this.desks = desks;
    }

    /** Notes that the file is open there; the last one told of is. @throws Refusal when there is no such desk or file */
    void open(Viewer viewer, String desk, UUID fileId) {
        viewer.requireChange();
        files.visible(viewer, fileId);
        if (desks.desk(desk).isEmpty()) {
            throw Refusal.notFound("desk");
        }
        sql.update("""
                insert into desk_file (desk, file_id, account_id, at) values (?, ?, ?, ?) on conflict (desk) do update
                set file_id = excluded.file_id, account_id = excluded.account_id, at = excluded.at
                """, desk, fileId, viewer.accountId(), Timestamp.from(clock.instant()));
    }

    /** Notes that this account has no file open there any more. */
    void close(Viewer viewer, String desk) {
        sql.update("delete from desk_file where desk = ? and account_id = ?", desk, viewer.accountId());
    }

    public Optional<UUID> openAt(String desk) {
        List<UUID> found = sql.queryForList(
                "select file_id from desk_file where desk = ? and at >= ?",
                UUID.class,
                desk,
                Timestamp.from(clock.instant().minus(OPEN)));
        return found.stream().findFirst();
    }
}
