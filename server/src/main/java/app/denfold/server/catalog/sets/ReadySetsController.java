package app.denfold.server.catalog.sets;

import app.denfold.server.access.Viewer;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Set-up by ready-made sets, and the whole of it out and in. */
@RestController
class ReadySetsController {

    private final ReadySets sets;
    private final WholeSetUp whole;

    ReadySetsController(ReadySets sets, WholeSetUp whole) {
        this.sets = sets;
        this.whole = whole;
    }

    /** Practice, teams, sections, kinds, types and checklists as they are. */
    @GetMapping("/api/set-up/whole")
    JsonNode whole(Viewer viewer) {
        return whole.out(viewer);
    }

    /** Adds what is not there yet; the practice itself becomes as it says. */
    @PostMapping("/api/set-up/whole")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void take(Viewer viewer, @RequestBody JsonNode body) {
        whole.in(viewer, body);
    }

    record SetsRequest(
            @NotEmpty(message = "choose at least one") List<@NotNull String> codes) {}

    @GetMapping("/api/set-up/sets")
    List<ReadySets.ReadySet> all(Viewer viewer) {
        return sets.all(viewer);
    }

    /** Adds sets to what is there; what is there stays as it is. */
    @PostMapping("/api/set-up/sets")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void add(Viewer viewer, @Valid @RequestBody SetsRequest body) {
        sets.add(viewer, body.codes());
    }
}
