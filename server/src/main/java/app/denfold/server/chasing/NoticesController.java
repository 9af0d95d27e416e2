package app.denfold.server.chasing;

import app.denfold.server.access.Viewer;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class NoticesController {

    private final Outbox outbox;

    NoticesController(Outbox outbox) {
        this.outbox = outbox;
    }

    @GetMapping("/api/files/{id}/notices")
    List<Outbox.NoticeAnswer> ofFile(Viewer viewer, @PathVariable UUID id) {
        return outbox.ofFile(viewer, id);
    }

    @GetMapping("/api/notices")
    List<Outbox.NoticeAnswer> recent(Viewer viewer) {
        return outbox.recent(viewer);
    }

    @PostMapping("/api/notices/{id}/retry")
    @ResponseStatus(HttpStatus.ACCEPTED)
    void retry(Viewer viewer, @PathVariable UUID id) {
        outbox.retry(viewer, id);
    }
}
