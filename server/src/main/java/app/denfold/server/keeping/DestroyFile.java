package app.denfold.server.keeping;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.documents.changing.DestroyPapers;
import app.denfold.server.keeping.FilesToLeave.Due;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Destroys one file for good: its papers with their bytes, and all that is known of the person in it. */
@Service
class DestroyFile {

    private final KeptPeriodsRepository periods;
    private final FilesToLeave due;
    private final HoldFiles holds;
    private final DestroyedFileRepository destroyed;
    private final DestroyPapers papers;
    private final PersonFiles files;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    DestroyFile(
            KeptPeriodsRepository periods,
            FilesToLeave due,
            HoldFiles holds,
            DestroyedFileRepository destroyed,
            DestroyPapers papers,
            PersonFiles files,
            AuditTrail trail,
            PracticeCalendar calendar) {
        this.periods = periods;
        this.due = due;
        this.holds = holds;
        this.destroyed = destroyed;
        this.papers = papers;
        this.files = files;
        this.trail = trail;
        this.calendar = calendar;
    }

    /**
     * The trail keeps what was done in the file, and that it was destroyed; it cannot forget.
     *
     * @param certificate under which it is told
     * @throws Refusal when the viewer is no administrator, the rules keep the file yet, somebody holds it, or a paper in it
     *     is needed where it is
     */
    @Transactional
    public void destroy(Viewer viewer, UUID fileId, UUID certificate) {
        viewer.requireAdministrator();
        files.lockWholly(List.of(fileId));
        PersonFile file = files.visible(viewer, fileId);
        Due leaves = due.one(periods.lock().periods().rules(), fileId)
                .orElseThrow(() -> Refusal.conflict(
                        "kept-yet", "The rules of keeping do not let the file of " + file.name() + " go yet."));
        holds.holding(fileId).ifPresent(hold -> {
            throw Refusal.conflict("held", "The file of " + file.name() + " is on hold: " + hold.reason());
        });
        String why = "kept until " + PracticeCalendar.words(leaves.keptUntil()) + "; " + leaves.rule();
        int gone = papers.allOf(viewer.actor(), fileId, why);
        destroyed.save(new DestroyedFile(certificate, leaves, gone, viewer, calendar.now()));
        trail.record(AuditEntry.ofFile(
                viewer.actor(),
                "file-destroyed",
                fileId,
                "destroyed the file " + leaves.file().number() + " for good with "
                        + (gone == 1 ? "1 paper" : gone + " papers") + " (" + why + ")"));
        files.remove(fileId);
    }
}
