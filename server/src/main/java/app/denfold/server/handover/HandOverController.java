package app.denfold.server.handover;

import app.denfold.server.access.Viewer;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class HandOverController {

    private final HandOvers handOvers;

    HandOverController(HandOvers handOvers) {
        this.handOvers = handOvers;
    }

    /** All who work here, but the viewer. @param documentId only those who may see this paper; null for all */
    @GetMapping("/api/colleagues")
    List<HandOvers.ColleagueAnswer> colleagues(Viewer viewer, @RequestParam(required = false) UUID documentId) {
        return handOvers.colleagues(viewer, documentId);
    }

    /** What lies with the viewer, the most urgent first. */
    @GetMapping("/api/hand-overs/mine")
    List<HandOvers.Lying> mine(Viewer viewer) {
        return handOvers.lyingWith(viewer);
    }

    @GetMapping("/api/documents/{id}/hand-overs")
    List<HandOvers.HandOverAnswer> of(Viewer viewer, @PathVariable UUID id) {
        return handOvers.of(viewer, id);
    }

    record BeginRequest(
            @NotNull(message = "is needed: to whom?") UUID to,
            @Nullable String note,
            @Nullable LocalDate due) {}

    @PostMapping("/api/documents/{id}/hand-overs")
    HandOvers.HandOverAnswer begin(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody BeginRequest body) {
        return handOvers.begin(viewer, id, body.to(), body.note(), body.due());
    }

    record PassOnRequest(
            @NotNull(message = "is needed: to whom?") UUID to,
            @Nullable String note) {}

    @PostMapping("/api/hand-overs/{id}/pass-on")
    HandOvers.HandOverAnswer passOn(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody PassOnRequest body) {
        return handOvers.passOn(viewer, id, body.to(), body.note());
    }

    record NoteRequest(@Nullable String note) {}

    @PostMapping("/api/hand-overs/{id}/return")
    HandOvers.HandOverAnswer giveBack(Viewer viewer, @PathVariable UUID id, @RequestBody NoteRequest body) {
        return handOvers.giveBack(viewer, id, body.note());
    }

    @PostMapping("/api/hand-overs/{id}/finish")
    HandOvers.HandOverAnswer finish(Viewer viewer, @PathVariable UUID id, @RequestBody NoteRequest body) {
        return handOvers.finish(viewer, id, body.note());
    }
}
