package app.denfold.server.documents.guarding;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.catalog.DocumentTypes;
import app.denfold.server.catalog.KeptDocumentType;
import app.denfold.server.catalog.Section;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Sections of a file that an administrator checked as complete: others can no longer change what is in them. */
@Service
public class ConfirmedSections {

    private final ConfirmedSectionRepository confirmed;
    private final PersonFiles files;
    private final Catalog catalog;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    ConfirmedSections(
            ConfirmedSectionRepository confirmed,
            PersonFiles files,
            Catalog catalog,
            AuditTrail trail,
            PracticeCalendar calendar) {
        this.confirmed = confirmed;
        this.files = files;
        this.catalog = catalog;
        this.trail = trail;
        this.calendar = calendar;
    }

    public record Confirmed(String section, String by, LocalDate on) {}

    @Transactional(readOnly = true)
    public List<Confirmed> of(UUID fileId) {
        return confirmed.findByKeyFileId(fileId).stream()
                .map(s -> new Confirmed(s.section(), s.byName(), s.confirmedOn()))
                .toList();
    }

    /** @throws Refusal when the viewer may not see the file */
    @Transactional(readOnly = true)
    public List<Confirmed> visible(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        return of(fileId);
    }

    /** @throws Refusal when the viewer is no administrator or there is no such section */
    @Transactional
    public void confirm(Viewer viewer, UUID fileId, String section) {
        viewer.requireAdministrator();
        files.visible(viewer, fileId);
        String label = label(section);
        int added = confirmed.insertUnlessThere(fileId, section, viewer.name(), calendar.today());
        if (added > 0) {
            trail.record(AuditEntry.ofFile(
                    viewer.actor(), "section-confirmed", fileId, "confirmed the section " + label + " as complete"));
        }
    }

    /** @throws Refusal without a reason, or when the section is not confirmed */
    @Transactional
    public void reopen(Viewer viewer, UUID fileId, String section, String reason) {
        viewer.requireAdministrator();
        files.visible(viewer, fileId);
        String label = label(section);
        if (reason == null || reason.isBlank()) {
            throw Refusal.invalid("reason", "A reason is needed; it stands in the trail.");
        }
        if (confirmed.deleteOne(fileId, section) == 0) {
            throw Refusal.conflict("not-confirmed", "The section " + label + " is not confirmed.");
        }
        trail.record(AuditEntry.ofFile(
                viewer.actor(),
                "section-reopened",
                fileId,
                "reopened the section " + label + " (“" + reason.strip() + "”)"));
    }

    private String label(String section) {
        return catalog.sections().stream()
                .filter(s -> s.code().equals(section))
                .map(Section::label)
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("section"));
    }

    /** @throws Refusal when one of the types stands in a confirmed section and the viewer is no administrator */
    public void requireOpen(Viewer viewer, UUID fileId, DocumentTypes types) {
        if (viewer.isAdministrator()) {
            return;
        }
        List<String> sections =
                types.all().stream().map(KeptDocumentType::section).toList();
        of(fileId).stream()
                .filter(c -> sections.contains(c.section()))
                .findFirst()
                .ifPresent(c -> {
                    throw Refusal.conflict(
                            "section-confirmed",
                            "The section " + label(c.section()) + " of this file was confirmed as complete by " + c.by()
                                    + " on " + PracticeCalendar.words(c.on()) + ". An administrator can reopen it.");
                });
    }
}
