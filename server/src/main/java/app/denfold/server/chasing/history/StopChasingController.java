package app.denfold.server.chasing.history;

import app.denfold.server.access.Viewer;
import app.denfold.server.chasing.addresses.SilentAddresses.UnreachableAnswer;
import app.denfold.server.chasing.history.StopChasing.StopAnswer;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
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
class StopChasingController {

    private final StopChasing stops;

    StopChasingController(StopChasing stops) {
        this.stops = stops;
    }

    record StopRequest(@Nullable String reason, @Nullable LocalDate until) {}

    /** @param stop null while plans tell about the person @param unreachable addresses around them from which mails came back */
    record ChaseStopAnswer(@Nullable StopAnswer stop, List<UnreachableAnswer> unreachable) {}

    @GetMapping("/api/files/{id}/chase-stop")
    ChaseStopAnswer of(Viewer viewer, @PathVariable UUID id) {
        return new ChaseStopAnswer(stops.of(viewer, id).orElse(null), stops.unreachable(viewer, id));
    }

    @PutMapping("/api/files/{id}/chase-stop")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void stop(Viewer viewer, @PathVariable UUID id, @RequestBody StopRequest body) {
        stops.stop(viewer, id, body.reason(), body.until());
    }

    @DeleteMapping("/api/files/{id}/chase-stop")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void goOn(Viewer viewer, @PathVariable UUID id) {
        stops.goOn(viewer, id);
    }
}
