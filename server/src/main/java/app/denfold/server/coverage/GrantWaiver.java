package app.denfold.server.coverage;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.people.PeopleEvents.PersonChanged;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.util.Set;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Grants waivers. */
@Service
public class GrantWaiver {

    private final WaiverRepository waivers;
    private final PersonFiles files;
    private final Catalog catalog;
    private final ApplicationEventPublisher events;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    GrantWaiver(
            WaiverRepository waivers,
            PersonFiles files,
            Catalog catalog,
            ApplicationEventPublisher events,
            AuditTrail trail,
            PracticeCalendar calendar) {
        this.waivers = waivers;
        this.files = files;
        this.catalog = catalog;
        this.events = events;
        this.trail = trail;
        this.calendar = calendar;
    }

    /** @throws Refusal when the requirement is unknown or the waiver would end before it begins */
    @Transactional
    public void grant(Viewer viewer, UUID fileId, WaiverDetails details) {
        viewer.requireChange();
        files.visible(viewer, fileId);
        Catalog.Rules rules = catalog.rules();
        String label = rules.requirementLabels().get(details.checklist() + "/" + details.requirement());
        Set<String> types = rules.typesOf(details.checklist(), details.requirement());
        if (label == null || !viewer.maySeeAny(types)) {
            throw Refusal.invalid("requirement", "There is no such requirement.");
        }
        Waiver waiver = new Waiver(fileId, details, calendar.today(), viewer.name());
        if (details.to() != null && details.to().isBefore(details.from() == null ? calendar.today() : details.from())) {
            throw Refusal.invalid("to", "The waiver would end before it begins.");
        }
        waivers.save(waiver);
        String until = details.to() == null ? " for good" : " until " + PracticeCalendar.words(details.to());
        trail.record(AuditEntry.ofFile(
                        viewer.actor(),
                        "waived",
                        fileId,
                        "waived “" + label + "”" + until + " (“"
                                + details.reason().strip() + "”)")
                .about(types));
        events.publishEvent(new PersonChanged(fileId));
    }
}
