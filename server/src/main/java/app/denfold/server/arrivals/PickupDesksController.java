package app.denfold.server.arrivals;

import app.denfold.server.access.Viewer;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/set-up/pickups")
class PickupDesksController {

    private final PickupDesks desks;

    PickupDesksController(PickupDesks desks) {
        this.desks = desks;
    }

    @GetMapping
    List<PickupDesks.DeskAnswer> all(Viewer viewer) {
        return desks.all(viewer);
    }

    @PutMapping
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void set(Viewer viewer, @RequestBody PickupDesks.DeskDetails body) {
        desks.set(viewer, body);
    }
}
