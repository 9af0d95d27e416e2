package app.denfold.core.notices;

import app.denfold.core.notices.NoticeDay.LeftOut;
import app.denfold.core.notices.NoticeDay.Mail;
import app.denfold.core.notices.NoticeDay.Reason;
import app.denfold.core.notices.NoticeDay.Telling;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Works out who is told what on a day. For each thing, plan and recipient the latest turn whose day has come counts: what
 * it was to tell before is passed over, so that whoever begins late, or was switched off, tells each once. Whatever is met
 * by then is told to nobody.
 */
public final class NoticePlanner {

    private final List<Plan> plans;
    private final SendingRules rules;
    private final Addresses addresses;

    /** Who is meant by a step. */
    public interface Addresses {
        /** @return those who are meant in that file, with or without an address; a task's recipient has none */
        List<Recipient> of(Who who, Watched watched);

        /** Whether the words of a step have a place for something that is not known. */
        default boolean lacksFact(Telling telling, LocalDate day) {
            return false;
        }
    }

    public NoticePlanner(List<Plan> plans, SendingRules rules, Addresses addresses) {
        this.plans = List.copyOf(plans);
        this.rules = rules;
        this.addresses = addresses;
    }

    /** What goes out on a day. Nothing that is given is changed. */
    public NoticeDay on(LocalDate day, Collection<Watched> watched, NoticeHistory history) {
        List<LeftOut> leftOut = new ArrayList<>();
        List<Telling> tasks = new ArrayList<>();
        Map<String, List<Telling>> byMailbox = new LinkedHashMap<>();
        for (Watched one : watched) {
            for (Telling telling : due(one, day, history)) {
                Optional<Reason> why = whyNot(telling, day, history);
                if (why.isPresent()) {
                    leftOut.add(new LeftOut(telling, why.get()));
                } else if (telling.step().who() instanceof Who.Task) {
                    tasks.add(telling);
                } else {
                    String mailbox = Objects.requireNonNull(telling.recipient().mailbox());
                    byMailbox.computeIfAbsent(mailbox, m -> new ArrayList<>()).add(telling);
                }
            }
        }
        Map<String, List<Watched>> byFile = watched.stream().collect(Collectors.groupingBy(Watched::file));
        List<Mail> mails = new ArrayList<>();
        byMailbox.forEach((mailbox, tellings) -> mails.add(mail(mailbox, tellings, byFile, day)));
        return new NoticeDay(day, List.copyOf(mails), List.copyOf(tasks), List.copyOf(leftOut));
    }

    /**
     * What goes out on each day, if nothing new is recorded and each day's mails are sent.
     *
     * @param to included
     */
    public List<NoticeDay> ahead(LocalDate from, LocalDate to, Collection<Watched> watched, NoticeHistory history) {
        NoticeHistory known = history.copy();
        List<NoticeDay> days = new ArrayList<>();
        for (LocalDate day = from; !day.isAfter(to); day = day.plusDays(1)) {
            NoticeDay on = on(day, watched, known);
            LocalDate sent = day;
            on.mails().forEach(mail -> {
                known.mailed(mail.mailbox(), sent);
                mail.tellings().forEach(t -> known.told(t.turn()));
            });
            on.tasks().forEach(t -> known.told(t.turn()));
            days.add(on);
        }
        return days;
    }

    private Mail mail(String mailbox, List<Telling> tellings, Map<String, List<Watched>> byFile, LocalDate day) {
        List<Telling> sorted = tellings.stream()
                .sorted(Comparator.comparing(Telling::watched, urgent(day)))
                .toList();
        Set<Watched> told = sorted.stream().map(Telling::watched).collect(Collectors.toSet());
        Map<String, Recipient> recipients = new LinkedHashMap<>();
        sorted.forEach(t -> recipients.putIfAbsent(t.recipient().name(), t.recipient()));
        Set<Watched> open = new LinkedHashSet<>();
        for (String file : sorted.stream().map(t -> t.turn().file()).distinct().toList()) {
            byFile.getOrDefault(file, List.of()).stream()
                    .filter(w -> !told.contains(w) && w.on(day).isWanting())
                    .filter(w -> isToldTo(mailbox, w))
                    .forEach(open::add);
        }
        return new Mail(
                mailbox,
                List.copyOf(recipients.values()),
                sorted,
                open.stream().sorted(urgent(day)).toList());
    }

    /** Whether what was to be told still makes sense on a day: the same occasion, counted from the same day. */
    public static boolean stillHolds(Telling telling, LocalDate day) {
        return stillHolds(
                telling.plan(),
                telling.step(),
                telling.turn(),
                telling.watched().on(day));
    }

    /** The same of a thing that stands so. */
    public static boolean stillHolds(Plan plan, PlanStep step, Turn turn, Stand stand) {
        return counting(plan, step.occasion(), stand)
                .filter(c -> c.anchor().equals(turn.anchor()))
                .isPresent();
    }

    /** Whether some plan tells this mailbox about the thing at some time. */
    private boolean isToldTo(String mailbox, Watched watched) {
        return plans.stream()
                .filter(p -> p.scope().covers(watched))
                .flatMap(p -> p.steps().stream())
                .map(PlanStep::who)
                .distinct()
                .flatMap(who -> addresses.of(who, watched).stream())
                .anyMatch(r -> mailbox.equals(r.mailbox()));
    }

    /** What is wrong before what will be, what blocks before what does not, and then by day. */
    private static Comparator<Watched> urgent(LocalDate day) {
        return Comparator.<Watched, Integer>comparing(w -> weight(w, day))
                .thenComparing(w -> !w.blocking())
                .thenComparing(w -> w.until(day).orElse(LocalDate.MIN))
                .thenComparing(Watched::label);
    }

    private static int weight(Watched watched, LocalDate day) {
        return switch (watched.on(day).status()) {
            case LAPSED -> 0;
            case MISSING -> 1;
            case SENT_BACK -> 2;
            case IN_GRACE -> 3;
            case AWAITING_SIGNATURE -> 4;
            case EXPIRING -> 5;
            case NOT_YET_DUE -> 6;
            case IN_REVIEW -> 7;
            case ON_FILE, WAIVED, NOT_APPLICABLE -> 8;
        };
    }

    private List<Telling> due(Watched watched, LocalDate day, NoticeHistory history) {
        List<Telling> due = new ArrayList<>();
        for (Plan plan : plans) {
            if (!day.isBefore(plan.begins()) && plan.scope().covers(watched)) {
                due.addAll(due(plan, watched, day, history));
            }
        }
        return due;
    }

    private record Group(String recipient, Occasion occasion, LocalDate anchor) {}

    /**
     * From where the days of a step are counted now.
     *
     * @param isAhead whether what is told ahead of the anchor makes sense; otherwise what is told after it does
     * @param isOnItsDayAfter whether what is planned for the anchor itself is told after it
     */
    private record Counting(LocalDate anchor, boolean isAhead, boolean isOnItsDayAfter) {

        boolean isBefore(LocalDate planned) {
            return isOnItsDayAfter ? planned.isBefore(anchor) : !planned.isAfter(anchor);
        }
    }

    private List<Telling> due(Plan plan, Watched watched, LocalDate day, NoticeHistory history) {
        Map<Group, Telling> latest = new LinkedHashMap<>();
        Map<Group, LocalDate> latestTold = new HashMap<>();
        for (PlanStep step : plan.steps()) {
            for (Telling telling : turns(plan, step, watched, day, history)) {
                Turn turn = telling.turn();
                Group group = new Group(turn.recipient(), step.occasion(), turn.anchor());
                if (history.isTold(turn)) {
                    latestTold.merge(group, telling.planned(), NoticePlanner::later);
                } else if (!telling.sendOn().isAfter(day)) {
                    latest.merge(group, telling, NoticePlanner::later);
                }
            }
        }
        return latest.entrySet().stream()
                .filter(e -> latestTold.get(e.getKey()) == null
                        || latestTold.get(e.getKey()).isBefore(e.getValue().planned()))
                .map(Map.Entry::getValue)
                .toList();
    }

    private static LocalDate later(LocalDate one, LocalDate other) {
        return one.isAfter(other) ? one : other;
    }

    private static Telling later(Telling one, Telling other) {
        return other.planned().isAfter(one.planned()) ? other : one;
    }

    /** All turns of a step that fit how the thing stands, whenever they are. */
    private List<Telling> turns(Plan plan, PlanStep step, Watched watched, LocalDate day, NoticeHistory history) {
        Optional<Counting> counting = counting(plan, step.occasion(), watched.on(day));
        if (counting.isEmpty()) {
            return List.of();
        }
        List<Telling> turns = new ArrayList<>();
        for (Recipient recipient : addresses.of(step.who(), watched)) {
            turns.addAll(turns(plan, step, watched, recipient, counting.get(), history));
        }
        return turns;
    }

    private static Optional<Counting> counting(Plan plan, Occasion occasion, Stand stand) {
        boolean isOnItsDayAfter = occasion.isOnItsDayAfter(stand);
        return occasion.ahead(stand)
                .map(anchor -> new Counting(anchor, true, isOnItsDayAfter))
                .or(() -> occasion.after(stand, plan.begins())
                        .map(anchor -> new Counting(anchor, false, isOnItsDayAfter)));
    }

    private List<Telling> turns(
            Plan plan, PlanStep step, Watched watched, Recipient recipient, Counting counting, NoticeHistory history) {
        List<Telling> turns = new ArrayList<>();
        LocalDate anchor = counting.anchor();
        List<LocalDate> planned = step.planned(anchor);
        for (int number = 0; number < planned.size(); number++) {
            LocalDate day = planned.get(number);
            Turn turn = new Turn(plan.id(), step.id(), number, watched.file(), watched.thing(), anchor, recipient.id());
            Optional<LocalDate> moved = history.movedTo(turn);
            boolean isBefore = counting.isBefore(day);
            if (moved.isPresent() || isBefore == counting.isAhead()) {
                LocalDate latest = isBefore ? anchor : LocalDate.MAX;
                LocalDate sendOn = step.who() instanceof Who.Task ? day : rules.sendOn(day, latest);
                turns.add(new Telling(plan, step, turn, watched, recipient, day, moved.orElse(sendOn)));
            }
        }
        return turns;
    }

    private Optional<Reason> whyNot(Telling telling, LocalDate day, NoticeHistory history) {
        if (history.isStopped(telling.turn().file(), day)) {
            return Optional.of(Reason.STOPPED);
        }
        if (history.isHeld(telling.turn())) {
            return Optional.of(Reason.HELD);
        }
        if (telling.step().who() instanceof Who.Task) {
            return Optional.empty();
        }
        String mailbox = telling.recipient().mailbox();
        if (mailbox == null) {
            return Optional.of(Reason.NO_ADDRESS);
        }
        if (history.isUnreachable(mailbox)) {
            return Optional.of(Reason.UNREACHABLE);
        }
        if (telling.plan().courtesy() && history.isUnsubscribed(mailbox)) {
            return Optional.of(Reason.UNSUBSCRIBED);
        }
        if (addresses.lacksFact(telling, day)) {
            return Optional.of(Reason.FACT_MISSING);
        }
        if (rules.isQuiet(day)) {
            return Optional.of(Reason.QUIET_DAY);
        }
        if (history.isMailed(mailbox, day)) {
            return Optional.of(Reason.MAILED_TODAY);
        }
        if (rules.mostAMonth() > 0 && history.mailedIn(mailbox, YearMonth.from(day)) >= rules.mostAMonth()) {
            return Optional.of(Reason.MONTH_FULL);
        }
        return Optional.empty();
    }
}
