package app.denfold.server.documents;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.PaperTypes;
import app.denfold.server.catalog.Signer;
import app.denfold.server.content.ArchiveCopies;
import app.denfold.server.content.CheckLink;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.content.Download;
import app.denfold.server.content.Link;
import app.denfold.server.content.Placeholder;
import app.denfold.server.problems.Refusal;
import app.denfold.server.reading.Readings;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/documents/{id}")
class DocumentsController {

    private final Documents documents;
    private final Catalog catalog;
    private final Contents contents;
    private final Download download;
    private final CheckLink links;
    private final ArchiveCopies archives;
    private final Holds holds;
    private final PaperTurns turns;
    private final Readings readings;
    private final AuditTrail trail;

    DocumentsController(
            Documents documents,
            Catalog catalog,
            Contents contents,
            Download download,
            CheckLink links,
            ArchiveCopies archives,
            Holds holds,
            PaperTurns turns,
            Readings readings,
            AuditTrail trail) {
        this.documents = documents;
        this.catalog = catalog;
        this.contents = contents;
        this.download = download;
        this.links = links;
        this.archives = archives;
        this.holds = holds;
        this.turns = turns;
        this.readings = readings;
        this.trail = trail;
    }

    /**
     * @param number from 1, the oldest
     * @param turns by how many degrees clockwise each page is turned to be read; empty when none is
     */
    record VersionAnswer(
            int number,
            String cause,
            String madeBy,
            Instant madeAt,
            String sha256,
            long size,
            String mediaType,
            int pages,
            List<Integer> turns,
            @Nullable Link link,
            @Nullable Placeholder placeholder) {}

    /** What else a paper is. */
    record FurtherType(String code, String label) {}

    /** Who works on it now. @param own whether it is the viewer */
    record HoldAnswer(String by, Instant since, boolean own) {}

    /** @param reviewers with whom it waits for review, by name; empty for anyone */
    record DocumentAnswer(
            UUID id,
            UUID fileId,
            String type,
            String typeLabel,
            int changes,
            @Nullable String description,
            @Nullable HoldAnswer hold,
            List<FurtherType> furtherTypes,
            String name,
            LocalDate documentDate,
            @Nullable LocalDate effectiveDate,
            @Nullable LocalDate statedExpiry,
            Map<String, String> fields,
            LocalDate receivedOn,
            boolean needsReview,
            List<String> reviewers,
            boolean mayReview,
            @Nullable LocalDate acceptedOn,
            @Nullable String acceptedBy,
            @Nullable LocalDate sentBackOn,
            @Nullable String sentBackReason,
            @Nullable LocalDate voidedOn,
            @Nullable String voidReason,
            String source,
            String filedBy,
            List<Signer> signers,
            List<Signer> unsignedBy,
            List<GivenSignature> signatures,
            List<VersionAnswer> versions) {}

    record DecisionReason(String reason) {}

    @GetMapping
    @Transactional(readOnly = true)
    DocumentAnswer document(Viewer viewer, @PathVariable UUID id) {
        return answer(viewer, documents.visible(viewer, id));
    }

    /** @param turn clockwise @param upright whether the page is turned as readers see it instead */
    @GetMapping(path = "/versions/{number}/pages/{page}", produces = MediaType.IMAGE_PNG_VALUE)
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
    @PostMapping("/versions/{number}/link-check")
    CheckLink.Reached checkLink(Viewer viewer, @PathVariable UUID id, @PathVariable int number) {
        String sha256 = version(documents.visible(viewer, id), number).sha256();
        return links.reach(contents.link(sha256).orElseThrow(() -> Refusal.notFound("link")));
    }

    @GetMapping(path = "/versions/{number}/content", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<Resource> content(Viewer viewer, @PathVariable UUID id, @PathVariable int number) {
        FiledDocument document = documents.visible(viewer, id);
        String sha256 = version(document, number).sha256();
        trail.record(new AuditEntry(
                viewer.actor(),
                "downloaded",
                document.fileId(),
                id,
                "downloaded “" + document.name() + "”, version " + number));
        return download.attachment(sha256, document.name());
    }

    record PageText(int page, String text) {}

    /** @param isRead false while its pages are still being read */
    record TextAnswer(List<PageText> pages, boolean isRead) {}

    /** What is written on its pages, or was recognised there. */
    @GetMapping("/versions/{number}/text")
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
    @PostMapping("/versions/{number}/turn")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void turn(Viewer viewer, @PathVariable UUID id, @PathVariable int number, @RequestBody TurnRequest body) {
        viewer.requireChange();
        turns.turn(version(documents.visible(viewer, id), number).sha256(), body.degrees());
    }

    /** The file for reading it in the page, whole or in ranges; that it was looked at is noted once. */
    @GetMapping(path = "/versions/{number}/reading", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<Resource> reading(Viewer viewer, @PathVariable UUID id, @PathVariable int number) {
        FiledDocument document = documents.visible(viewer, id);
        trail.lookedAt(viewer, document.fileId(), id, document.name());
        return download.inPage(version(document, number).sha256());
    }

    /** The same for the archive, as PDF/A-2b. */
    @GetMapping(path = "/versions/{number}/archive", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<Resource> archive(Viewer viewer, @PathVariable UUID id, @PathVariable int number) {
        FiledDocument document = documents.visible(viewer, id);
        String copy = archives.of(version(document, number).sha256());
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

    @PostMapping("/accept")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void accept(Viewer viewer, @PathVariable UUID id) {
        documents.accept(viewer, id);
    }

    @PostMapping("/send-back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void sendBack(Viewer viewer, @PathVariable UUID id, @RequestBody DecisionReason body) {
        documents.sendBack(viewer, id, body.reason());
    }

    @PostMapping("/void")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void voidIt(Viewer viewer, @PathVariable UUID id, @RequestBody DecisionReason body) {
        documents.voidIt(viewer, id, body.reason());
    }

    private DocumentAnswer answer(Viewer viewer, FiledDocument d) {
        PaperTypes types = catalog.types(d.types());
        boolean accepted = d.decision() == FiledDocument.Decision.ACCEPTED;
        boolean sentBack = d.decision() == FiledDocument.Decision.SENT_BACK;
        return new DocumentAnswer(
                d.id(),
                d.fileId(),
                d.type(),
                types.main().label(),
                d.changes(),
                d.description(),
                holds.of(d.id())
                        .map(h -> new HoldAnswer(
                                h.byName(), h.since(), h.accountId().equals(viewer.accountId())))
                        .orElse(null),
                types.all().stream()
                        .skip(1)
                        .map(t -> new FurtherType(t.code(), t.label()))
                        .toList(),
                d.name(),
                d.documentDate(),
                d.effectiveDate(),
                d.statedExpiry(),
                d.fields(),
                d.receivedOn(),
                types.needsReview(),
                documents.reviewerNames(d),
                viewer.isAdministrator()
                        || types.reviewers().isEmpty()
                        || types.reviewers().contains(viewer.accountId()),
                accepted ? d.acceptedOn() : null,
                accepted ? d.acceptedBy() : null,
                sentBack ? d.sentBackOn() : null,
                sentBack ? d.sentBackReason() : null,
                d.voidedOn(),
                d.voidReason(),
                d.source(),
                d.filedBy(),
                types.signers(),
                d.unsignedBy(types),
                d.signatures(),
                versions(d));
    }

    private List<VersionAnswer> versions(FiledDocument d) {
        List<VersionAnswer> answers = new ArrayList<>();
        for (DocumentVersion v : d.versions()) {
            Content content = contents.content(v.sha256());
            answers.add(new VersionAnswer(
                    answers.size() + 1,
                    v.cause(),
                    v.madeBy(),
                    v.madeAt(),
                    v.sha256(),
                    content.size(),
                    content.mediaType(),
                    content.pages(),
                    turns.of(v.sha256()),
                    contents.link(v.sha256()).orElse(null),
                    contents.placeholder(v.sha256()).orElse(null)));
        }
        return answers;
    }
}
