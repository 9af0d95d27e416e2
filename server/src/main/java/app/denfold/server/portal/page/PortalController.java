package app.denfold.server.portal.page;

import app.denfold.server.access.Viewer;
import app.denfold.server.content.Download;
import app.denfold.server.portal.seeing.SearchShown;
import app.denfold.server.portal.seeing.ShownPapers;
import app.denfold.server.portal.seeing.ZipShown;
import app.denfold.server.portal.sending.SendToPractice;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.util.List;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
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
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

/** The guests' side of the portal. */
@RestController
@RequestMapping("/api/portal")
class PortalController {

    private static final int LONGEST_SEARCH = 200;

    private final Portal portal;
    private final SendToPractice sending;
    private final SearchShown search;
    private final ZipShown zip;
    private final Download download;
    private final ShownPapers shown;

    PortalController(
            Portal portal,
            SendToPractice sending,
            SearchShown search,
            ZipShown zip,
            Download download,
            ShownPapers shown) {
        this.shown = shown;
        this.portal = portal;
        this.sending = sending;
        this.search = search;
        this.zip = zip;
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
        portal.lookedAt(guest, id);
        return download.page(shown.bytes(guest.accountId(), id), page, width);
    }

    @GetMapping(path = "/documents/{id}/content", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<Resource> content(Viewer guest, @PathVariable UUID id) {
        String name = portal.download(guest, id);
        return download.attachment(shown.bytes(guest.accountId(), id), name);
    }

    /**
     * A paper whose bytes were sent to `/api/uploads` before.
     *
     * @param more further uploads that become pages of the same paper, in their order; null for none
     * @param askId what it answers; null when nothing
     */
    record SendRequest(
            @NotNull UUID upload,

            @Nullable @Size(max = 60, message = "are at most 60")
            List<@NotNull UUID> more,

            @NotNull UUID fileId,
            @Nullable UUID askId) {

        List<UUID> uploads() {
            return Stream.concat(Stream.of(upload), more == null ? Stream.empty() : more.stream())
                    .toList();
        }
    }

    /** Sends a paper to the practice. Asked again for the same upload, it answers the same. */
    @PostMapping("/papers")
    @ResponseStatus(HttpStatus.CREATED)
    SentAnswer send(Viewer guest, @Valid @RequestBody SendRequest body) throws IOException {
        return new SentAnswer(sending.send(guest, body.fileId(), body.askId(), body.uploads()));
    }

    /** It is no longer told as new. */
    @PostMapping("/documents/{id}/put-away")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void putAway(Viewer guest, @PathVariable UUID id) {
        portal.putAway(guest, id);
    }

    /** Ids of the papers in which all words stand, among those that are shown. */
    @GetMapping("/found")
    List<UUID> found(Viewer guest, @RequestParam String text) {
        return search.find(guest.accountId(), text.substring(0, Math.min(text.length(), LONGEST_SEARCH)));
    }

    /** All that is shown, in one ZIP. */
    @GetMapping(path = "/zip", produces = "application/zip")
    ResponseEntity<StreamingResponseBody> zip(Viewer guest) {
        List<ZipShown.Entry> all = portal.downloadAll(guest);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"Papers.zip\"")
                .cacheControl(CacheControl.noStore())
                .body(to -> zip.write(guest.accountId(), all, to));
    }

    @DeleteMapping("/papers/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBack(Viewer guest, @PathVariable UUID id) {
        sending.takeBack(guest, id);
    }
}
