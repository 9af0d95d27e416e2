package app.denfold.server.merging;

import app.denfold.server.access.Viewer;
import app.denfold.server.merging.Duplicates.LikePair;
import app.denfold.server.merging.MergePeople.MergeAnswer;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.http.HttpStatus;
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
class MergeController {

    private final Duplicates duplicates;
    private final MergePreview preview;
    private final MergePeople merge;

    MergeController(Duplicates duplicates, MergePreview preview, MergePeople merge) {
        this.duplicates = duplicates;
        this.preview = preview;
        this.merge = merge;
    }

    /** @param fromGone names of what the closed file's value is to hold of */
    record MergeRequest(
            @NotNull UUID kept, int keptVersion, @NotNull UUID gone, int goneVersion, Set<String> fromGone) {

        MergeRequest {
            fromGone = fromGone == null ? Set.of() : Set.copyOf(fromGone);
        }
    }

    record MergedAnswer(UUID id) {}

    record PartedAnswer(UUID fileId) {}

    @GetMapping("/api/duplicates")
    List<LikePair> all(Viewer viewer) {
        return duplicates.all(viewer);
    }

    @GetMapping("/api/files/{id}/duplicates")
    List<LikePair> of(Viewer viewer, @PathVariable UUID id) {
        return duplicates.of(viewer, id);
    }

    @PutMapping("/api/files/{id}/not-same/{other}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void notSame(Viewer viewer, @PathVariable UUID id, @PathVariable UUID other) {
        duplicates.notSame(viewer, id, other);
    }

    @DeleteMapping("/api/files/{id}/not-same/{other}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void maybeSame(Viewer viewer, @PathVariable UUID id, @PathVariable UUID other) {
        duplicates.maybeSame(viewer, id, other);
    }

    @GetMapping("/api/merges/preview")
    MergePreview.MergePreviewAnswer preview(Viewer viewer, @RequestParam UUID kept, @RequestParam UUID gone) {
        return preview.of(viewer, kept, gone);
    }

    @PostMapping("/api/merges")
    @ResponseStatus(HttpStatus.CREATED)
    MergedAnswer merge(Viewer viewer, @Valid @RequestBody MergeRequest body) {
        return new MergedAnswer(
                merge.merge(viewer, body.kept(), body.keptVersion(), body.gone(), body.goneVersion(), body.fromGone()));
    }

    @PostMapping("/api/merges/{id}/undo")
    PartedAnswer undo(Viewer viewer, @PathVariable UUID id) {
        return new PartedAnswer(merge.undo(viewer, id));
    }

    @GetMapping("/api/files/{id}/merges")
    List<MergeAnswer> merges(Viewer viewer, @PathVariable UUID id) {
        return merge.undoable(viewer, id);
    }
}
