package app.denfold.server.zipping;

import app.denfold.server.access.Viewer;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.UUID;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.CacheControl;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/zips")
class ZipController {

    private final ZipJob zips;

    ZipController(ZipJob zips) {
        this.zips = zips;
    }

    record ZipRequest(@NotNull List<UUID> documents) {}

    /** @param id of the job that makes it, and later of the ZIP */
    record ZipAnswer(UUID id) {}

    @PostMapping
    @ResponseStatus(HttpStatus.ACCEPTED)
    ZipAnswer ask(Viewer viewer, @Valid @RequestBody ZipRequest body) {
        return new ZipAnswer(zips.ask(viewer, body.documents()));
    }

    @GetMapping(path = "/{id}", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<Resource> made(Viewer viewer, @PathVariable UUID id) {
        return ResponseEntity.ok()
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment()
                                .filename("papers.zip")
                                .build()
                                .toString())
                .contentType(MediaType.parseMediaType("application/zip"))
                .cacheControl(CacheControl.noStore())
                .body(new FileSystemResource(zips.made(viewer, id)));
    }
}
