package app.denfold.server.portal;

import app.denfold.server.access.Viewer;
import app.denfold.server.arrivals.receiving.Arrivals;
import app.denfold.server.content.Download;
import app.denfold.server.content.UploadedFile;
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
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

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

    @PostMapping(path = "/papers", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    SentAnswer send(
            Viewer guest,
            @RequestPart MultipartFile file,
            @RequestParam UUID fileId,
            @RequestParam(required = false) UUID askId)
            throws IOException {
        try (UploadedFile uploaded = UploadedFile.of(file)) {
            return new SentAnswer(portal.send(guest, fileId, askId, uploaded));
        }
    }

    @DeleteMapping("/papers/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBack(Viewer guest, @PathVariable UUID id) {
        arrivals.takeBack(guest, id);
    }
}
