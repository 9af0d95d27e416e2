package app.denfold.server.finding.saved;

import app.denfold.server.access.Viewer;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Searches that are kept. */
@RestController
class SavedSearchesController {

    private final SavedSearches saved;

    SavedSearchesController(SavedSearches saved) {
        this.saved = saved;
    }

    @GetMapping("/api/saved-searches")
    List<SavedSearches.SearchAnswer> saved(Viewer viewer) {
        return saved.of(viewer);
    }

    /** Those that stand in Today or in Files, with how many papers each finds. */
    @GetMapping("/api/saved-searches/counts")
    List<SavedSearches.SearchCount> counts(Viewer viewer, @RequestParam SavedSearch.Place place) {
        return saved.standingIn(viewer, place);
    }

    @PostMapping("/api/saved-searches")
    SavedSearches.SearchAnswer keep(Viewer viewer, @RequestBody SavedSearches.SearchDetails details) {
        return saved.keep(viewer, details);
    }

    @DeleteMapping("/api/saved-searches/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(Viewer viewer, @PathVariable UUID id) {
        saved.remove(viewer, id);
    }
}
