package app.denfold.server.documents.changing;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.guarding.ConfirmedSections;
import app.denfold.server.documents.guarding.Holds;
import java.util.List;
import java.util.UUID;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What keeps papers from being changed: holds and confirmed sections. */
@RestController
class GuardDocumentsController {

    private final Documents documents;
    private final Holds holds;
    private final ConfirmedSections sections;
    private final AuditTrail trail;

    GuardDocumentsController(Documents documents, Holds holds, ConfirmedSections sections, AuditTrail trail) {
        this.documents = documents;
        this.holds = holds;
        this.sections = sections;
        this.trail = trail;
    }

    /** Holds the paper for the viewer; to be repeated while he works on it. */
    @PostMapping("/api/documents/{id}/hold")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void hold(Viewer viewer, @PathVariable UUID id) {
        documents.changeable(viewer, id);
        holds.take(viewer, id);
    }

    /** Ends the viewer's own hold. */
    @DeleteMapping("/api/documents/{id}/hold")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void release(Viewer viewer, @PathVariable UUID id) {
        documents.visible(viewer, id);
        holds.release(viewer, id);
    }

    /** Ends the hold of whoever has it. */
    @PostMapping("/api/documents/{id}/lift-hold")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void lift(Viewer viewer, @PathVariable UUID id) {
        viewer.requireAdministrator();
        FiledDocument document = documents.visible(viewer, id);
        holds.lift(id)
                .ifPresent(held -> trail.record(new AuditEntry(
                        viewer.actor(),
                        "hold-lifted",
                        document.fileId(),
                        id,
                        "lifted the hold of " + held.byName() + " on “" + document.name() + "”")));
    }

    @GetMapping("/api/files/{fileId}/confirmed-sections")
    List<ConfirmedSections.Confirmed> confirmed(Viewer viewer, @PathVariable UUID fileId) {
        return sections.visible(viewer, fileId);
    }

    @PostMapping("/api/files/{fileId}/sections/{section}/confirm")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void confirm(Viewer viewer, @PathVariable UUID fileId, @PathVariable String section) {
        sections.confirm(viewer, fileId, section);
    }

    record ReopenRequest(String reason) {}

    @PostMapping("/api/files/{fileId}/sections/{section}/reopen")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void reopen(
            Viewer viewer, @PathVariable UUID fileId, @PathVariable String section, @RequestBody ReopenRequest body) {
        sections.reopen(viewer, fileId, section, body.reason());
    }
}
