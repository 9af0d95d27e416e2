package app.denfold.server.chasing.planned;

import app.denfold.core.notices.NoticeDay;
import app.denfold.core.notices.NoticeDay.LeftOut;
import app.denfold.core.notices.NoticeDay.Mail;
import app.denfold.core.notices.NoticeDay.Reason;
import app.denfold.core.notices.NoticeDay.Telling;
import app.denfold.core.notices.NoticeLetter.Written;
import app.denfold.core.notices.Plan;
import app.denfold.core.notices.PlanStep;
import app.denfold.core.notices.Recipient;
import app.denfold.core.notices.Turn;
import app.denfold.core.notices.Watched;
import app.denfold.core.notices.Who;
import app.denfold.server.access.Viewer;
import app.denfold.server.chasing.history.TurnKey;
import app.denfold.server.chasing.plans.PlanDetails;
import app.denfold.server.chasing.plans.Plans;
import app.denfold.server.chasing.plans.SendingDays;
import app.denfold.server.people.PersonFile;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What will go out in the days ahead, to whom and why, if nothing new comes in. */
@Service
class ShowAhead {

    private static final int MOST_DAYS = 60;

    /** Of a very large practice the first so many mails are shown. */
    private static final int MOST_MAILS = 1_000;

    private final Plans plans;
    private final PrepareNotices prepare;
    private final SendingDays sending;
    private final PracticeCalendar calendar;

    ShowAhead(Plans plans, PrepareNotices prepare, SendingDays sending, PracticeCalendar calendar) {
        this.plans = plans;
        this.prepare = prepare;
        this.sending = sending;
        this.calendar = calendar;
    }

    /** One thing that somebody will be told. @param until the day told with it; null for none */
    record TellingAnswer(
            TurnKey turn,
            String plan,
            UUID fileId,
            String person,
            String label,
            String stands,
            @Nullable LocalDate until,
            String why,
            LocalDate planned) {}

    /** @param hidden how many things it tells besides, of which the viewer may not know */
    record PlannedMail(String recipient, String address, List<TellingAnswer> tellings, int hidden) {}

    /** @param accountId whose it will be; null for everybody's */
    record TaskAnswer(TellingAnswer telling, @Nullable UUID accountId) {}

    record LeftOutAnswer(TellingAnswer telling, String recipient, Reason reason, String words) {}

    /** @param quiet whether no mail goes out on the day */
    record DayAnswer(
            LocalDate day,
            boolean quiet,
            List<PlannedMail> mails,
            List<TaskAnswer> tasks,
            List<LeftOutAnswer> leftOut) {}

    /** @param ranToday whether today's are on their way already @param more whether later mails are not shown */
    record AheadAnswer(LocalDate today, boolean ranToday, boolean more, List<DayAnswer> days) {}

    /** @param days how many, today's included; at most 60 */
    @Transactional(readOnly = true)
    public AheadAnswer ahead(Viewer viewer, int days) {
        return ahead(viewer, plans.running(), days);
    }

    /**
     * The same as if a plan were otherwise.
     *
     * @param id of the plan that changes; null for a new one
     */
    @Transactional(readOnly = true)
    public AheadAnswer supposing(Viewer viewer, @Nullable UUID id, PlanDetails details, int days) {
        Plan supposed = plans.supposed(id, details);
        return ahead(viewer, List.of(supposed), days);
    }

    private AheadAnswer ahead(Viewer viewer, List<Plan> running, int days) {
        LocalDate today = calendar.today();
        LocalDate last = today.plusDays(Math.max(1, Math.min(days, MOST_DAYS)) - 1L);
        PreparedNotices prepared = prepare.until(running, last);
        boolean ranToday = sending.ranOn(today);
        int shown = 0;
        boolean more = false;
        List<DayAnswer> answers = new ArrayList<>();
        LocalDate first = ranToday ? today.plusDays(1) : today;
        for (NoticeDay day : prepared.ahead(first, last)) {
            int room = MOST_MAILS - shown;
            more |= day.mails().size() > room;
            List<PlannedMail> mails = day.mails().stream()
                    .limit(room)
                    .flatMap(m -> mail(viewer, prepared, m, day.day()).stream())
                    .toList();
            shown += mails.size();
            answers.add(new DayAnswer(
                    day.day(),
                    prepared.rules().isQuiet(day.day()),
                    mails,
                    day.tasks().stream()
                            .filter(t -> isVisible(viewer, prepared, t.watched()))
                            .map(t -> new TaskAnswer(
                                    answer(prepared, t, day.day()),
                                    t.step().who() instanceof Who.Task task && task.account() != null
                                            ? UUID.fromString(task.account())
                                            : null))
                            .toList(),
                    leftOut(viewer, prepared, day, first)));
        }
        return new AheadAnswer(today, ranToday, more, answers);
    }

    /** What waits is shown on the day on which it was planned, or on the first one shown, and not again on each day after. */
    private static List<LeftOutAnswer> leftOut(
            Viewer viewer, PreparedNotices prepared, NoticeDay day, LocalDate first) {
        return day.leftOut().stream()
                .filter(l -> isVisible(viewer, prepared, l.telling().watched()))
                .filter(l -> l.telling().sendOn().equals(day.day()) || day.day().equals(first))
                .limit(MOST_MAILS)
                .map(l -> leftOut(prepared, l, day.day()))
                .toList();
    }

    private static LeftOutAnswer leftOut(PreparedNotices prepared, LeftOut left, LocalDate day) {
        String words = WhyWords.of(left.why(), left.telling());
        List<String> lacking =
                left.why() == Reason.FACT_MISSING ? prepared.letter(day).lacking(left.telling()) : List.of();
        return new LeftOutAnswer(
                answer(prepared, left.telling(), day),
                left.telling().recipient().name(),
                left.why(),
                lacking.isEmpty() ? words : "Not known: " + String.join(", ", lacking));
    }

    static boolean isVisible(Viewer viewer, PreparedNotices prepared, Watched watched) {
        PersonFile file = prepared.files().get(UUID.fromString(watched.file()));
        return file != null && viewer.maySeeFile(file.id(), file.team()) && viewer.maySeeAny(watched.types());
    }

    private static Optional<PlannedMail> mail(Viewer viewer, PreparedNotices prepared, Mail mail, LocalDate day) {
        List<Telling> visible = mail.tellings().stream()
                .filter(t -> isVisible(viewer, prepared, t.watched()))
                .toList();
        if (visible.isEmpty()) {
            return Optional.empty();
        }
        int hidden = mail.tellings().size() - visible.size();
        return Optional.of(new PlannedMail(
                String.join(
                        " and ", mail.recipients().stream().map(r -> r.name()).toList()),
                mail.mailbox(),
                visible.stream().map(t -> answer(prepared, t, day)).toList(),
                hidden));
    }

    private static TellingAnswer answer(PreparedNotices prepared, Telling telling, LocalDate day) {
        Watched watched = telling.watched();
        UUID file = UUID.fromString(watched.file());
        return new TellingAnswer(
                TurnKey.of(telling.turn()),
                telling.plan().name(),
                file,
                Objects.requireNonNull(prepared.files().get(file)).name(),
                watched.label(),
                watched.on(day).status().code(),
                watched.until(day).orElse(null),
                WhyWords.of(telling),
                telling.planned());
    }

    /** A mail as it will be read. */
    record NoticeText(String address, String subject, String text) {}

    /**
     * The mail that an address gets on a day.
     *
     * @throws Refusal when there is none, or it tells of something the viewer may not know of
     */
    @Transactional(readOnly = true)
    public NoticeText letter(Viewer viewer, String address, LocalDate day) {
        LocalDate today = calendar.today();
        if (day.isBefore(today) || day.isAfter(today.plusDays(MOST_DAYS))) {
            throw Refusal.invalid("day", "Choose a day from today on, within 60 days.");
        }
        PreparedNotices prepared = prepare.until(plans.running(), day);
        return letter(
                viewer, prepared, prepared.ahead(sending.ranOn(today) ? today.plusDays(1) : today, day), address, day);
    }

    private NoticeText letter(
            Viewer viewer, PreparedNotices prepared, List<NoticeDay> days, String address, LocalDate day) {
        Mail mail = days.stream()
                .filter(d -> d.day().equals(day))
                .flatMap(d -> d.mails().stream())
                .filter(m -> m.mailbox().equalsIgnoreCase(address))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("mail of that day"));
        boolean isVisible = mail.tellings().stream().allMatch(t -> isVisible(viewer, prepared, t.watched()))
                && mail.alsoOpen().stream().allMatch(w -> isVisible(viewer, prepared, w));
        if (!isVisible) {
            throw Refusal.forbidden("This mail tells of papers that your account may not know of.");
        }
        Written written = prepared.letter(day).write(mail);
        return new NoticeText(mail.mailbox(), written.subject(), prepare.linked(written.text(), "…"));
    }

    /**
     * How a plan's first mail about somebody reads, whatever the day.
     *
     * @param fileId of a person about whom the plan can tell
     * @param places that are not known of the person; with any, nothing goes out
     */
    record TriedPlan(@Nullable NoticeText letter, List<String> places) {}

    /** @throws Refusal when the plan makes no sense, or the viewer may not see the file */
    @Transactional(readOnly = true)
    public TriedPlan tryOn(Viewer viewer, @Nullable UUID id, PlanDetails details, UUID fileId) {
        Plan plan = plans.supposed(id, details);
        PreparedNotices prepared = prepare.ofFiles(List.of(plan), List.of(fileId));
        LocalDate today = calendar.today();
        return prepared.watched().stream()
                .filter(w -> isVisible(viewer, prepared, w) && isTellable(w, today))
                // what is wanted now reads best
                .sorted(Comparator.comparing(w -> !w.on(today).isWanting()))
                .flatMap(w -> plan.steps().stream().flatMap(step -> tellings(prepared, plan, step, w, today)))
                .findFirst()
                .map(t -> tried(prepared, t, today))
                .orElse(new TriedPlan(null, List.of()));
    }

    /** Whether a plan can ever tell of it as it stands: it is wanted, or will run out. */
    private static boolean isTellable(Watched watched, LocalDate today) {
        return watched.on(today).isWanting() || watched.on(today).coveredThrough() != null;
    }

    private static Stream<Telling> tellings(
            PreparedNotices prepared, Plan plan, PlanStep step, Watched watched, LocalDate today) {
        return prepared.who().of(step.who(), watched).stream()
                .filter(r -> r.mailbox() != null)
                .map(r -> new Telling(
                        plan,
                        step,
                        new Turn(plan.id(), step.id(), 0, watched.file(), watched.thing(), today, r.id()),
                        watched,
                        r,
                        today,
                        today));
    }

    private TriedPlan tried(PreparedNotices prepared, Telling telling, LocalDate today) {
        Recipient recipient = telling.recipient();
        String mailbox = String.valueOf(recipient.mailbox());
        Written written =
                prepared.letter(today).write(new Mail(mailbox, List.of(recipient), List.of(telling), List.of()));
        return new TriedPlan(
                new NoticeText(mailbox, written.subject(), prepare.linked(written.text(), "…")),
                prepared.letter(today).lacking(telling));
    }
}
