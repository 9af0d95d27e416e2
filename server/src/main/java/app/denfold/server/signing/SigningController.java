package app.denfold.server.signing;

import app.denfold.paper.sealing.SignedCopy;
import app.denfold.server.access.Viewer;
import app.denfold.server.content.Contents;
import app.denfold.server.content.Download;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class SigningController {

    private final DeskSignings signings;
    private final Documents documents;
    private final Contents contents;
    private final Download download;

    SigningController(DeskSignings signings, Documents documents, Contents contents, Download download) {
        this.signings = signings;
        this.documents = documents;
        this.contents = contents;
        this.download = download;
    }

    /** @param version number of the one that was looked at, from 1; refused when it is no longer the newest */
    record StartRequest(int version, @Valid @NotNull List<DeskSignings.SignerRequest> signers) {}

    record SignRequest(@NotBlank String role, @NotNull MarkJson.GivenMark signature) {}

    record StepAnswer(
            String role,
            String roleLabel,
            String signer,
            int page,
            double left,
            double top,
            @Nullable Instant signedAt) {}

    /** @param boxWidth width of a signature's box as a part of the page's width; it is a third as high as wide */
    record SigningAnswer(
            UUID id,
            UUID documentId,
            UUID fileId,
            String name,
            DeskSigning.State state,
            int pages,
            double boxWidth,
            List<StepAnswer> steps) {}

    record OpenSigning(@Nullable UUID id) {}

    @PostMapping("/api/documents/{documentId}/desk-signings")
    @ResponseStatus(HttpStatus.CREATED)
    SigningAnswer start(Viewer viewer, @PathVariable UUID documentId, @Valid @RequestBody StartRequest body) {
        return answer(signings.start(viewer, documentId, body.version(), body.signers()));
    }

    /** The signing under way on a document; its id is null when there is none. */
    @GetMapping("/api/documents/{documentId}/desk-signings/open")
    OpenSigning open(Viewer viewer, @PathVariable UUID documentId) {
        return new OpenSigning(signings.openOn(viewer, documentId));
    }

    @GetMapping("/api/desk-signings/{id}")
    SigningAnswer signing(Viewer viewer, @PathVariable UUID id) {
        return answer(signings.visible(viewer, id));
    }

    @GetMapping(path = "/api/desk-signings/{id}/pages/{page}", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> page(
            Viewer viewer,
            @PathVariable UUID id,
            @PathVariable int page,
            @RequestParam(defaultValue = "1400") int width) {
        return download.page(signings.visible(viewer, id).sourceSha256(), page, width);
    }

    @PostMapping("/api/desk-signings/{id}/signatures")
    SigningAnswer sign(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody SignRequest body) {
        return answer(signings.sign(viewer, id, body.role(), body.signature()));
    }

    @PostMapping("/api/desk-signings/{id}/withdraw")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(Viewer viewer, @PathVariable UUID id) {
        signings.withdraw(viewer, id);
    }

    private SigningAnswer answer(DeskSigning s) {
        FiledDocument document = documents.document(s.documentId());
        return new SigningAnswer(
                s.id(),
                s.documentId(),
                document.fileId(),
                document.name(),
                s.state(),
                contents.content(s.sourceSha256()).pages(),
                SignedCopy.BOX_WIDTH,
                s.steps().stream()
                        .map(t -> new StepAnswer(
                                t.role(), t.roleLabel(), t.signer(), t.page(), t.leftPart(), t.topPart(), t.signedAt()))
                        .toList());
    }
}
