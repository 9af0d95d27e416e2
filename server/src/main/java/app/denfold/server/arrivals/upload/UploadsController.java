package app.denfold.server.arrivals.upload;

import app.denfold.server.access.Viewer;
import app.denfold.server.arrivals.Arrival;
import app.denfold.server.arrivals.ReceivedPaper;
import app.denfold.server.arrivals.receiving.Arrivals;
import app.denfold.server.arrivals.waiting.ArrivalsController;
import app.denfold.server.content.UploadedFile;
import app.denfold.server.content.links.Link;
import app.denfold.server.problems.Refusal;
import io.swagger.v3.oas.annotations.Hidden;
import jakarta.annotation.Nullable;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Papers that are dropped: first their bytes, which may come in pieces, then what is known of them. */
@RestController
class UploadsController {

    private final ResumableUploads uploads;
    private final Arrivals arrivals;

    UploadsController(ResumableUploads uploads, Arrivals arrivals) {
        this.uploads = uploads;
        this.arrivals = arrivals;
    }

    @Hidden
    @RequestMapping(
            path = {ResumableUploads.ADDRESS, ResumableUploads.ADDRESS + "/*"},
            method = {
                RequestMethod.POST,
                RequestMethod.HEAD,
                RequestMethod.PATCH,
                RequestMethod.DELETE,
                RequestMethod.OPTIONS
            })
    void piece(Viewer viewer, HttpServletRequest request, HttpServletResponse response) {
        viewer.requireChange();
        uploads.process(viewer, request, response);
    }

    /**
     * What is known of a paper that was sent whole.
     *
     * @param fileId the file it is for; null when unknown
     * @param type code of the type it is proposed as; null when unknown
     * @param note words for whoever files it; null when none
     */
    record SentUpload(
            @NotNull UUID upload,
            @Nullable UUID fileId,
            @Nullable String type,
            @Nullable @Size(max = 500) String note) {}

    /** Takes a whole upload into Arrivals. Asked again for the same upload, it answers the same. */
    @PostMapping("/api/arrivals/sent")
    @ResponseStatus(HttpStatus.CREATED)
    ArrivalsController.ReceivedAnswer take(Viewer viewer, @Valid @RequestBody SentUpload paper) throws IOException {
        arrivals.requireMayBring(viewer, paper.fileId());
        String origin = "upload:" + viewer.accountId() + ":" + paper.upload();
        UUID taken = arrivals.ofOrigin(origin).orElse(null);
        if (taken != null) {
            return new ArrivalsController.ReceivedAnswer(taken);
        }
        try (UploadedFile file = uploads.whole(viewer, paper.upload())) {
            UUID id = arrivals.receiveOnce(new ReceivedPaper(
                    file.path(),
                    file.name(),
                    Arrival.Source.DROP,
                    viewer.actor(),
                    paper.fileId(),
                    paper.type(),
                    words(paper.note()),
                    null,
                    null,
                    origin));
            uploads.remove(viewer, paper.upload());
            return new ArrivalsController.ReceivedAnswer(id);
        } catch (Refusal | IOException gone) {
            // asked side by side, the other one was quicker and cleared the upload away
            taken = arrivals.ofOrigin(origin).orElse(null);
            if (taken == null) {
                throw gone;
            }
            return new ArrivalsController.ReceivedAnswer(taken);
        }
    }

    /** @param note shown to whoever files it */
    record LinkedPaper(
            @NotNull @Size(max = 2000) String address,
            @Nullable @Size(max = 200) String label,
            @Nullable UUID fileId,
            @Nullable String type,
            @Nullable @Size(max = 500) String note) {}

    /** Takes the address of a paper that is kept elsewhere; the paper itself is not fetched. */
    @PostMapping("/api/arrivals/links")
    @ResponseStatus(HttpStatus.CREATED)
    ArrivalsController.ReceivedAnswer link(Viewer viewer, @Valid @RequestBody LinkedPaper paper) {
        arrivals.requireMayBring(viewer, paper.fileId());
        return new ArrivalsController.ReceivedAnswer(arrivals.receiveLink(
                viewer, Link.to(paper.address(), paper.label()), paper.fileId(), paper.type(), words(paper.note())));
    }

    private static @Nullable String words(@Nullable String note) {
        return note == null || note.isBlank() ? null : note.strip();
    }
}
