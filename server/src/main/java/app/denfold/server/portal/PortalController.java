package app.denfold.server.portal;

import app.denfold.server.access.Viewer;
import app.denfold.server.arrivals.receiving.Arrivals;
import app.denfold.server.content.Download;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.io.IOException;
import java.util.UUID;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The guests' side of the portal. */
@RestController
@RequestMapping("/api/portal")
class PortalController {

    private final Portal portal;
    private final Arrivals arrivals;
    private final Download download;

    PortalController(Portal portal, Arrivals arrivals, Download download) {
        this.portal = portal;
        this.arrivals = arrivals;
        this.download = download;
    }

    record SentAnswer(UUID id) {}

    @GetMapping
    Portal.PortalAnswer portal(Viewer guest) {
        return portal.portal(guest);
    }

    @GetMapping(path = "/documents/{id}/pages/{page}", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> page(
            Viewer guest,
            @PathVariable UUID id,
            @PathVariable int page,
            @RequestParam(defaultValue = "900") int width) {
        return download.page(portal.lookedAt(guest, id), page, width);
    }

    @GetMapping(path = "/documents/{id}/content", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<Resource> content(Viewer guest, @PathVariable UUID id) {
        Portal.Downloaded downloaded = portal.download(guest, id);
        return download.attachment(downloaded.sha256(), downloaded.name());
    }

    /**
     * A paper whose bytes were sent to `/api/uploads` before.
     *
     * @param askId what it answers; null when nothing
     */
    record SendRequest(
            @NotNull UUID upload,
            @NotNull UUID fileId,
            @Nullable UUID askId) {}

    /** Sends a paper to the practice. Asked again for the same upload, it answers the same. */
    @PostMapping("/papers")
    @ResponseStatus(HttpStatus.CREATED)
    SentAnswer send(Viewer guest, @Valid @RequestBody SendRequest body) throws IOException {
        return new SentAnswer(portal.send(guest, body.fileId(), body.askId(), body.upload()));
    }

    @DeleteMapping("/papers/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBack(Viewer guest, @PathVariable UUID id) {
        arrivals.takeBack(guest, id);
    }
}
