package app.denfold.server.documents.placeholders;

import app.denfold.server.access.Viewer;
import app.denfold.server.content.Placeholder;
import app.denfold.server.documents.FilingDetails;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class PlaceholdersController {

    private final Placeholders placeholders;

    PlaceholdersController(Placeholders placeholders) {
        this.placeholders = placeholders;
    }

    /** @param words where the original lies, or whence it is awaited */
    record PlaceholderRequest(
            @NotNull @Valid FilingDetails details,
            boolean awaited,
            @Nullable String words) {}

    record NotedAnswer(UUID id) {}

    record PlaceRequest(@NotNull String place) {}

    @PostMapping("/api/placeholders")
    @ResponseStatus(HttpStatus.CREATED)
    NotedAnswer note(Viewer viewer, @Valid @RequestBody PlaceholderRequest body) {
        Placeholder placeholder =
                body.awaited() ? Placeholder.awaited(body.words()) : Placeholder.onPaper(body.words());
        return new NotedAnswer(placeholders.note(viewer, body.details(), placeholder));
    }

    @PostMapping("/api/documents/{id}/place")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void place(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody PlaceRequest body) {
        placeholders.place(viewer, id, body.place());
    }
}
