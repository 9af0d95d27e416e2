package app.denfold.server.signing.desk;

import app.denfold.core.signing.RequestState;
import app.denfold.paper.sealing.SignedCopy;
import app.denfold.server.access.DeskLock;
import app.denfold.server.access.Viewer;
import app.denfold.server.content.Contents;
import app.denfold.server.content.Download;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.signing.requests.MarkJson;
import app.denfold.server.signing.requests.RequestPaper;
import app.denfold.server.signing.requests.SignField;
import app.denfold.server.signing.requests.SignatureRequest;
import jakarta.annotation.Nullable;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
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
class DeskSigningController {

    private final DeskSignings signings;
    private final Documents documents;
    private final Contents contents;
    private final Download download;

    DeskSigningController(DeskSignings signings, Documents documents, Contents contents, Download download) {
        this.signings = signings;
        this.documents = documents;
        this.contents = contents;
        this.download = download;
    }

    /** @param version number of the one that was looked at, from 1; refused when it is no longer the newest */
    record StartRequest(int version, @Valid @NotNull List<DeskSignings.SignerRequest> signers) {}

    /** @param password of the colleague who signs; null for everybody else */
    record SignRequest(
            @NotBlank String role,
            MarkJson.@NotNull GivenMark signature,
            @Nullable @Size(max = 200) String password) {}

    /** @param colleague whether it is a colleague, who gives their own password @param now whether it is this one's turn */
    record StepAnswer(
            String role,
            String roleLabel,
            String signer,
            boolean colleague,
            boolean now,
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
            RequestState state,
            int pages,
            double boxWidth,
            List<StepAnswer> steps) {}

    /** @param id of the signing at a desk @param requestId of a request by mail; both null when nothing is open */
    record OpenSigning(@Nullable UUID id, @Nullable UUID requestId) {}

    @PostMapping("/api/documents/{documentId}/desk-signings")
    @ResponseStatus(HttpStatus.CREATED)
    SigningAnswer start(Viewer viewer, @PathVariable UUID documentId, @Valid @RequestBody StartRequest body) {
        return answer(signings.start(viewer, documentId, body.version(), body.signers()));
    }

    /** The signing under way on a document. */
    @GetMapping("/api/documents/{documentId}/desk-signings/open")
    OpenSigning open(Viewer viewer, @PathVariable UUID documentId) {
        SignatureRequest open = signings.openOn(viewer, documentId);
        return open == null
                ? new OpenSigning(null, null)
                : open.isAtDesk() ? new OpenSigning(open.id(), null) : new OpenSigning(null, open.id());
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
        return download.page(signings.visible(viewer, id).papers().get(0).sourceSha256(), page, width);
    }

    @PostMapping("/api/desk-signings/{id}/signatures")
    SigningAnswer sign(
            Viewer viewer, @PathVariable UUID id, @Valid @RequestBody SignRequest body, HttpServletRequest request) {
        return answer(
                signings.sign(viewer, id, body.role(), body.signature(), body.password(), request.getRemoteAddr()));
    }

    @PostMapping("/api/desk-signings/{id}/withdraw")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(Viewer viewer, @PathVariable UUID id) {
        signings.withdraw(viewer, id);
    }

    record LockRequest(@NotEmpty @Size(max = 50) List<@NotNull UUID> signings) {}

    record DeskUnlockRequest(
            @NotBlank(message = "is needed") @Size(max = 200)
            String password) {}

    /** From now on this session belongs to the signings: nothing else of the practice is seen or done in it. */
    @PostMapping("/api/desk-lock")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void lock(Viewer viewer, @Valid @RequestBody LockRequest body, HttpServletRequest request) {
        body.signings().forEach(id -> signings.visible(viewer, id));
        DeskLock.lock(request, body.signings());
    }

    /** A colleague takes the screen back. @throws app.denfold.server.problems.Refusal when the password is wrong */
    @PostMapping("/api/desk-unlock")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void unlock(Viewer viewer, @Valid @RequestBody DeskUnlockRequest body, HttpServletRequest request) {
        signings.unlock(viewer, body.password(), request.getRemoteAddr());
        DeskLock.unlock(request);
    }

    private SigningAnswer answer(SignatureRequest s) {
        RequestPaper paper = s.papers().get(0);
        FiledDocument document = documents.document(paper.documentId());
        return new SigningAnswer(
                s.id(),
                paper.documentId(),
                document.fileId(),
                document.name(),
                s.state(),
                contents.content(paper.sourceSha256()).pages(),
                SignedCopy.BOX_WIDTH,
                s.turns().stream()
                        .flatMap(t -> s.fields().stream()
                                .filter(f -> f.turnId().equals(t.id()) && f.kind() == SignField.Kind.SIGNATURE)
                                .limit(1)
                                .map(f -> new StepAnswer(
                                        t.role(),
                                        t.roleLabel(),
                                        t.name(),
                                        t.accountId() != null,
                                        s.whoseTurn().contains(t),
                                        f.page(),
                                        f.leftPart(),
                                        f.topPart(),
                                        t.doneAt())))
                        .toList());
    }
}
