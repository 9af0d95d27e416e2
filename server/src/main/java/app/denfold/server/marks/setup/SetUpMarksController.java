package app.denfold.server.marks.setup;

import app.denfold.server.access.Viewer;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
class SetUpMarksController {

    private final SetUpMarks marks;

    SetUpMarksController(SetUpMarks marks) {
        this.marks = marks;
    }

    /** @param stamps may name {date}, {name} and {initials} @param reasons why something is covered */
    record MarkWords(
            @NotNull List<@NotNull String> stamps, @NotNull List<@NotNull String> reasons) {}

    /** Stamps and reasons as they are set up. */
    @GetMapping("/api/set-up/marks")
    MarkWords kept() {
        return new MarkWords(marks.kept().stamps(), marks.kept().reasons());
    }

    /** Keeps other stamps and reasons; marks that stand on pages stay as they are. */
    @PutMapping("/api/set-up/marks")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void change(Viewer viewer, @Valid @RequestBody MarkWords body) {
        marks.change(viewer, new SetUpMarks.Kept(body.stamps(), body.reasons()));
    }

    /** Stamps with today and the own name in their places, and the reasons for covering. */
    @GetMapping("/api/marks/words")
    MarkWords offered(Viewer viewer) {
        SetUpMarks.Kept offered = marks.offered(viewer);
        return new MarkWords(offered.stamps(), offered.reasons());
    }
}
