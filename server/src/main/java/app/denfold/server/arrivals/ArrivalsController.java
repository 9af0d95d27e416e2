package app.denfold.server.arrivals;

import app.denfold.server.access.Viewer;
import app.denfold.server.content.Download;
import app.denfold.server.coverage.FilingEffect;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.FilingDetails;
import app.denfold.server.people.Files;
import app.denfold.server.problems.Refusal;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.util.List;
import java.util.UUID;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

@RestController
@RequestMapping("/api/arrivals")
class ArrivalsController {

    private final Arrivals arrivals;
    private final Files files;
    private final Download download;

    ArrivalsController(Arrivals arrivals, Files files, Download download) {
        this.arrivals = arrivals;
        this.files = files;
        this.download = download;
    }

    record ReceivedAnswer(UUID id) {}

    record FilingRequest(int version, @Valid @NotNull FilingDetails details) {}

    record FiledAnswer(UUID documentId, UUID fileId, String name) {}

    record ArrivalReason(String reason) {}

    @GetMapping
    List<Arrivals.ArrivalAnswer> open(Viewer viewer) {
        return arrivals.open(viewer);
    }

    /** Takes one file in. @param fileId the file it is for, when it was dropped on one */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    ReceivedAnswer drop(
            Viewer viewer,
            @RequestPart MultipartFile file,
            @RequestParam(required = false) UUID fileId,
            @RequestParam(required = false) String type)
            throws IOException {
        viewer.requireChange();
        if (viewer.team() != null && fileId == null) {
            throw Refusal.forbidden("Your account may only add papers to a file.");
        }
        if (fileId != null) {
            files.visible(viewer, fileId);
        }
        try (UploadedFile uploaded = UploadedFile.of(file)) {
            return new ReceivedAnswer(arrivals.receive(new ReceivedPaper(
                    uploaded.path(), uploaded.name(), ReceivedPaper.Way.DROP, viewer.actor(), fileId, type, null)));
        }
    }

    @GetMapping(path = "/{id}/pages/{page}", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> page(
            Viewer viewer,
            @PathVariable UUID id,
            @PathVariable int page,
            @RequestParam(defaultValue = "900") int width) {
        return download.page(arrivals.contentOf(viewer, id), page, width);
    }

    @GetMapping(path = "/{id}/content", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<Resource> content(Viewer viewer, @PathVariable UUID id) {
        return download.attachment(arrivals.contentOf(viewer, id), arrivals.nameOf(id));
    }

    @PostMapping("/{id}/preview")
    FilingEffect.FilingPreview preview(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody FilingDetails body) {
        return arrivals.preview(viewer, id, body);
    }

    @PostMapping("/{id}/filing")
    FiledAnswer file(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody FilingRequest body) {
        FiledDocument document = arrivals.file(viewer, id, body.version(), body.details());
        return new FiledAnswer(document.id(), document.fileId(), document.name());
    }

    @PostMapping("/{id}/undo-filing")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void undo(Viewer viewer, @PathVariable UUID id) {
        arrivals.undoFiling(viewer, id);
    }

    @PostMapping("/{id}/set-aside")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void setAside(Viewer viewer, @PathVariable UUID id, @RequestBody ArrivalReason body) {
        arrivals.setAside(viewer, id, body.reason());
    }

    @PostMapping("/{id}/take-up")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeUp(Viewer viewer, @PathVariable UUID id) {
        arrivals.takeUpAgain(viewer, id);
    }

    @PostMapping("/{id}/discard")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void discard(Viewer viewer, @PathVariable UUID id, @RequestBody ArrivalReason body) {
        arrivals.discard(viewer, id, body.reason());
    }
}
