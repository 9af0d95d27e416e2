package app.denfold.server.chasing.planned;

import app.denfold.core.notices.NoticeDay.Mail;
import app.denfold.core.notices.NoticeDay.Telling;
import app.denfold.core.notices.NoticePlanner;
import app.denfold.server.access.Viewer;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.chasing.Outbox;
import app.denfold.server.chasing.addresses.SilentAddresses;
import app.denfold.server.chasing.history.ChangedTurn;
import app.denfold.server.chasing.history.ChangedTurnRepository;
import app.denfold.server.chasing.history.ToldRepository;
import app.denfold.server.chasing.history.TurnKey;
import app.denfold.server.chasing.plans.Plans;
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
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Holds what plans will tell, moves it to another day, or sends it now. */
@Service
class ChangeAhead {

    private static final int MOST = 500;
    private static final int MOST_DAYS = 366;

    private final ChangedTurnRepository changes;
    private final Plans plans;
    private final PrepareNotices prepare;
    private final SendPlanned send;
    private final ToldRepository told;
    private final SilentAddresses silent;
    private final Outbox outbox;
    private final PersonFiles files;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    ChangeAhead(
            ChangedTurnRepository changes,
            Plans plans,
            PrepareNotices prepare,
            SendPlanned send,
            ToldRepository told,
            SilentAddresses silent,
            Outbox outbox,
            PersonFiles files,
            AuditTrail trail,
            PracticeCalendar calendar) {
        this.changes = changes;
        this.plans = plans;
        this.prepare = prepare;
        this.send = send;
        this.told = told;
        this.silent = silent;
        this.outbox = outbox;
        this.files = files;
        this.trail = trail;
        this.calendar = calendar;
    }

    /** They are not told until they are released. */
    @Transactional
    public void hold(Viewer viewer, List<TurnKey> turns) {
        change(viewer, turns, null, "held");
    }

    /** They are told on that day, or on the next on which mails go out. @throws Refusal when the day is past or far off */
    @Transactional
    public void move(Viewer viewer, List<TurnKey> turns, LocalDate to) {
        LocalDate today = calendar.today();
        if (to.isBefore(today) || to.isAfter(today.plusDays(MOST_DAYS))) {
            throw Refusal.invalid("to", "Choose a day from today on, within a year.");
        }
        change(viewer, turns, to, "moved to " + PracticeCalendar.words(to));
    }

    private void change(Viewer viewer, List<TurnKey> turns, @Nullable LocalDate to, String how) {
        forget(viewer, turns);
        PreparedNotices now = prepare.ofFiles(plans.everyOne(), filesOf(turns));
        for (TurnKey turn : turns) {
            Telling telling = visible(viewer, now, turn);
            changes.save(new ChangedTurn(turn, to, viewer, calendar.now()));
            note(
                    viewer,
                    telling,
                    "notice-changed",
                    how + " the notice about “" + telling.watched().label() + "” to "
                            + telling.recipient().name());
        }
    }

    private void note(Viewer viewer, Telling telling, String action, String sentence) {
        trail.record(AuditEntry.ofFile(
                        viewer.actor(),
                        action,
                        UUID.fromString(telling.watched().file()),
                        sentence)
                .about(telling.watched().types()));
    }

    /** They are told when their plans say. */
    @Transactional
    public void release(Viewer viewer, List<TurnKey> turns) {
        forget(viewer, turns);
    }

    private void forget(Viewer viewer, List<TurnKey> turns) {
        viewer.requireChange();
        if (turns.isEmpty() || turns.size() > MOST) {
            throw Refusal.invalid("turns", "Choose between one and " + MOST + " notices.");
        }
        Set<UUID> ids = filesOf(turns);
        ids.forEach(id -> files.visible(viewer, id));
        files.lock(ids);
        changes.deleteAll(changes.findOfFiles(ids).stream()
                .filter(c -> turns.contains(c.turn()))
                .toList());
        changes.flush();
    }

    private static Set<UUID> filesOf(List<TurnKey> turns) {
        return turns.stream().map(TurnKey::fileId).collect(Collectors.toSet());
    }

    /**
     * They are told at once, each address in one mail.
     *
     * @param again although somebody of them was written to today
     * @throws Refusal when one of them has no address, cannot be reached, asked for no more, was told this already, or was
     *     written to today
     */
    @Transactional
    public void sendNow(Viewer viewer, List<TurnKey> turns, boolean again) {
        forget(viewer, turns);
        if (told.findOfPlans(filesOf(turns)).stream()
                .anyMatch(t -> t.key().filter(turns::contains).isPresent())) {
            throw Refusal.conflict("told-already", "This was told already; see what went out.");
        }
        LocalDate today = calendar.today();
        PreparedNotices now = prepare.ofFiles(plans.everyOne(), filesOf(turns));
        List<String> unsubscribed = silent.unsubscribed();
        Map<String, List<Telling>> byMailbox = new LinkedHashMap<>();
        for (TurnKey turn : turns) {
            Telling telling = visible(viewer, now, turn);
            String mailbox = telling.recipient().mailbox();
            if (mailbox == null) {
                throw Refusal.invalid(
                        "turns",
                        "No email address is known for " + telling.recipient().name() + ".");
            }
            if (telling.plan().courtesy() && unsubscribed.contains(mailbox)) {
                throw Refusal.conflict(
                        "unsubscribed", telling.recipient().name() + " asked to be told no more of this.");
            }
            if (!now.letter(today).lacking(telling).isEmpty()) {
                throw Refusal.invalid(
                        "turns",
                        "The words name what is not known: "
                                + String.join(", ", now.letter(today).lacking(telling)) + ".");
            }
            byMailbox.computeIfAbsent(mailbox, m -> new ArrayList<>()).add(telling);
        }
        silent.unreachableAmong(byMailbox.keySet()).values().stream()
                .findFirst()
                .ifPresent(gone -> {
                    throw Refusal.conflict(
                            "unreachable",
                            "Mails to " + gone.address() + " came back: " + gone.why() + ". Mend the address first.");
                });
        byMailbox.keySet().stream()
                .filter(m -> !again && outbox.isChasedToday(m))
                .findFirst()
                .ifPresent(m -> {
                    throw Refusal.conflict("chased-today", m + " was written to today already.");
                });
        send.mails(
                now,
                byMailbox.entrySet().stream()
                        .map(e -> new Mail(
                                e.getKey(),
                                e.getValue().stream()
                                        .map(Telling::recipient)
                                        .distinct()
                                        .toList(),
                                e.getValue(),
                                List.of()))
                        .toList(),
                today,
                null,
                null);
        byMailbox.values().stream()
                .flatMap(List::stream)
                .forEach(t -> note(
                        viewer,
                        t,
                        "notice-changed",
                        "sent now the notice about “" + t.watched().label() + "” to "
                                + t.recipient().name()));
    }

    /** @throws Refusal when it is no more, or the viewer may not know of it */
    private Telling visible(Viewer viewer, PreparedNotices now, TurnKey turn) {
        return now.telling(turn)
                .filter(t -> ShowAhead.isVisible(viewer, now, t.watched()))
                .filter(t -> NoticePlanner.stillHolds(t, t.turn().anchor())
                        || NoticePlanner.stillHolds(t, calendar.today())
                        || isAhead(t))
                .orElseThrow(() -> Refusal.conflict(
                        "no-longer-planned", "This notice is no longer planned; what it is about has changed."));
    }

    /** A thing that stands so only some days from now. */
    private boolean isAhead(Telling telling) {
        return telling.watched().stands().stream()
                .map(s -> s.from())
                .filter(Objects::nonNull)
                .anyMatch(day -> day.isAfter(calendar.today()) && NoticePlanner.stillHolds(telling, day));
    }
}
