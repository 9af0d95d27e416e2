package app.denfold.server.portal;

import app.denfold.core.sharing.Granted.Deed;
import app.denfold.server.access.Role;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.chasing.ChaseEvents.Chased;
import app.denfold.server.chasing.ChaseEvents.ChasedAll;
import app.denfold.server.chasing.ChaseEvents.Wanted;
import app.denfold.server.coverage.ledger.Ledger;
import app.denfold.server.coverage.ledger.WantedWords;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What guests are asked to send: by hand, or because the person was chased about it. */
@Service
public class Asks {

    private final AskRepository asks;
    private final GuestRights rights;
    private final Accounts accounts;
    private final Ledger ledger;
    private final PersonFiles files;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    Asks(
            AskRepository asks,
            GuestRights rights,
            Accounts accounts,
            Ledger ledger,
            PersonFiles files,
            AuditTrail trail,
            PracticeCalendar calendar) {
        this.asks = asks;
        this.rights = rights;
        this.accounts = accounts;
        this.ledger = ledger;
        this.files = files;
        this.trail = trail;
        this.calendar = calendar;
    }

    /** An ask whose slot still wants a paper. @param why in words @param day by which it is wanted; null for none @param types that would fill the slot */
    public record OpenAsk(
            Ask ask, String label, String why, @Nullable LocalDate day, List<String> types) {}

    /** What a guest is asked to send for a file. */
    @Transactional(readOnly = true)
    public List<OpenAsk> openFor(UUID guest, UUID fileId) {
        return open(fileId, asked(fileId).stream().filter(a -> a.isFor(guest)).toList());
    }

    /** What the guests of a file are asked to send, as far as the viewer may know of it. */
    @Transactional(readOnly = true)
    public List<OpenAsk> ofFile(Viewer viewer, UUID fileId) {
        files.visible(viewer, fileId);
        return open(fileId, asked(fileId)).stream()
                .filter(a -> viewer.maySeeAny(a.types()))
                .toList();
    }

    private List<Ask> asked(UUID fileId) {
        return asks.findByFileIdAndWithdrawnAtIsNullOrderByAskedAt(fileId);
    }

    /** One for each slot and guest: the last that says something in words, or else the last. */
    private List<OpenAsk> open(UUID fileId, List<Ask> asked) {
        if (asked.isEmpty()) {
            return List.of();
        }
        List<OpenAsk> open = new ArrayList<>();
        for (Ledger.SlotAnswer slot : ledger.openSlots(fileId)) {
            Map<Object, Ask> byGuest = new LinkedHashMap<>();
            asked.stream()
                    .filter(a -> a.concerns(slot.checklist(), slot.requirement()))
                    .forEach(a -> byGuest.merge(
                            a.accountId() != null ? a.accountId() : String.valueOf(a.address()),
                            a,
                            (older, newer) -> newer.words() == null ? older : newer));
            byGuest.values()
                    .forEach(a -> open.add(
                            new OpenAsk(a, slot.label(), WantedWords.of(slot), ahead(slot.due()), slot.types())));
        }
        return open;
    }

    /** A day that is not past; of one that is, the reason tells enough. */
    private @Nullable LocalDate ahead(@Nullable LocalDate due) {
        return due == null || due.isBefore(calendar.today()) ? null : due;
    }

    /** @param guest of the file, for whom it is @throws Refusal when he is none, or the slot wants no paper */
    @Transactional
    public void ask(
            Viewer viewer, UUID fileId, UUID guest, String checklist, String requirement, @Nullable String words) {
        viewer.requireChange();
        files.visible(viewer, fileId);
        Ledger.SlotAnswer slot = ledger.openSlots(viewer, fileId).stream()
                .filter(s -> s.checklist().equals(checklist) && s.requirement().equals(requirement))
                .findFirst()
                .orElseThrow(() -> Refusal.conflict("nothing-wanted", "This slot wants no paper from the person now."));
        if (!rights.allows(guest, fileId, Deed.ADD)) {
            throw Refusal.invalid("accountId", "Choose a guest of this file who may add papers.");
        }
        asks.save(new Ask(fileId, guest, checklist, requirement, words, viewer.name(), calendar.now()));
        String name = accounts.viewer(guest).map(Viewer::name).orElse("a guest");
        trail.record(AuditEntry.ofFile(viewer.actor(), "asked", fileId, "asked " + name + " for “" + slot.label() + "”")
                .about(slot.types()));
    }

    /** The guest is no longer asked. @throws Refusal when there is no such ask or the viewer may not know of it */
    @Transactional
    public void withdraw(Viewer viewer, UUID fileId, UUID id) {
        viewer.requireChange();
        OpenAsk open = ofFile(viewer, fileId).stream()
                .filter(a -> a.ask().id().equals(id))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("ask"));
        // earlier ones for the same slot and guest would show in its place
        asked(fileId).stream()
                .filter(a -> a.concerns(open.ask().checklist(), open.ask().requirement()))
                .filter(a -> Objects.equals(a.accountId(), open.ask().accountId()))
                .filter(a -> Objects.equals(a.address(), open.ask().address()))
                .forEach(a -> a.withdraw(viewer.name(), calendar.now()));
        trail.record(
                AuditEntry.ofFile(viewer.actor(), "ask-withdrawn", fileId, "no longer asks for “" + open.label() + "”")
                        .about(open.types()));
    }

    /** All that a guest is asked for in a file ends. */
    void endAll(Viewer viewer, UUID fileId, UUID guest) {
        asked(fileId).stream().filter(a -> a.isFor(guest)).forEach(a -> a.withdraw(viewer.name(), calendar.now()));
    }

    /** Whoever was written to before is asked in the portal from now on, since he has become a guest of the file. */
    void takeUp(UUID fileId, Viewer guest) {
        asked(fileId).stream().filter(a -> a.isTo(guest.email())).forEach(a -> a.goesTo(guest.accountId()));
    }

    /** Whoever was written to is asked in the portal too, at once or when he becomes a guest; nobody else is. */
    @EventListener
    void on(Chased event) {
        on(new ChasedAll(List.of(event)));
    }

    /** The same for many, in two reads. */
    @EventListener
    void on(ChasedAll event) {
        Map<String, Viewer> accountsByEmail = accounts.viewersByEmail(
                event.each().stream().map(Chased::recipient).toList());
        Map<UUID, List<Ask>> asked = asks
                .findByFileIdInAndWithdrawnAtIsNullOrderByAskedAt(
                        event.each().stream().map(Chased::fileId).distinct().toList())
                .stream()
                .collect(Collectors.groupingBy(Ask::fileId));
        List<Ask> fresh = new ArrayList<>();
        for (Chased chased : event.each()) {
            Viewer guest = Optional.ofNullable(accountsByEmail.get(Accounts.normal(chased.recipient())))
                    .filter(v -> v.role() == Role.GUEST)
                    .filter(v -> rights.allows(v.accountId(), chased.fileId(), Deed.ADD))
                    .orElse(null);
            List<Ask> before = asked.getOrDefault(chased.fileId(), List.of()).stream()
                    .filter(a -> guest == null ? a.isTo(chased.recipient()) : a.isFor(guest.accountId()))
                    .toList();
            chased.wanted().stream()
                    .filter(w -> before.stream().noneMatch(a -> a.concerns(w.checklist(), w.requirement())))
                    .map(w -> ask(chased, guest, w))
                    .forEach(fresh::add);
        }
        asks.saveAll(fresh);
    }

    private Ask ask(Chased event, @Nullable Viewer guest, Wanted wanted) {
        return guest == null
                ? Ask.byAddress(
                        event.fileId(),
                        event.recipient(),
                        wanted.checklist(),
                        wanted.requirement(),
                        event.by(),
                        calendar.now())
                : new Ask(
                        event.fileId(),
                        guest.accountId(),
                        wanted.checklist(),
                        wanted.requirement(),
                        null,
                        event.by(),
                        calendar.now());
    }
}
