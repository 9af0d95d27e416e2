package app.denfold.server.letters.writing;

import app.denfold.server.access.Viewer;
import app.denfold.server.content.Download;
import app.denfold.server.letters.writing.ShowLetters.LetterAnswer;
import app.denfold.server.letters.writing.ShowLetters.LetterLine;
import app.denfold.server.letters.writing.ShowLetters.LettersAnswer;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class LettersController {

    private final WriteLetters write;
    private final PreviewLetters preview;
    private final FileLetters file;
    private final ShowLetters show;
    private final KeepAnswers keep;
    private final Download download;

    LettersController(
            WriteLetters write,
            PreviewLetters preview,
            FileLetters file,
            ShowLetters show,
            KeepAnswers keep,
            Download download) {
        this.write = write;
        this.preview = preview;
        this.file = file;
        this.show = show;
        this.keep = keep;
        this.download = download;
    }

    record BeginLetterRequest(
            @NotNull(message = "is needed: choose what to write")
            UUID modelId,

            @NotNull(message = "is needed") String language,
            @NotNull(message = "is needed") LocalDate effectiveOn) {}

    record BegunLetter(UUID id) {}

    record WritingRequest(int changes, @NotNull @Valid WrittenSoFar writing) {}

    record WritingAnswer(int changes) {}

    /** @param name of what was answered, as the letter is told it */
    record KeepAnswerRequest(int changes, @NotNull String name) {}

    record FileLetterRequest(int changes) {}

    record FiledLetter(UUID documentId, String name) {}

    record PagesAnswer(int pages, String key) {}

    /** Letters that wait to be filed, and those filed lately. */
    @GetMapping("/api/letters")
    LettersAnswer all(Viewer viewer) {
        return show.all(viewer);
    }

    /** Letters of a file, open and filed. */
    @GetMapping("/api/files/{id}/letters")
    List<LetterLine> ofFile(Viewer viewer, @PathVariable UUID id) {
        return show.ofFile(viewer, id);
    }

    /** Begins a letter by the version that holds on the day it takes effect. */
    @PostMapping("/api/files/{id}/letters")
    @ResponseStatus(HttpStatus.CREATED)
    BegunLetter begin(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody BeginLetterRequest body) {
        return new BegunLetter(write.begin(viewer, id, body.modelId(), body.language(), body.effectiveOn())
                .id());
    }

    /** A letter as it stands: what is asked, its blocks, what will be on the page. */
    @GetMapping("/api/letters/{id}")
    LetterAnswer one(Viewer viewer, @PathVariable UUID id) {
        return show.one(viewer, id);
    }

    /** Keeps what was written so far. */
    @PutMapping("/api/letters/{id}")
    WritingAnswer write(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody WritingRequest body) {
        return new WritingAnswer(write.write(viewer, id, body.changes(), body.writing()));
    }

    /** Tells the file what was answered, from today on. */
    @PostMapping("/api/letters/{id}/kept-answers")
    WritingAnswer keep(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody KeepAnswerRequest body) {
        return new WritingAnswer(keep.keep(viewer, id, body.changes(), body.name()));
    }

    /** Lays the letter out as it stands. */
    @PostMapping("/api/letters/{id}/pages")
    PagesAnswer layOut(Viewer viewer, @PathVariable UUID id) {
        PreviewLetters.Pages pages = preview.pages(viewer, id);
        return new PagesAnswer(pages.count(), pages.sha256());
    }

    /** A page as it was last laid out. */
    @GetMapping(path = "/api/letters/{id}/pages/{page}", produces = MediaType.IMAGE_PNG_VALUE)
    ResponseEntity<byte[]> page(
            Viewer viewer,
            @PathVariable UUID id,
            @PathVariable int page,
            @RequestParam(defaultValue = "900") int width) {
        return download.page(preview.shown(viewer, id), page, width);
    }

    /** Files the letter as a paper of its model's type. */
    @PostMapping("/api/letters/{id}/filing")
    FiledLetter file(Viewer viewer, @PathVariable UUID id, @RequestBody FileLetterRequest body) {
        var filed = file.file(viewer, id, body.changes());
        return new FiledLetter(filed.id(), filed.name());
    }

    /** Throws a letter away that is not filed. */
    @DeleteMapping("/api/letters/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void discard(Viewer viewer, @PathVariable UUID id) {
        write.discard(viewer, id);
    }
}
