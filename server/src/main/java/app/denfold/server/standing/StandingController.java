package app.denfold.server.standing;

import app.denfold.server.access.Viewer;
import app.denfold.server.documents.Decisions;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class StandingController {

    private final ShowStanding show;
    private final UnderWay underWay;
    private final ToSend toSend;
    private final CheckPapers check;
    private final Decisions decisions;

    StandingController(ShowStanding show, UnderWay underWay, ToSend toSend, CheckPapers check, Decisions decisions) {
        this.show = show;
        this.underWay = underWay;
        this.toSend = toSend;
        this.check = check;
        this.decisions = decisions;
    }

    record CheckRequest(@NotNull List<CheckPapers.@Valid Looked> documents) {}

    /** How a paper stands; no content for one that was entered in error. */
    @GetMapping("/api/documents/{id}/standing")
    ResponseEntity<ShowStanding.StandingAnswer> standing(Viewer viewer, @PathVariable UUID id) {
        return show.of(viewer, id).map(ResponseEntity::ok).orElseGet(() -> ResponseEntity.noContent()
                .build());
    }

    @GetMapping("/api/under-way")
    UnderWay.UnderWayPage underWay(
            Viewer viewer, @RequestParam UnderWay.Queue queue, @RequestParam(required = false) @Nullable String type) {
        return underWay.list(viewer, queue, type);
    }

    record PapersRequest(@NotNull List<@NotNull UUID> documents) {}

    /** To whom these papers have still to be sent. */
    @PostMapping("/api/under-way/to-send")
    List<ToSend.Sending> toSend(Viewer viewer, @Valid @RequestBody PapersRequest body) {
        return toSend.of(viewer, body.documents());
    }

    /** A second person checked them. */
    @PostMapping("/api/documents/check")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void check(Viewer viewer, @Valid @RequestBody CheckRequest body) {
        check.check(viewer, body.documents());
    }

    @DeleteMapping("/api/documents/{id}/check")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void takeBackCheck(Viewer viewer, @PathVariable UUID id) {
        decisions.uncheck(viewer, id);
    }
}
