package app.denfold.server.excerpts;

import app.denfold.server.access.Viewer;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
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
class ExcerptsController {

    private final Excerpts excerpts;

    ExcerptsController(Excerpts excerpts) {
        this.excerpts = excerpts;
    }

    record ExcerptRequest(
            int version,
            int page,
            @NotNull String words,
            @Nullable String note) {}

    record KeptExcerpt(UUID id) {}

    @GetMapping("/api/files/{id}/excerpts")
    List<Excerpts.ExcerptAnswer> of(Viewer viewer, @PathVariable UUID id) {
        return excerpts.of(viewer, id);
    }

    @PostMapping("/api/documents/{id}/excerpts")
    @ResponseStatus(HttpStatus.CREATED)
    KeptExcerpt keep(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody ExcerptRequest body) {
        return new KeptExcerpt(excerpts.keep(viewer, id, body.version(), body.page(), body.words(), body.note()));
    }

    @DeleteMapping("/api/excerpts/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(Viewer viewer, @PathVariable UUID id) {
        excerpts.remove(viewer, id);
    }
}
