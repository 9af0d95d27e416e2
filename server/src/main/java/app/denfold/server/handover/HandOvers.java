package app.denfold.server.handover;

import app.denfold.core.receiving.Held;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.chasing.Message;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.documents.DocumentEvents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.PaperColleagues;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Hands papers to colleagues. Whoever has one passes it on, returns it to where he has it from, or finishes; an
 * administrator may do so for him.
 */
@Service
public class HandOvers {

    private static final int LONGEST_NOTE = 1_000;

    private final HandOverRepository handOvers;
    private final Documents documents;
    private final Accounts accounts;
    private final PaperColleagues colleagues;
    private final Outbox outbox;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;
    private final String address;

    HandOvers(
            HandOverRepository handOvers,
            Documents documents,
            Accounts accounts,
            PaperColleagues colleagues,
            Outbox outbox,
            AuditTrail trail,
            PracticeCalendar calendar,
            @Value("${denfold.address}") String address) {
        this.handOvers = handOvers;
        this.documents = documents;
        this.accounts = accounts;
        this.colleagues = colleagues;
        this.outbox = outbox;
        this.trail = trail;
        this.calendar = calendar;
        this.address = address;
    }

    /** @param act {@code HANDED_OVER}, {@code PASSED_ON}, {@code RETURNED} or {@code FINISHED} @param to null when finished */
    public record HandOverStep(
            String act,
            String by,
            @Nullable String to,
            @Nullable String note,
            Instant at) {}

    /** @param mine whether it lies with the viewer @param mayAct whether he may pass it on, return or finish it */
    public record HandOverAnswer(
            UUID id,
            boolean open,
            String holder,
            boolean mine,
            boolean mayAct,
            @Nullable LocalDate due,
            List<HandOverStep> steps) {}

    /**
     * A paper that lies with somebody.
     *
     * @param with whose deputy the viewer is; null when it lies with the viewer
     * @param note what he who gave it wrote
     */
    public record Lying(
            UUID documentId,
            UUID fileId,
            String paper,
            String from,
            @Nullable String with,
            @Nullable String note,
            @Nullable LocalDate due,
            Instant since) {}

    /** @throws Refusal when something would go with it */
    @EventListener
    void on(DocumentEvents.FilingTakenBack event) {
        if (!handOvers.findByDocumentId(event.documentId()).isEmpty()) {
            throw DocumentEvents.builtOn("handed over");
        }
    }

    /** To whom papers were handed, by paper; for the product's own work. */
    @Transactional(readOnly = true)
    public Map<UUID, List<Held>> handedTo(Collection<UUID> documentIds) {
        Map<UUID, List<Held>> all = new HashMap<>();
        for (HandOver way : handOvers.findByDocumentIdIn(documentIds)) {
            for (HandOver.Step step : way.steps()) {
                if (step.to() != null) {
                    all.computeIfAbsent(way.documentId(), id -> new ArrayList<>())
                            .add(new Held(step.to(), null, calendar.dayOf(step.at()), Held.Reached.HAS));
                }
            }
        }
        return all;
    }

    /** All who work here, but the viewer. @param documentId only those who may see this paper; null for all */
    @Transactional(readOnly = true)
    public List<ColleagueAnswer> colleagues(Viewer viewer, @Nullable UUID documentId) {
        List<Viewer> all =
                documentId == null ? accounts.staff() : colleagues.whoSee(documents.visible(viewer, documentId));
        return all.stream()
                .filter(v -> !v.accountId().equals(viewer.accountId()))
                .map(v -> new ColleagueAnswer(
                        v.accountId(), v.name(), accounts.postOf(v.accountId()).title()))
                .toList();
    }

    /** @param title what he is in the practice; null when that is not told */
    record ColleagueAnswer(UUID id, String name, @Nullable String title) {}

    /** All ways the paper took, the newest first. */
    @Transactional(readOnly = true)
    public List<HandOverAnswer> of(Viewer viewer, UUID documentId) {
        documents.visible(viewer, documentId);
        return handOvers.findByDocumentId(documentId).stream()
                .map(h -> answer(viewer, h))
                .toList();
    }

    /** What lies with the viewer, the most urgent first; papers he may no longer see are left out. */
    @Transactional(readOnly = true)
    public List<Lying> lyingWith(Viewer viewer) {
        List<HandOver> own = handOvers.findLyingWith(accounts.actsFor(viewer));
        List<FiledDocument> visible =
                documents.visible(viewer, own.stream().map(HandOver::documentId).toList());
        return own.stream()
                .flatMap(h -> visible.stream()
                        .filter(d -> d.id().equals(h.documentId()))
                        .map(d -> lying(viewer, h, d)))
                .toList();
    }

    private Lying lying(Viewer viewer, HandOver h, FiledDocument d) {
        HandOver.Step last = h.steps().get(h.steps().size() - 1);
        return new Lying(
                d.id(),
                d.fileId(),
                d.name(),
                last.by(),
                viewer.accountId().equals(h.holderId()) ? null : name(h.holderId()),
                last.note(),
                h.due(),
                last.at());
    }

    /** @throws Refusal when the colleague may not see the paper, it lies with somebody already, or the day is over */
    @Transactional
    public HandOverAnswer begin(
            Viewer viewer, UUID documentId, UUID to, @Nullable String note, @Nullable LocalDate due) {
        viewer.requireChange();
        FiledDocument document = documents.visible(viewer, documentId);
        if (document.isEnteredInError()) {
            throw Refusal.conflict(
                    "entered-in-error", "This paper was marked as entered in error; nobody needs to work on it.");
        }
        handOvers.findOpen(documentId).ifPresent(h -> {
            throw Refusal.conflict("handed-over", "This paper lies with " + name(h.holderId()) + " already.");
        });
        if (due != null && due.isBefore(calendar.today())) {
            throw Refusal.invalid("due", "The day is over already.");
        }
        HandOver.Step step = step(viewer, HandOver.Act.HANDED_OVER, colleague(to, document, viewer), note);
        HandOver begun = handOvers.save(new HandOver(documentId, document.fileId(), due, step));
        told(viewer, begun, document, step);
        return answer(viewer, begun);
    }

    /** @throws Refusal when it does not lie with the viewer, or the colleague may not see the paper */
    @Transactional
    public HandOverAnswer passOn(Viewer viewer, UUID id, UUID to, @Nullable String note) {
        HandOver handOver = actable(viewer, id);
        FiledDocument document = documents.visible(viewer, handOver.documentId());
        if (to.equals(handOver.holderId())) {
            throw Refusal.invalid("to", "The paper lies with " + name(to) + " already.");
        }
        return take(
                viewer,
                handOver,
                document,
                step(viewer, HandOver.Act.PASSED_ON, colleague(to, document, viewer), note));
    }

    /** Gives it back to where the present holder has it from. */
    @Transactional
    public HandOverAnswer giveBack(Viewer viewer, UUID id, @Nullable String note) {
        HandOver handOver = actable(viewer, id);
        FiledDocument document = documents.visible(viewer, handOver.documentId());
        HandOver.Step brought = handOver.broughtBy();
        if (brought.byId().equals(handOver.holderId())) {
            throw Refusal.conflict(
                    "own", "The paper began its way here; pass it on or finish it instead of returning it.");
        }
        Viewer giver = accounts.viewer(brought.byId()).orElseThrow(() -> Refusal.notFound("account"));
        return take(viewer, handOver, document, step(viewer, HandOver.Act.RETURNED, giver, note));
    }

    @Transactional
    public HandOverAnswer finish(Viewer viewer, UUID id, @Nullable String note) {
        HandOver handOver = actable(viewer, id);
        FiledDocument document = documents.visible(viewer, handOver.documentId());
        return take(viewer, handOver, document, step(viewer, HandOver.Act.FINISHED, null, note));
    }

    private HandOverAnswer take(Viewer viewer, HandOver handOver, FiledDocument document, HandOver.Step step) {
        handOver.take(step);
        handOver.followTo(document.fileId());
        told(viewer, handOver, document, step);
        return answer(viewer, handOver);
    }

    private HandOver actable(Viewer viewer, UUID id) {
        viewer.requireChange();
        HandOver handOver = handOvers.findById(id).orElseThrow(() -> Refusal.notFound("hand-over"));
        documents.visible(viewer, handOver.documentId());
        if (!handOver.isOpen()) {
            throw Refusal.conflict("finished", "This hand-over is finished.");
        }
        if (!accounts.actsFor(viewer).contains(handOver.holderId()) && !viewer.isAdministrator()) {
            throw Refusal.forbidden("The paper lies with " + name(handOver.holderId()) + "; only he, or an"
                    + " administrator for him, goes on with it.");
        }
        return handOver;
    }

    private Viewer colleague(UUID id, FiledDocument document, Viewer by) {
        if (id.equals(by.accountId())) {
            throw Refusal.invalid("to", "Choose somebody else than yourself.");
        }
        return colleagues.require("to", id, document);
    }

    private HandOver.Step step(Viewer by, HandOver.Act act, @Nullable Viewer to, @Nullable String note) {
        String words = note == null || note.isBlank() ? null : note.strip();
        if (words != null && words.length() > LONGEST_NOTE) {
            throw Refusal.invalid("note", "The note has up to " + LONGEST_NOTE + " letters.");
        }
        return new HandOver.Step(
                act,
                by.accountId(),
                by.name(),
                to == null ? null : to.accountId(),
                to == null ? null : to.name(),
                words,
                calendar.now());
    }

    private void told(Viewer by, HandOver handOver, FiledDocument document, HandOver.Step step) {
        String quoted = step.note() == null ? "" : " (“" + step.note() + "”)";
        String did =
                switch (step.act()) {
                    case HANDED_OVER -> "handed “" + document.name() + "” over to " + step.to();
                    case PASSED_ON -> "passed “" + document.name() + "” on to " + step.to();
                    case RETURNED -> "returned “" + document.name() + "” to " + step.to();
                    case FINISHED -> "finished the hand-over of “" + document.name() + "”";
                };
        trail.record(new AuditEntry(by.actor(), "hand-over", document.fileId(), document.id(), did + quoted));
        if (step.toId() != null) {
            mail(by, handOver, document, step);
        }
    }

    private void mail(Viewer by, HandOver handOver, FiledDocument document, HandOver.Step step) {
        String due = handOver.due() == null ? "" : "\n\nDue " + PracticeCalendar.words(handOver.due()) + ".";
        String note = step.note() == null ? "" : "\n\n  " + step.note().replace("\n", "\n  ");
        String body = "Dear " + step.to() + ",\n\n" + by.name() + " "
                + (step.act() == HandOver.Act.RETURNED ? "returns" : "hands") + " you a paper: " + document.name()
                + note + due + "\n\nIt waits in Today, and here:\n\n  " + address + "/files/" + document.fileId()
                + "?view=read&paper=" + document.id() + "\n";
        outbox.queue(
                by,
                Message.aboutPaper(
                        document.fileId(),
                        document.id(),
                        document.types(),
                        "hand-over",
                        Optional.ofNullable(step.toId())
                                .flatMap(accounts::viewer)
                                .map(Viewer::email)
                                .orElseThrow(),
                        by.name() + " hands you a paper",
                        body));
    }

    private String name(@Nullable UUID account) {
        return Optional.ofNullable(account)
                .flatMap(accounts::viewer)
                .map(Viewer::name)
                .orElse("a colleague");
    }

    private HandOverAnswer answer(Viewer viewer, HandOver h) {
        boolean mine =
                h.isOpen() && h.holderId() != null && accounts.actsFor(viewer).contains(h.holderId());
        return new HandOverAnswer(
                h.id(),
                h.isOpen(),
                name(h.holderId()),
                mine,
                h.isOpen() && viewer.mayChange() && (mine || viewer.isAdministrator()),
                h.due(),
                h.steps().stream()
                        .map(s -> new HandOverStep(s.act().name(), s.by(), s.to(), s.note(), s.at()))
                        .toList());
    }
}
