package app.denfold.server.arrivals.desks;

import app.denfold.server.access.Viewer;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class PickupDesksController {

    private final PickupDesks desks;
    private final FilesAtDesks atDesks;

    PickupDesksController(PickupDesks desks, FilesAtDesks atDesks) {
        this.desks = desks;
        this.atDesks = atDesks;
    }

    /** Names of the desks, for choosing the one at which a browser stands. */
    @GetMapping("/api/desks")
    List<String> names(Viewer viewer) {
        return desks.names(viewer);
    }

    record OpenFile(UUID fileId) {}

    /** Tells that a file is open at the desk; to be repeated while it is. */
    @PutMapping("/api/desks/{desk}/file")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void open(Viewer viewer, @PathVariable String desk, @RequestBody OpenFile body) {
        atDesks.open(viewer, desk, body.fileId());
    }

    @DeleteMapping("/api/desks/{desk}/file")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void close(Viewer viewer, @PathVariable String desk) {
        atDesks.close(viewer, desk);
    }

    @GetMapping("/api/set-up/pickups")
    List<PickupDesks.DeskAnswer> all(Viewer viewer) {
        return desks.all(viewer);
    }

    @PutMapping("/api/set-up/pickups")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void set(Viewer viewer, @RequestBody PickupDesks.DeskDetails body) {
        desks.set(viewer, body);
    }
}
