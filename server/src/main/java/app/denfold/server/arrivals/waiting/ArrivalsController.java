package app.denfold.server.arrivals.waiting;

import app.denfold.core.filing.SplitBatch;
import app.denfold.server.access.Viewer;
import app.denfold.server.arrivals.Arrival;
import app.denfold.server.arrivals.PageRef;
import app.denfold.server.arrivals.ReceivedPaper;
import app.denfold.server.arrivals.filing.FileArrivals;
import app.denfold.server.arrivals.filing.PutInArrival;
import app.denfold.server.arrivals.receiving.Arrivals;
import app.denfold.server.arrivals.splitting.EditPages;
import app.denfold.server.content.Download;
import app.denfold.server.content.UploadedFile;
import app.denfold.server.content.links.CheckLink;
import app.denfold.server.coverage.effects.FilingEffect;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.FilingDetails;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.util.List;
import java.util.UUID;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RequestPart;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

@RestController
@RequestMapping("/api/arrivals")
public class ArrivalsController {

    private final Arrivals arrivals;
    private final ShowArrivals show;
    private final FileArrivals filing;
    private final PutInArrival puts;
    private final EditPages edit;
    private final PersonFiles files;
    private final Download download;
    private final CheckLink links;

    ArrivalsController(
            Arrivals arrivals,
            ShowArrivals show,
            FileArrivals filing,
            PutInArrival puts,
            EditPages edit,
            PersonFiles files,
            Download download,
            CheckLink links) {
        this.arrivals = arrivals;
        this.show = show;
        this.filing = filing;
        this.puts = puts;
        this.edit = edit;
        this.files = files;
        this.download = download;
        this.links = links;
    }

    public record ReceivedAnswer(UUID id) {}

    record FilingRequest(int version, @Valid @NotNull FilingDetails details) {}

    record FiledAnswer(UUID documentId, UUID fileId, String name) {}

    record ArrivalReason(String reason) {}

    @GetMapping
    List<ShowArrivals.ArrivalAnswer> open(Viewer viewer) {
        return show.open(viewer);
    }

    @GetMapping("/{id}")
    ShowArrivals.ArrivalDetail detail(Viewer viewer, @PathVariable UUID id) {
        return show.detail(viewer, id);
    }

    /** Tells colleagues that the viewer has the paper open; to be repeated while he has. */
    @PostMapping("/{id}/presence")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void present(Viewer viewer, @PathVariable UUID id) {
        show.present(viewer, id);
    }

    /** Takes one file in. @param fileId the file it is for, when it was dropped on one */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    ReceivedAnswer drop(
            Viewer viewer,
            @RequestPart MultipartFile file,
            @RequestParam(required = false) UUID fileId,
            @RequestParam(required = false) String type)
            throws IOException {
        arrivals.requireMayBring(viewer, fileId);
        try (UploadedFile uploaded = UploadedFile.of(file)) {
            return new ReceivedAnswer(arrivals.receive(new ReceivedPaper(
                    uploaded.path(), uploaded.name(), Arrival.Source.DROP, viewer.actor(), fileId, type, null)));
        }
    }

    @GetMapping(path = "/{id}/pages/{page}", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> page(
            Viewer viewer,
            @PathVariable UUID id,
            @PathVariable int page,
            @RequestParam(defaultValue = "900") int width) {
        PageRef shown = arrivals.pageOf(viewer, id, page);
        return download.page(shown.sha256(), shown.page(), width, shown.turn());
    }

    @GetMapping(path = "/{id}/content", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<Resource> content(Viewer viewer, @PathVariable UUID id) {
        return download.attachment(arrivals.contentOf(viewer, id), arrivals.nameOf(id));
    }

    /** Asks, now, whether a linked paper can be reached. */
    @PostMapping("/{id}/link-check")
    CheckLink.Reached checkLink(Viewer viewer, @PathVariable UUID id) {
        return links.reach(arrivals.linkOf(viewer, id));
    }

    @PostMapping("/{id}/preview")
    FilingEffect.FilingPreview preview(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody FilingDetails body) {
        return arrivals.preview(viewer, id, body);
    }

    @PostMapping("/{id}/filing")
    FiledAnswer file(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody FilingRequest body) {
        return filed(filing.file(viewer, id, body.version(), body.details()));
    }

    /**
     * @param arrivalVersion of the arrival that was looked at
     * @param version number of the document's version that was looked at
     */
    record PutInRequest(int arrivalVersion, @NotNull UUID document, int version, int after) {}

    record PutInAnswer(int version) {}

    /** Puts its pages into a filed paper, as a newer version of that. */
    @PostMapping("/{id}/put-in")
    @ResponseStatus(HttpStatus.CREATED)
    PutInAnswer putIn(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody PutInRequest body) {
        return new PutInAnswer(puts.putIn(
                viewer,
                id,
                body.arrivalVersion(),
                new PutInArrival.Into(body.document(), body.version(), body.after())));
    }

    private static FiledAnswer filed(FiledDocument document) {
        return new FiledAnswer(document.id(), document.fileId(), document.name());
    }

    record FilingOfSeveral(
            @NotNull List<FileArrivals.Chosen> papers,
            @Valid @NotNull FilingDetails details) {}

    /** Files several papers with the same details: all, or none. */
    @PostMapping("/filing")
    List<FiledAnswer> fileAll(Viewer viewer, @Valid @RequestBody FilingOfSeveral body) {
        return filing.fileAll(viewer, body.papers(), body.details()).stream()
                .map(ArrivalsController::filed)
                .toList();
    }

    record UndoFilingRequest(
            @NotNull @Size(min = 1, max = 200) List<UUID> papers) {}

    /** Takes the filing of papers back: of all, or of none. */
    @PostMapping("/undo-filing")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void undo(Viewer viewer, @Valid @RequestBody UndoFilingRequest body) {
        filing.undo(viewer, body.papers());
    }

    /** @param last null when there is none of this day */
    record LastFilingAnswer(@Nullable FileArrivals.LastFiling last) {}

    /** What the viewer filed last, so that it can be taken back also after the page was loaded anew. */
    @GetMapping("/last-filing")
    LastFilingAnswer last(Viewer viewer) {
        return new LastFilingAnswer(filing.lastOf(viewer).orElse(null));
    }

    /** What came with a paper that was filed: its file's name, a note, the mail it was attached to. */
    @GetMapping("/of-document/{documentId}")
    List<ShowArrivals.CameWith> cameWith(Viewer viewer, @PathVariable UUID documentId) {
        return show.cameWith(viewer, documentId);
    }

    /** What became of a paper that waits no longer. */
    @GetMapping("/{id}/outcome")
    ShowArrivals.ArrivalOutcome outcome(Viewer viewer, @PathVariable UUID id) {
        return show.outcome(viewer, id);
    }

    /** @param after how many pages stay */
    record SplitRequest(int version, int after) {}

    record SecondAnswer(UUID id) {}

    @PostMapping("/{id}/split")
    SecondAnswer split(Viewer viewer, @PathVariable UUID id, @RequestBody SplitRequest body) {
        return new SecondAnswer(edit.split(viewer, id, body.version(), body.after()));
    }

    record SplitRulesRequest(int version, boolean blankPages, boolean pageCounts, int everyPages, boolean dropBlank) {}

    record PartsAnswer(int parts) {}

    @PostMapping("/{id}/split-by-rules")
    PartsAnswer splitByRules(Viewer viewer, @PathVariable UUID id, @RequestBody SplitRulesRequest body) {
        if (body.everyPages() < 0 || body.everyPages() > 1_000) {
            throw Refusal.invalid("everyPages", "A document has from 1 to 1000 pages.");
        }
        return new PartsAnswer(edit.splitByRules(
                viewer,
                id,
                body.version(),
                new SplitBatch.Rules(
                        true, true, body.blankPages(), body.pageCounts(), body.everyPages(), body.dropBlank())));
    }

    /** @param with the paper behind whose pages they go */
    record JoinRequest(int version, @NotNull UUID with) {}

    @PostMapping("/{id}/join")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void join(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody JoinRequest body) {
        edit.join(viewer, id, body.version(), body.with());
    }

    /** @param words what was done, for the trail and for undoing, such as “turned page 2” */
    record PagesRequest(
            int version,
            @NotNull List<PageRef> pages,
            @NotNull String words) {}

    @PutMapping("/{id}/pages")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void hold(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody PagesRequest body) {
        String words = body.words().strip();
        edit.hold(viewer, id, body.version(), body.pages(), words.substring(0, Math.min(200, words.length())));
    }

    record MoveRequest(int version, int position, @NotNull UUID to) {}

    @PostMapping("/{id}/move-page")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void move(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody MoveRequest body) {
        edit.move(viewer, id, body.version(), body.position(), body.to());
    }

    record UndoneAnswer(String words) {}

    /** Undoes the last change of the pages of its batch. */
    @PostMapping("/{id}/undo-pages")
    UndoneAnswer undoPages(Viewer viewer, @PathVariable UUID id) {
        return new UndoneAnswer(edit.undo(viewer, id));
    }

    record UnlockRequest(String password) {}

    @PostMapping("/{id}/unlock")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void unlock(Viewer viewer, @PathVariable UUID id, @RequestBody UnlockRequest body) {
        arrivals.unlock(viewer, id, body.password());
    }

    @PostMapping("/{id}/set-aside")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void setAside(Viewer viewer, @PathVariable UUID id, @RequestBody ArrivalReason body) {
        arrivals.setAside(viewer, id, body.reason());
    }

    @PostMapping("/{id}/take-up")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeUp(Viewer viewer, @PathVariable UUID id) {
        arrivals.takeUpAgain(viewer, id);
    }

    @PostMapping("/{id}/discard")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void discard(Viewer viewer, @PathVariable UUID id, @RequestBody ArrivalReason body) {
        arrivals.discard(viewer, id, body.reason());
    }
}
