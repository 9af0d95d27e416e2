package app.denfold.server.signing.pen;

import app.denfold.server.access.Viewer;
import app.denfold.server.content.Download;
import java.io.IOException;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/signature-requests/{id}/turns/{turnId}")
class PenController {

    private final PenPages pen;
    private final Download download;

    PenController(PenPages pen, Download download) {
        this.pen = pen;
        this.download = download;
    }

    /** @param signed whether what came back bears the signature that was asked for */
    record PenLook(boolean signed) {}

    /** What is to be signed with a pen, each page with a code by which it is known again. */
    @GetMapping(path = "/print", produces = MediaType.APPLICATION_PDF_VALUE)
    ResponseEntity<byte[]> print(Viewer viewer, @PathVariable UUID id, @PathVariable UUID turnId) throws IOException {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "inline; filename=\"To sign.pdf\"")
                .cacheControl(CacheControl.noStore())
                .body(pen.print(viewer, id, turnId));
    }

    @GetMapping(path = "/scan/pages/{page}", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> scan(
            Viewer viewer,
            @PathVariable UUID id,
            @PathVariable UUID turnId,
            @PathVariable int page,
            @RequestParam(defaultValue = "1400") int width) {
        return download.page(pen.scan(viewer, id, turnId), page, width);
    }

    @PostMapping("/look")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void look(Viewer viewer, @PathVariable UUID id, @PathVariable UUID turnId, @RequestBody PenLook body) {
        pen.look(viewer, id, turnId, body.signed());
    }
}
