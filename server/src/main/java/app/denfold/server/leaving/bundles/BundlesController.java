package app.denfold.server.leaving.bundles;

import app.denfold.server.access.Viewer;
import app.denfold.server.leaving.bundles.Bundles.BundleAnswer;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class BundlesController {

    private final Bundles bundles;

    BundlesController(Bundles bundles) {
        this.bundles = bundles;
    }

    record BundleRequest(@NotNull String name, @NotEmpty List<@NotNull UUID> documents) {}

    record MadeBundle(UUID id) {}

    /** The bundles with papers of a file, each with all its papers in their order. */
    @GetMapping("/api/files/{id}/bundles")
    List<BundleAnswer> of(Viewer viewer, @PathVariable UUID id) {
        return bundles.of(viewer, id);
    }

    /** Keeps papers, of one file or of several, as a bundle. */
    @PostMapping("/api/bundles")
    @ResponseStatus(HttpStatus.CREATED)
    MadeBundle make(Viewer viewer, @Valid @RequestBody BundleRequest body) {
        return new MadeBundle(bundles.make(viewer, body.name(), body.documents()));
    }

    /** Removes a bundle; its papers stay. */
    @DeleteMapping("/api/bundles/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(Viewer viewer, @PathVariable UUID id) {
        bundles.remove(viewer, id);
    }

    /** Notes that a bundle was given just now. */
    @PostMapping("/api/bundles/{id}/given")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void given(Viewer viewer, @PathVariable UUID id) {
        bundles.given(viewer, id);
    }
}
