package app.denfold.core.rules;

import app.denfold.core.days.DaySet;
import app.denfold.core.days.Window;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;

/**
 * One requirement of one person, as known on one day: its status as a function of the day. The status changes only at
 * the edges of a few day sets, so the next change is found by asking at those edges, never by walking days.
 */
final class RequirementDays extends StatusOverTime {

    private static final int NO_DUE = DaySet.SINCE_EVER;

    private final KnownFile file;
    private final String checklist;
    private final Requirement requirement;
    private final int inForceFrom;
    private final DaySet applies;
    private final DaySet waived;
    private final boolean hasSentBack;
    private final boolean reviewsMatter;
    private final List<Span> spans;
    private final @Nullable FactTimeline dueFact;
    private int @Nullable [] changeDays;

    RequirementDays(KnownFile file, RuleBook.Line line, DaySet applies) {
        this.file = file;
        this.checklist = line.checklist();
        this.requirement = line.requirement();
        this.inForceFrom = line.inForceFrom();
        this.applies = applies;
        this.waived = waivedDays();
        boolean sentBack = false;
        boolean pending = false;
        for (String type : line.types()) {
            for (KnownDocument document : file.existing(type)) {
                sentBack |= document.decision() == Decision.SENT_BACK;
                pending |= document.decision() == Decision.PENDING;
            }
        }
        this.hasSentBack = sentBack;
        this.reviewsMatter = pending && requirement.needsReview();
        this.spans = spans();
        this.dueFact =
                requirement.due() instanceof Due.FromFact fact ? FactTimeline.of(file.person(), fact.name()) : null;
    }

    /** The days of one active span, and the evidence judged with its start. */
    private record Span(
            int first, int end, @Nullable LocalDate start, DaySet held, DaySet ifAccepted, DaySet ifSigned) {
        boolean contains(int day) {
            return first <= day && day < end;
        }
    }

    private List<Span> spans() {
        List<Span> result = new ArrayList<>(file.spans().size());
        Span shared = null;
        for (Window window : file.spans()) {
            if (shared == null || requirement.evidence().dependsOnStart()) {
                shared = spanOf(window);
                result.add(shared);
            } else {
                result.add(new Span(
                        DaySet.edgeOfFirst(window.from()),
                        DaySet.edgeAfterLast(window.to()),
                        window.from(),
                        shared.held,
                        shared.ifAccepted,
                        shared.ifSigned));
            }
        }
        return result;
    }

    private Span spanOf(Window window) {
        DaySet held = evidence(Assumption.AS_DECIDED, window.from()).days();
        DaySet ifAccepted = reviewsMatter
                ? evidence(Assumption.REVIEWS_ACCEPTED, window.from()).days()
                : held;
        DaySet ifSigned = requirement.signedBy().isEmpty()
                ? ifAccepted
                : evidence(Assumption.SIGNATURES_GIVEN, window.from()).days();
        return new Span(
                DaySet.edgeOfFirst(window.from()),
                DaySet.edgeAfterLast(window.to()),
                window.from(),
                held,
                ifAccepted,
                ifSigned);
    }

    EvidenceDays evidence(Assumption assumption, @Nullable LocalDate start) {
        return new EvidenceDays(requirement, assumption, start, file::existing);
    }

    private DaySet waivedDays() {
        if (file.person().waivers().isEmpty()) {
            return DaySet.none();
        }
        List<Window> windows = file.person().waivers().stream()
                .filter(w -> w.checklist().equals(checklist) && w.requirement().equals(requirement.code()))
                .filter(w -> !w.recordedOn().isAfter(file.known()))
                .map(Person.Waiver::window)
                .toList();
        return windows.isEmpty() ? DaySet.none() : DaySet.of(windows);
    }

    String checklist() {
        return checklist;
    }

    Requirement requirement() {
        return requirement;
    }

    /** The first day of the version that holds it, or {@link DaySet#SINCE_EVER}. */
    int inForceFrom() {
        return inForceFrom;
    }

    /** The days on which it is asked for. */
    DaySet applies() {
        return applies;
    }

    @Override
    Status statusOn(int day) {
        if (!applies.contains(day)) {
            return Status.NOT_APPLICABLE;
        }
        return waived.contains(day) ? Status.WAIVED : statusByEvidence(day, spanHolding(day));
    }

    private Status statusByEvidence(int day, Span span) {
        if (span.held.contains(day)) {
            int end = span.held.endOfRun(day);
            return end != DaySet.NEVER_ENDS && end - 1 <= day + requirement.leadDays()
                    ? Status.EXPIRING
                    : Status.ON_FILE;
        }
        OptionalInt last = span.held.lastBefore(day);
        if (last.isPresent() && day <= last.getAsInt() + requirement.graceDays()) {
            return Status.IN_GRACE;
        }
        if (span.ifAccepted.contains(day)) {
            return Status.IN_REVIEW;
        }
        if (span.ifSigned.contains(day)) {
            return Status.AWAITING_SIGNATURE;
        }
        return last.isPresent() ? Status.LAPSED : statusWithoutEvidence(day, span);
    }

    private Status statusWithoutEvidence(int day, Span span) {
        if (hasSentBack) {
            return Status.SENT_BACK;
        }
        int due = dueDay(day, span);
        return due != NO_DUE && day <= due ? Status.NOT_YET_DUE : Status.MISSING;
    }

    private Span spanHolding(int day) {
        for (Span span : spans) {
            if (span.contains(day)) {
                return span;
            }
        }
        throw new IllegalStateException("It applies on a day that no active span holds");
    }

    private int dueDay(int day, Span span) {
        Due due = requirement.due();
        if (due instanceof Due.FromStart fromStart) {
            return span.start == null ? NO_DUE : span.first + fromStart.days();
        }
        if (due instanceof Due.FromApplies fromApplies) {
            int first = applies.startOfRun(day);
            return first == DaySet.SINCE_EVER ? NO_DUE : first + fromApplies.days();
        }
        if (due instanceof Due.FromFact fromFact && dueFact != null) {
            Optional<LocalDate> counted = dueFact.on(day).flatMap(FactValue::asDay);
            return counted.map(d -> DaySet.dayNumber(d) + fromFact.days()).orElse(NO_DUE);
        }
        return NO_DUE;
    }

    /** The whole answer for a day. */
    RequirementAnswer on(LocalDate asked) {
        int day = DaySet.dayNumber(asked);
        Status status = statusOn(day);
        if (status == Status.NOT_APPLICABLE) {
            return new RequirementAnswer(
                    checklist,
                    requirement.code(),
                    requirement.level(),
                    status,
                    null,
                    null,
                    Renewal.NONE,
                    nextChange(day, status),
                    List.of());
        }
        Span span = spanHolding(day);
        int due = dueDay(day, span);
        return new RequirementAnswer(
                checklist,
                requirement.code(),
                requirement.level(),
                status,
                coveredThrough(day, status, span),
                due == NO_DUE ? null : LocalDate.ofEpochDay(due),
                renewal(day, status, span),
                nextChange(day, status),
                counted(asked, status, span));
    }

    private static @Nullable LocalDate coveredThrough(int day, Status status, Span span) {
        return switch (status) {
            case ON_FILE, EXPIRING -> {
                int end = span.held.endOfRun(day);
                yield end == DaySet.NEVER_ENDS ? null : LocalDate.ofEpochDay(end - 1L);
            }
            case IN_GRACE, LAPSED ->
                LocalDate.ofEpochDay(span.held.lastBefore(day).orElseThrow());
            default -> null;
        };
    }

    private static Renewal renewal(int day, Status status, Span span) {
        return switch (status) {
            case EXPIRING -> {
                int end = span.held.endOfRun(day);
                yield span.ifAccepted.endOfRun(day) > end
                        ? Renewal.IN_REVIEW
                        : span.ifSigned.endOfRun(day) > end ? Renewal.AWAITING_SIGNATURE : Renewal.NONE;
            }
            case IN_GRACE, LAPSED ->
                span.ifAccepted.contains(day)
                        ? Renewal.IN_REVIEW
                        : span.ifSigned.contains(day) ? Renewal.AWAITING_SIGNATURE : Renewal.NONE;
            default -> Renewal.NONE;
        };
    }

    private List<String> counted(LocalDate day, Status status, Span span) {
        if (status != Status.ON_FILE && status != Status.EXPIRING) {
            return List.of();
        }
        return new DocumentReasons(file, requirement, evidence(Assumption.AS_DECIDED, span.start), span.start)
                .counted(day);
    }

    /** The first day from {@code day} on, and before {@code limit}, with an open status; else {@code NEVER_ENDS}. */
    int firstOpenDay(int day, int limit) {
        if (statusOn(day).isOpen()) {
            return day;
        }
        for (int change : changeDays()) {
            if (change >= limit) {
                break;
            }
            if (change > day && statusOn(change).isOpen()) {
                return change;
            }
        }
        return DaySet.NEVER_ENDS;
    }

    /** Why each document of its types does or does not count on a day, in the order of the person's documents. */
    List<DocumentReason> reasonsOn(LocalDate day) {
        int number = DaySet.dayNumber(day);
        LocalDate start = applies.contains(number) ? spanHolding(number).start : null;
        return new DocumentReasons(file, requirement, evidence(Assumption.AS_DECIDED, start), start).on(day);
    }

    @Override
    int[] changeDays() {
        if (changeDays == null) {
            ChangeDays days = new ChangeDays();
            days.addEdges(applies);
            days.addEdges(waived);
            spans.forEach(span -> addChangeDays(span, days));
            if (requirement.due() instanceof Due.FromApplies fromApplies) {
                for (int i = 0; i < applies.edgeCount(); i += 2) {
                    days.addShifted(applies.edge(i), fromApplies.days() + 1);
                }
            }
            if (requirement.due() instanceof Due.FromFact fromFact && dueFact != null) {
                for (FactTimeline.Stretch stretch : dueFact.stretches()) {
                    days.addEdges(stretch.days());
                    stretch.value().asDay().ifPresent(d -> days.addShifted(DaySet.dayNumber(d), fromFact.days() + 1));
                }
            }
            changeDays = days.sorted();
        }
        return changeDays;
    }

    private void addChangeDays(Span span, ChangeDays days) {
        days.addShifted(span.first, 0);
        days.addShifted(span.end, 0);
        days.addEdges(span.held);
        for (int i = 1; i < span.held.edgeCount(); i += 2) {
            days.addShifted(span.held.edge(i), -1 - requirement.leadDays());
            days.addShifted(span.held.edge(i), requirement.graceDays());
        }
        if (span.ifAccepted != span.held) {
            days.addEdges(span.ifAccepted);
        }
        if (span.ifSigned != span.ifAccepted) {
            days.addEdges(span.ifSigned);
        }
        if (requirement.due() instanceof Due.FromStart fromStart) {
            days.addShifted(span.first, fromStart.days() + 1);
        }
    }

    /** Collects days; absent ends are left out. */
    private static final class ChangeDays {
        private int[] days = new int[16];
        private int length;

        void addEdges(DaySet set) {
            for (int i = 0; i < set.edgeCount(); i++) {
                addShifted(set.edge(i), 0);
            }
        }

        void addShifted(int edge, int by) {
            if (edge == DaySet.SINCE_EVER || edge == DaySet.NEVER_ENDS) {
                return;
            }
            if (length == days.length) {
                days = Arrays.copyOf(days, 2 * length);
            }
            days[length++] = edge + by;
        }

        int[] sorted() {
            int[] result = Arrays.copyOf(days, length);
            Arrays.sort(result);
            return result;
        }
    }
}
