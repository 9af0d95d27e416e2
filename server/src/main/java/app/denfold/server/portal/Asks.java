package app.denfold.server.portal;

import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.chasing.ChaseEvents.Chased;
import app.denfold.server.coverage.Ledger;
import app.denfold.server.coverage.WantedWords;
import app.denfold.server.people.Files;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What guests are asked to send: by hand, or because the person was chased about it. */
@Service
public class Asks {

    private final PortalRepositories.Asks asks;
    private final Ledger ledger;
    private final Files files;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    Asks(PortalRepositories.Asks asks, Ledger ledger, Files files, AuditTrail trail, PracticeCalendar calendar) {
        this.asks = asks;
        this.ledger = ledger;
        this.files = files;
        this.trail = trail;
        this.calendar = calendar;
    }

    /** An ask whose slot still wants a paper. @param why in words; @param types that would fill the slot */
    record OpenAsk(Ask ask, String label, String why, List<String> types) {}

    @Transactional(readOnly = true)
    public List<OpenAsk> open(UUID fileId) {
        List<Ask> asked = asks.findByFileIdOrderByAskedAt(fileId);
        if (asked.isEmpty()) {
            return List.of();
        }
        List<OpenAsk> open = new ArrayList<>();
        for (Ledger.SlotAnswer slot : ledger.openSlots(fileId)) {
            asked.stream()
                    .filter(a -> a.concerns(slot.checklist(), slot.requirement()))
                    .reduce((older, newer) -> newer.words() == null ? older : newer)
                    .ifPresent(a -> open.add(new OpenAsk(a, slot.label(), WantedWords.of(slot), slot.types())));
        }
        return open;
    }

    /** @throws Refusal when the slot wants no paper */
    @Transactional
    public void ask(Viewer viewer, UUID fileId, String checklist, String requirement, String words) {
        viewer.requireChange();
        files.visible(viewer, fileId);
        Ledger.SlotAnswer slot = ledger.openSlots(viewer, fileId).stream()
                .filter(s -> s.checklist().equals(checklist) && s.requirement().equals(requirement))
                .findFirst()
                .orElseThrow(() -> Refusal.conflict("nothing-wanted", "This slot wants no paper from the person now."));
        asks.save(new Ask(fileId, checklist, requirement, words, viewer.name(), calendar.now()));
        trail.record(AuditEntry.ofFile(
                viewer.actor(), "asked", fileId, "asked the guests of the file for “" + slot.label() + "”"));
    }

    @EventListener
    void on(Chased event) {
        List<Ask> before = asks.findByFileIdOrderByAskedAt(event.fileId());
        event.wanted().stream()
                .filter(w -> before.stream().noneMatch(a -> a.concerns(w.checklist(), w.requirement())))
                .forEach(w -> asks.save(new Ask(
                        event.fileId(),
                        w.checklist(),
                        w.requirement(),
                        null,
                        event.by().name(),
                        calendar.now())));
    }
}
