package app.denfold.server.documents.wholefile;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.TrailLine;
import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

@RestController
class FileTrailController {

    private final FileTrail trail;

    FileTrailController(FileTrail trail) {
        this.trail = trail;
    }

    @GetMapping("/api/files/{id}/trail")
    List<TrailLine> trail(Viewer viewer, @PathVariable UUID id) {
        return trail.of(viewer, id);
    }
}
