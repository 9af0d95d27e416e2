package app.denfold.server.marks.words;

import app.denfold.core.marks.MarkShape;
import app.denfold.core.marks.PageBox;
import app.denfold.core.marks.WordsToCover;
import app.denfold.server.access.Viewer;
import app.denfold.server.marks.Marks.NewMark;
import app.denfold.server.marks.words.CoverByWords.Chosen;
import app.denfold.server.marks.words.CoverByWords.FoundOnPaper;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

@RestController
class CoverByWordsController {

    private final CoverByWords covers;

    CoverByWordsController(CoverByWords covers) {
        this.covers = covers;
    }

    record WordsToCoverRequest(
            @NotEmpty List<@NotNull UUID> documents,
            @NotNull @Size(max = 50) List<@NotNull @Size(max = 200) String> phrases,
            @NotNull Set<WordsToCover.@NotNull What> what) {}

    record CoverRequest(int page, @NotEmpty List<@NotNull PageBox> areas) {}

    record CoversOnPaper(
            @NotNull UUID documentId,
            int version,
            @NotEmpty @Size(max = 2_000) List<@Valid CoverRequest> places) {}

    record CoversRequest(
            @NotEmpty @Size(max = 200) List<@Valid CoversOnPaper> papers,
            @Nullable @Size(max = MarkShape.LONGEST_REASON) String reason) {}

    record CoveredAnswer(int places) {}

    /** Where words stand that are to be covered, on the newest versions of papers; nothing is covered yet. */
    @PostMapping("/api/covers/look")
    List<FoundOnPaper> look(Viewer viewer, @Valid @RequestBody WordsToCoverRequest body) {
        return covers.look(viewer, body.documents(), body.phrases(), body.what());
    }

    /** Covers chosen places of several papers: all of them or, when one cannot be, none. */
    @PostMapping("/api/covers")
    CoveredAnswer cover(Viewer viewer, @Valid @RequestBody CoversRequest body) {
        return new CoveredAnswer(covers.cover(
                viewer,
                body.papers().stream()
                        .map(p -> new Chosen(
                                p.documentId(),
                                p.version(),
                                p.places().stream()
                                        .map(c -> new NewMark(c.page(), MarkShape.cover(c.areas(), body.reason())))
                                        .toList()))
                        .toList()));
    }

    /** Names and numbers of a file that are likely to be covered on papers of it or of others. */
    @GetMapping("/api/files/{id}/words-to-cover")
    List<String> proposals(Viewer viewer, @PathVariable UUID id) {
        return covers.proposals(viewer, id);
    }
}
