package app.denfold.server.leaving;

import app.denfold.server.access.Viewer;
import app.denfold.server.content.Download;
import app.denfold.server.leaving.CopiesOut.GivenCopy;
import app.denfold.server.leaving.CopiesOut.Handing;
import app.denfold.server.leaving.DraftCopies.Draft;
import app.denfold.server.leaving.DraftCopies.Wish;
import app.denfold.server.leaving.ProposeReaders.ProposedReader;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.UUID;
import org.springframework.core.io.Resource;
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
class CopiesOutController {

    private final CopiesOut copies;
    private final DraftCopies drafts;
    private final ProposeReaders readers;
    private final Download download;

    CopiesOutController(CopiesOut copies, DraftCopies drafts, ProposeReaders readers, Download download) {
        this.copies = copies;
        this.drafts = drafts;
        this.readers = readers;
        this.download = download;
    }

    record ReaderRequest(@NotNull Reader.Kind kind, @NotNull String name) {}

    record CopiesRequest(
            @NotEmpty List<@NotNull UUID> documents,
            @NotNull @Valid ReaderRequest reader,
            boolean marks,
            boolean open,
            boolean foot) {}

    /** How it is taken along by whoever gives it. */
    enum Here {
        DOWNLOAD,
        PRINT
    }

    record GiveRequest(
            @NotEmpty List<@NotNull UUID> copies, @NotNull Here way, boolean evenIfReadable) {}

    /** Makes copies of the newest versions for somebody, to be looked at; nothing leaves yet. */
    @PostMapping("/api/copies-out")
    @ResponseStatus(HttpStatus.CREATED)
    List<Draft> draft(Viewer viewer, @Valid @RequestBody CopiesRequest body) {
        Reader reader = new Reader(body.reader().kind(), body.reader().name());
        return drafts.draft(viewer, body.documents(), new Wish(reader, body.marks(), body.open(), body.foot()));
    }

    /** A page as the reader will see it. */
    @GetMapping(path = "/api/copies-out/{id}/pages/{page}", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> page(
            Viewer viewer,
            @PathVariable UUID id,
            @PathVariable int page,
            @RequestParam(defaultValue = "900") int width) {
        return download.page(copies.sha256(viewer, id), page, width);
    }

    /** Gives copies that were looked at. */
    @PostMapping("/api/copies-out/give")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void give(Viewer viewer, @Valid @RequestBody GiveRequest body) {
        copies.give(viewer, body.copies(), Handing.here(Way.valueOf(body.way().name()), body.evenIfReadable()));
    }

    /** The copy itself, once it was given. @param inTab to be printed rather than saved; of a PDF only */
    @GetMapping(path = "/api/copies-out/{id}/content", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<Resource> content(
            Viewer viewer, @PathVariable UUID id, @RequestParam(defaultValue = "false") boolean inTab) {
        CopiesOut.Fetched copy = copies.fetch(viewer, id);
        return inTab && copy.isPdf()
                ? download.inTab(copy.sha256(), copy.name())
                : download.attachment(copy.sha256(), copy.name());
    }

    /** Which copies of a file's papers were given to whom. */
    @GetMapping("/api/files/{id}/copies")
    List<GivenCopy> ofFile(Viewer viewer, @PathVariable UUID id) {
        return copies.ofFile(viewer, id);
    }

    /** Who copies of a file's papers are likely to be for. */
    @GetMapping("/api/files/{id}/readers")
    List<ProposedReader> readers(Viewer viewer, @PathVariable UUID id) {
        return readers.of(viewer, id);
    }
}
