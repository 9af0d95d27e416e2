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

/** Set-up by ready-made sets. */
@RestController
class ReadySetsController {

    private final ReadySets sets;

    ReadySetsController(ReadySets sets) {
        this.sets = sets;
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
