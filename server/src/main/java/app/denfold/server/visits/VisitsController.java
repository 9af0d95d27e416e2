package app.denfold.server.visits;

import app.denfold.server.access.Viewer;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/files/{fileId}/visits")
class VisitsController {

    private final VisitsOfFile visits;

    VisitsController(VisitsOfFile visits) {
        this.visits = visits;
    }

    record VisitRequest(@Nullable LocalDate day, @Nullable String words) {}

    record NotedVisit(UUID id) {}

    @GetMapping
    List<VisitsOfFile.VisitAnswer> of(Viewer viewer, @PathVariable UUID fileId) {
        return visits.of(viewer, fileId);
    }

    @PostMapping
    @ResponseStatus(HttpStatus.CREATED)
    NotedVisit note(Viewer viewer, @PathVariable UUID fileId, @RequestBody VisitRequest body) {
        return new NotedVisit(visits.note(viewer, fileId, body.day(), body.words()));
    }

    @DeleteMapping("/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(Viewer viewer, @PathVariable UUID fileId, @PathVariable UUID id) {
        visits.remove(viewer, fileId, id);
    }
}
