package app.denfold.server.marks;

import app.denfold.server.access.Viewer;
import app.denfold.server.marks.Marks.MarkAnswer;
import app.denfold.server.marks.Marks.MarkInFile;
import app.denfold.server.marks.Marks.NewMark;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class MarksController {

    private final Marks marks;

    MarksController(Marks marks) {
        this.marks = marks;
    }

    record MarkRequest(int page, @NotNull @Valid PageShape shape) {}

    record MarksRequest(@NotEmpty @Size(max = 2_000) List<@Valid MarkRequest> marks) {}

    record MarkChangeRequest(int changes, @NotNull @Valid PageShape shape) {}

    /** The marks on a version of a paper, in the order of its pages. */
    @GetMapping("/api/documents/{id}/versions/{number}/marks")
    List<MarkAnswer> on(Viewer viewer, @PathVariable UUID id, @PathVariable int number) {
        return marks.on(viewer, id, number);
    }

    /** Puts marks on a version of a paper. */
    @PostMapping("/api/documents/{id}/versions/{number}/marks")
    @ResponseStatus(HttpStatus.CREATED)
    List<MarkAnswer> put(
            Viewer viewer, @PathVariable UUID id, @PathVariable int number, @Valid @RequestBody MarksRequest body) {
        return marks.put(
                viewer,
                id,
                number,
                body.marks().stream()
                        .map(m -> new NewMark(m.page(), m.shape().asShape()))
                        .toList());
    }

    /** Moves or changes a mark. */
    @PutMapping("/api/marks/{id}")
    MarkAnswer change(Viewer viewer, @PathVariable UUID id, @Valid @RequestBody MarkChangeRequest body) {
        return marks.change(viewer, id, body.changes(), body.shape().asShape());
    }

    /** Takes a mark away. */
    @DeleteMapping("/api/marks/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(Viewer viewer, @PathVariable UUID id) {
        marks.remove(viewer, id);
    }

    /** The marks on all papers of a file. */
    @GetMapping("/api/files/{id}/marks")
    List<MarkInFile> ofFile(Viewer viewer, @PathVariable UUID id) {
        return marks.ofFile(viewer, id);
    }
}
