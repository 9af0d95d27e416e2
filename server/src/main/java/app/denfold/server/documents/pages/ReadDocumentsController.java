package app.denfold.server.documents.pages;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.content.Contents;
import app.denfold.server.content.Download;
import app.denfold.server.content.archiving.ArchiveCopies;
import app.denfold.server.content.links.CheckLink;
import app.denfold.server.documents.DocumentVersion;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.GivenOut;
import app.denfold.server.problems.Refusal;
import app.denfold.server.reading.Readings;
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
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The bytes of a version of a document, read in the page or fetched. */
@RestController
@RequestMapping("/api/documents/{id}/versions/{number}")
class ReadDocumentsController {

    private final Documents documents;
    private final Contents contents;
    private final Download download;
    private final CheckLink links;
    private final ArchiveCopies archives;
    private final PaperTurns turns;
    private final Readings readings;
    private final AuditTrail trail;
    private final GivenOut given;

    ReadDocumentsController(
            Documents documents,
            Contents contents,
            Download download,
            CheckLink links,
            ArchiveCopies archives,
            PaperTurns turns,
            Readings readings,
            AuditTrail trail,
            GivenOut given) {
        this.given = given;
        this.documents = documents;
        this.contents = contents;
        this.download = download;
        this.links = links;
        this.archives = archives;
        this.turns = turns;
        this.readings = readings;
        this.trail = trail;
    }

    /** @param turn clockwise @param upright whether the page is turned as readers see it instead */
    @GetMapping(path = "/pages/{page}", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> page(
            Viewer viewer,
            @PathVariable UUID id,
            @PathVariable int number,
            @PathVariable int page,
            @RequestParam(defaultValue = "900") int width,
            @RequestParam(defaultValue = "0") int turn,
            @RequestParam(defaultValue = "false") boolean upright) {
        FiledDocument document = documents.visible(viewer, id);
        trail.lookedAt(viewer, document.fileId(), id, document.name());
        if (turn % 90 != 0 || turn < 0 || turn > 270) {
            throw Refusal.invalid("turn", "Pages are turned by quarters: 0, 90, 180 or 270 degrees.");
        }
        String sha256 = version(document, number).sha256();
        List<Integer> known = upright ? turns.of(sha256) : List.of();
        boolean isKnown = page >= 1 && page <= known.size();
        return download.page(sha256, page, width, isKnown ? known.get(page - 1) : turn);
    }

    /** Asks, now, whether a linked paper can be reached. */
    @PostMapping("/link-check")
    CheckLink.Reached checkLink(Viewer viewer, @PathVariable UUID id, @PathVariable int number) {
        String sha256 = version(documents.visible(viewer, id), number).sha256();
        return links.reach(contents.link(sha256).orElseThrow(() -> Refusal.notFound("link")));
    }

    /** The whole file. @param open with open covers, for those who may give it out so */
    @GetMapping(path = "/content", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<Resource> content(
            Viewer viewer,
            @PathVariable UUID id,
            @PathVariable int number,
            @RequestParam(defaultValue = "false") boolean open) {
        FiledDocument document = documents.visible(viewer, id);
        String sha256 = open ? given.open(viewer, id, number) : given.closed(id, number);
        trail.record(new AuditEntry(
                viewer.actor(),
                "downloaded",
                document.fileId(),
                id,
                "downloaded “" + document.name() + "”, version " + number + (open ? ", with open covers" : "")));
        return download.attachment(sha256, document.name());
    }

    record PageText(int page, String text) {}

    /** @param isRead false while its pages are still being read */
    record TextAnswer(List<PageText> pages, boolean isRead) {}

    /** What is written on its pages, or was recognised there. */
    @GetMapping("/text")
    TextAnswer text(Viewer viewer, @PathVariable UUID id, @PathVariable int number) {
        FiledDocument document = documents.visible(viewer, id);
        trail.lookedAt(viewer, document.fileId(), id, document.name());
        String sha256 = version(document, number).sha256();
        return new TextAnswer(
                readings.pages(sha256).stream()
                        .map(p -> new PageText(p.page(), p.text()))
                        .toList(),
                readings.areRead(List.of(sha256)));
    }

    record TurnRequest(int degrees) {}

    /** Turns all pages clockwise for everybody who reads the paper; what is stored stays as it is. */
    @PostMapping("/turn")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void turn(Viewer viewer, @PathVariable UUID id, @PathVariable int number, @RequestBody TurnRequest body) {
        FiledDocument document = documents.visible(viewer, id);
        turns.turn(viewer, document, number, version(document, number).sha256(), body.degrees());
    }

    /** The file for reading it in the page, whole or in ranges; that it was looked at is noted once. */
    @GetMapping(path = "/reading", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<Resource> reading(Viewer viewer, @PathVariable UUID id, @PathVariable int number) {
        FiledDocument document = documents.visible(viewer, id);
        trail.lookedAt(viewer, document.fileId(), id, document.name());
        return download.inPage(version(document, number).sha256());
    }

    /** The same for the archive, as PDF/A-2b. */
    @GetMapping(path = "/archive", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<Resource> archive(Viewer viewer, @PathVariable UUID id, @PathVariable int number) {
        FiledDocument document = documents.visible(viewer, id);
        String copy = archives.of(given.closed(id, number));
        trail.record(new AuditEntry(
                viewer.actor(),
                "downloaded",
                document.fileId(),
                id,
                "downloaded the archive copy of “" + document.name() + "”, version " + number));
        return download.attachment(copy, document.name() + ", archive copy");
    }

    private DocumentVersion version(FiledDocument document, int number) {
        List<DocumentVersion> versions = documents.versions(document.id());
        if (number < 1 || number > versions.size()) {
            throw Refusal.notFound("version");
        }
        return versions.get(number - 1);
    }
}
