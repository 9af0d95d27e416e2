package app.denfold.server.arrivals.desks;

import app.denfold.server.access.Viewer;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.problems.Refusal;
import java.time.Clock;
import java.time.Duration;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;

/** Which file is open at which desk: what comes through the desk's pickup meanwhile is for that file. */
@Service
public class FilesAtDesks {

    /** A browser that is closed without a word stays at its desk for so long. */
    private static final Duration OPEN = Duration.ofSeconds(45);

    private final DeskFileStore open;
    private final Clock clock;
    private final PersonFiles files;
    private final PickupDesks desks;

    FilesAtDesks(DeskFileStore open, Clock clock, PersonFiles files, PickupDesks desks) {
        this.open = open;
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
        open.put(desk, fileId, viewer.accountId(), clock.instant());
    }

    /** Notes that this account has no file open there any more. */
    void close(Viewer viewer, String desk) {
        open.remove(desk, viewer.accountId());
    }

    public Optional<UUID> openAt(String desk) {
        return open.openSince(desk, clock.instant().minus(OPEN));
    }
}
