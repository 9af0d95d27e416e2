package app.denfold.server.arrivals.upload;

import app.denfold.server.access.Viewer;
import app.denfold.server.arrivals.Arrival;
import app.denfold.server.arrivals.receiving.Arrivals;
import app.denfold.server.arrivals.waiting.ArrivalsController;
import app.denfold.server.content.links.Link;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Papers whose bytes were sent before, now with what is known of them; and links. */
@RestController
class SentPapersController {

    private final SentPapers sent;
    private final Arrivals arrivals;

    SentPapersController(SentPapers sent, Arrivals arrivals) {
        this.sent = sent;
        this.arrivals = arrivals;
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
        return new ArrivalsController.ReceivedAnswer(sent.takeOnce(
                viewer,
                paper.upload(),
                Arrival.Source.DROP,
                new SentPapers.Known(paper.fileId(), paper.type(), words(paper.note()))));
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
