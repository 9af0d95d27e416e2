package app.denfold.server.leaving.mailing;

import app.denfold.server.access.links.LinkCodes;
import app.denfold.server.content.Download;
import app.denfold.server.leaving.CopiesOut.Fetched;
import app.denfold.server.leaving.mailing.OpenCopies.CopyDoor;
import app.denfold.server.leaving.mailing.OpenCopies.LinkedCopies;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.CookieValue;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Copies behind a link; nobody need be signed in. */
@RestController
@RequestMapping("/api/linked-copies/{token}")
class OpenCopiesController {

    private static final String KEY = "DENFOLD_COPIES";

    private final OpenCopies open;
    private final Download download;

    OpenCopiesController(OpenCopies open, Download download) {
        this.open = open;
        this.download = download;
    }

    /** What is told before a code was shown. */
    @GetMapping("/door")
    CopyDoor door(@PathVariable String token, @CookieValue(name = KEY, required = false) @Nullable String key) {
        return open.door(token, key);
    }

    @PostMapping("/code")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void sendCode(@PathVariable String token) {
        open.sendCode(token);
    }

    record CopyCodeRequest(
            @NotBlank(message = "is needed") @Size(max = 20) String code) {}

    /** The code is right: the link is open to this browser for a while. */
    @PostMapping("/enter")
    ResponseEntity<Void> enter(
            @PathVariable String token, @Valid @RequestBody CopyCodeRequest body, HttpServletRequest request) {
        String key = open.enter(token, body.code()).keyOrRefuse();
        return LinkCodes.keep(KEY, key, "/api/linked-copies/" + token, request.isSecure());
    }

    @GetMapping
    LinkedCopies all(@PathVariable String token, @CookieValue(name = KEY, required = false) @Nullable String key) {
        return open.all(token, key);
    }

    @GetMapping(path = "/{copyId}/pages/{page}", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> page(
            @PathVariable String token,
            @PathVariable UUID copyId,
            @PathVariable int page,
            @RequestParam(defaultValue = "900") int width,
            @CookieValue(name = KEY, required = false) @Nullable String key) {
        return download.page(open.sha256(token, key, copyId), page, width);
    }

    @GetMapping(path = "/{copyId}/content", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<Resource> content(
            @PathVariable String token,
            @PathVariable UUID copyId,
            @CookieValue(name = KEY, required = false) @Nullable String key) {
        Fetched copy = open.fetch(token, key, copyId);
        return download.attachment(copy.sha256(), copy.name());
    }
}
