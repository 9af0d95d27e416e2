package app.denfold.server.documents.changing;

import app.denfold.server.access.Viewer;
import app.denfold.server.content.UploadedFile;
import app.denfold.server.documents.FilingDetails;
import app.denfold.server.uploads.ResumableUploads;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What is done with papers that lie in files. */
@RestController
class ChangeDocumentsController {

    private final ChangeDocuments change;
    private final Wastebasket wastebasket;
    private final ResumableUploads uploads;

    ChangeDocumentsController(ChangeDocuments change, Wastebasket wastebasket, ResumableUploads uploads) {
        this.change = change;
        this.wastebasket = wastebasket;
        this.uploads = uploads;
    }

    /** @param changes of the paper as it was looked at */
    record CorrectionRequest(
            int changes,
            @Valid @NotNull FilingDetails details,
            @Nullable String description) {}

    @PutMapping("/api/documents/{id}/details")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void correct(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody CorrectionRequest body) {
        change.correct(viewer, id, body.changes(), body.details(), body.description());
    }

    record CorrectAllRequest(
            @NotNull List<ChangeDocuments.Seen> documents,
            @NotNull ChangeDocuments.SharedDetails details) {}

    /** Changes several papers in one go; what is answered takes it back. */
    @PostMapping("/api/documents/details")
    List<ChangeDocuments.Before> correctAll(Viewer viewer, @Valid @RequestBody CorrectAllRequest body) {
        return change.correctAll(viewer, body.documents(), body.details());
    }

    record UndoRequest(@NotNull List<ChangeDocuments.Before> before) {}

    @PostMapping("/api/documents/details/undo")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void undo(Viewer viewer, @Valid @RequestBody UndoRequest body) {
        change.undo(viewer, body.before());
    }

    record VersionRequest(@NotNull UUID upload) {}

    /** Bytes that were sent to `/api/uploads` before become the newest version; the upload stays until it is ended. */
    @PostMapping("/api/documents/{id}/versions")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void renew(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody VersionRequest body) throws IOException {
        try (UploadedFile sent = uploads.whole(viewer, body.upload())) {
            change.renew(viewer, id, sent.path(), sent.name());
        }
    }

    @PostMapping("/api/documents/{id}/versions/{number}/restore")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void restoreVersion(Viewer viewer, @PathVariable UUID id, @PathVariable int number) {
        change.restoreVersion(viewer, id, number);
    }

    record ToFileRequest(
            @NotNull List<UUID> documents, @NotNull UUID fileId) {}

    @PostMapping("/api/documents/move")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void move(Viewer viewer, @Valid @RequestBody ToFileRequest body) {
        change.move(viewer, body.documents(), body.fileId());
    }

    /** Answers the ids of the copies. */
    @PostMapping("/api/documents/copy")
    List<UUID> copy(Viewer viewer, @Valid @RequestBody ToFileRequest body) {
        return change.copy(viewer, body.documents(), body.fileId());
    }

    record ChosenPapers(@NotNull List<UUID> documents) {}

    @PostMapping("/api/documents/discard")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void discard(Viewer viewer, @Valid @RequestBody ChosenPapers body) {
        wastebasket.discard(viewer, body.documents());
    }

    @PostMapping("/api/documents/accept")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void acceptAll(Viewer viewer, @Valid @RequestBody ShownPapers body) {
        change.acceptAll(viewer, body.documents());
    }

    record ShownPapers(@NotNull List<ChangeDocuments.Shown> documents) {}

    record SendBackRequest(@NotNull List<ChangeDocuments.Shown> documents, String reason) {}

    @PostMapping("/api/documents/send-back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void sendBackAll(Viewer viewer, @Valid @RequestBody SendBackRequest body) {
        change.sendBackAll(viewer, body.documents(), body.reason());
    }

    @GetMapping("/api/files/{fileId}/wastebasket")
    List<Wastebasket.DiscardedPaper> wastebasket(Viewer viewer, @PathVariable UUID fileId) {
        return wastebasket.of(viewer, fileId);
    }

    @PostMapping("/api/documents/{id}/restore")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void restore(Viewer viewer, @PathVariable UUID id) {
        wastebasket.restore(viewer, id);
    }

    record DestroyRequest(@NotNull List<UUID> documents, String reason) {}

    /** Destroys papers in the wastebasket for good. */
    @PostMapping("/api/documents/destroy")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void destroy(Viewer viewer, @Valid @RequestBody DestroyRequest body) {
        wastebasket.destroy(viewer, body.documents(), body.reason());
    }
}
