package app.denfold.server.chasing.byhand;

import app.denfold.server.access.Viewer;
import jakarta.annotation.Nullable;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class ChaseController {

    private final Chase chase;

    ChaseController(Chase chase) {
        this.chase = chase;
    }

    /** @param to address of who is written to; null for the one proposed */
    record ChaseRequest(@Nullable String to, @Nullable String body, boolean again) {}

    @GetMapping("/api/files/{id}/chase")
    Chase.ChasePreview preview(Viewer viewer, @PathVariable UUID id) {
        return chase.preview(viewer, id);
    }

    @PostMapping("/api/files/{id}/chase")
    @ResponseStatus(HttpStatus.ACCEPTED)
    void send(Viewer viewer, @PathVariable UUID id, @RequestBody ChaseRequest body) {
        chase.send(viewer, id, body.to(), body.body(), body.again());
    }
}
