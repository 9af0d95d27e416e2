package app.denfold.server.documents.pages;

import app.denfold.server.access.Viewer;
import app.denfold.server.documents.Decisions;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/documents/{id}")
class DocumentsController {

    private final Decisions decisions;
    private final ShowDocument show;

    DocumentsController(Decisions decisions, ShowDocument show) {
        this.decisions = decisions;
        this.show = show;
    }

    /** @param version number of the one that was looked at, from 1; refused when it is no longer the newest */
    record DecisionOn(int version) {}

    /** @param version as above */
    record ReasonedDecision(int version, String reason) {}

    @GetMapping
    ShowDocument.DocumentAnswer document(Viewer viewer, @PathVariable UUID id) {
        return show.document(viewer, id);
    }

    @PostMapping("/accept")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void accept(Viewer viewer, @PathVariable UUID id, @RequestBody DecisionOn body) {
        decisions.accept(viewer, id, body.version());
    }

    @PostMapping("/send-back")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void sendBack(Viewer viewer, @PathVariable UUID id, @RequestBody ReasonedDecision body) {
        decisions.sendBack(viewer, id, body.version(), body.reason());
    }

    @PostMapping("/entered-in-error")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void enterInError(Viewer viewer, @PathVariable UUID id, @RequestBody ReasonedDecision body) {
        decisions.enterInError(viewer, id, body.version(), body.reason());
    }
}
