package app.denfold.core.rules;

import java.time.LocalDate;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A second, naive reading of the rules: it walks days one by one within a bounded world and keeps no day sets. Slow and
 * plain on purpose; only for comparing.
 */
final class DayByDay {

    private final RuleBook book;
    private final Person person;
    private final LocalDate known;
    private final LocalDate worldFirst;
    private final LocalDate worldLast;
    private final Map<List<Object>, Map<LocalDate, Boolean>> held = new HashMap<>();

    DayByDay(RuleBook book, Person person, LocalDate known, LocalDate worldFirst, LocalDate worldLast) {
        this.book = book;
        this.person = person;
        this.known = known;
        this.worldFirst = worldFirst;
        this.worldLast = worldLast;
    }

    Status status(Checklist list, Requirement r, LocalDate day) {
        if (!applies(list, r, day)) {
            return Status.NOT_APPLICABLE;
        }
        boolean waived = person.waivers().stream()
                .anyMatch(w -> w.checklist().equals(list.code())
                        && w.requirement().equals(r.code())
                        && !w.recordedOn().isAfter(known)
                        && w.window().contains(day));
        if (waived) {
            return Status.WAIVED;
        }
        LocalDate start = startAt(day);
        if (holds(r, Assumption.AS_DECIDED, start, day)) {
            LocalDate last = runEnd(r, Assumption.AS_DECIDED, start, day);
            return last != null && !last.isAfter(day.plusDays(r.leadDays())) ? Status.EXPIRING : Status.ON_FILE;
        }
        LocalDate lastHeld = lastHeld(r, start, day);
        if (lastHeld != null && !day.isAfter(lastHeld.plusDays(r.graceDays()))) {
            return Status.IN_GRACE;
        }
        if (holds(r, Assumption.REVIEWS_ACCEPTED, start, day)) {
            return Status.IN_REVIEW;
        }
        if (holds(r, Assumption.SIGNATURES_GIVEN, start, day)) {
            return Status.AWAITING_SIGNATURE;
        }
        if (lastHeld != null) {
            return Status.LAPSED;
        }
        boolean sentBack = person.documents().stream()
                .anyMatch(d -> r.types().contains(d.type()) && exists(d) && decision(d) == -1);
        if (sentBack) {
            return Status.SENT_BACK;
        }
        LocalDate due = due(list, r, day);
        return due != null && !day.isAfter(due) ? Status.NOT_YET_DUE : Status.MISSING;
    }

    Renewal renewal(Checklist list, Requirement r, LocalDate day) {
        Status status = status(list, r, day);
        LocalDate start = startAt(day);
        if (status == Status.EXPIRING) {
            LocalDate now = runEnd(r, Assumption.AS_DECIDED, start, day);
            return reachesBeyond(runEnd(r, Assumption.REVIEWS_ACCEPTED, start, day), now)
                    ? Renewal.IN_REVIEW
                    : reachesBeyond(runEnd(r, Assumption.SIGNATURES_GIVEN, start, day), now)
                            ? Renewal.AWAITING_SIGNATURE
                            : Renewal.NONE;
        }
        if (status == Status.IN_GRACE || status == Status.LAPSED) {
            return holds(r, Assumption.REVIEWS_ACCEPTED, start, day)
                    ? Renewal.IN_REVIEW
                    : holds(r, Assumption.SIGNATURES_GIVEN, start, day) ? Renewal.AWAITING_SIGNATURE : Renewal.NONE;
        }
        return Renewal.NONE;
    }

    private static boolean reachesBeyond(@Nullable LocalDate end, @Nullable LocalDate now) {
        return now != null && (end == null || end.isAfter(now));
    }

    RequirementAnswer.@Nullable Change nextChange(Checklist list, Requirement r, LocalDate day) {
        Status now = status(list, r, day);
        for (LocalDate d = day.plusDays(1); !d.isAfter(worldLast); d = d.plusDays(1)) {
            Status then = status(list, r, d);
            if (then != now) {
                return new RequirementAnswer.Change(d, then);
            }
        }
        return null;
    }

    boolean isClear(LocalDate day) {
        return book.checklists().stream().allMatch(list -> list.requirements().stream()
                .allMatch(r -> r.level() == Requirement.Level.ADVISORY
                        || !status(list, r, day).isOpen()));
    }

    private boolean applies(Checklist list, Requirement r, LocalDate day) {
        return person.active().stream().anyMatch(w -> w.contains(day))
                && list.inForce().contains(day)
                && test(list.appliesWhen(), day)
                && test(r.appliesWhen(), day);
    }

    private @Nullable LocalDate startAt(LocalDate day) {
        return person.active().stream()
                .filter(w -> w.contains(day))
                .findFirst()
                .flatMap(w -> w.firstDay())
                .orElse(null);
    }

    private Optional<FactValue> fact(String name, LocalDate day) {
        if (name.equals(Condition.KIND)) {
            return Optional.of(FactValue.text(person.kind()));
        }
        FactValue value = null;
        for (Person.Fact f : person.facts()) {
            if (f.name().equals(name) && f.window().contains(day)) {
                value = f.value();
            }
        }
        return Optional.ofNullable(value);
    }

    private boolean test(Condition c, LocalDate day) {
        if (c instanceof Condition.Is is) {
            return fact(is.fact(), day).filter(is.value()::equals).isPresent();
        }
        if (c instanceof Condition.IsNot isNot) {
            return fact(isNot.fact(), day).filter(v -> !v.equals(isNot.value())).isPresent();
        }
        if (c instanceof Condition.In in) {
            return fact(in.fact(), day).filter(in.values()::contains).isPresent();
        }
        if (c instanceof Condition.AgeUnder under) {
            return person.birthDate() != null && day.isBefore(person.birthDate().plusYears(under.age()));
        }
        if (c instanceof Condition.AgeAtLeast atLeast) {
            return person.birthDate() != null
                    && !day.isBefore(person.birthDate().plusYears(atLeast.age()));
        }
        if (c instanceof Condition.All all) {
            return all.parts().stream().allMatch(p -> test(p, day));
        }
        if (c instanceof Condition.Any any) {
            return any.parts().stream().anyMatch(p -> test(p, day));
        }
        return !test(((Condition.Not) c).part(), day);
    }

    private @Nullable LocalDate due(Checklist list, Requirement r, LocalDate day) {
        if (r.due() instanceof Due.FromStart s) {
            LocalDate start = startAt(day);
            return start == null ? null : start.plusDays(s.days());
        }
        if (r.due() instanceof Due.FromApplies a) {
            LocalDate first = day;
            while (applies(list, r, first.minusDays(1))) {
                first = first.minusDays(1);
                if (first.isBefore(worldFirst)) {
                    return null;
                }
            }
            return first.plusDays(a.days());
        }
        if (r.due() instanceof Due.FromFact f) {
            return fact(f.name(), day)
                    .flatMap(FactValue::asDay)
                    .map(d -> d.plusDays(f.days()))
                    .orElse(null);
        }
        return null;
    }

    private boolean exists(Document d) {
        return !d.receivedOn().isAfter(known)
                && (d.enteredInErrorOn() == null || d.enteredInErrorOn().isAfter(known));
    }

    /** 1 accepted, 0 pending, -1 sent back. */
    private int decision(Document d) {
        LocalDate yes = d.acceptedOn() != null && !d.acceptedOn().isAfter(known) ? d.acceptedOn() : null;
        LocalDate no = d.sentBackOn() != null && !d.sentBackOn().isAfter(known) ? d.sentBackOn() : null;
        if (yes == null && no == null) {
            return 0;
        }
        return no == null || (yes != null && !yes.isBefore(no)) ? 1 : -1;
    }

    private boolean valid(
            Requirement r, Evidence.Leaf leaf, Document d, Assumption as, LocalDate start, LocalDate day) {
        if (!d.type().equals(leaf.type()) || !exists(d) || decision(d) < 0) {
            return false;
        }
        if (r.needsReview() && decision(d) == 0 && as == Assumption.AS_DECIDED) {
            return false;
        }
        if (leaf.notBeforeStartPlus() != null
                && start != null
                && d.documentDate().isBefore(start.plusDays(leaf.notBeforeStartPlus()))) {
            return false;
        }
        LocalDate from = d.effectiveDate() != null ? d.effectiveDate() : d.documentDate();
        for (String role : r.signedBy()) {
            LocalDate signed = d.signatures().stream()
                    .filter(s -> s.role().equals(role) && !s.on().isAfter(known))
                    .map(Document.Signature::on)
                    .min(LocalDate::compareTo)
                    .orElse(null);
            if (signed == null && as != Assumption.SIGNATURES_GIVEN) {
                return false;
            }
            from = signed != null && signed.isAfter(from) ? signed : from;
        }
        LocalDate end = book.type(d.type())
                .validity()
                .lastValidDay(d, person.birthDate())
                .orElse(LocalDate.MAX);
        if (leaf.within() != null && d.documentDate().plus(leaf.within()).isBefore(end)) {
            end = d.documentDate().plus(leaf.within());
        }
        return !day.isBefore(from) && !day.isAfter(end);
    }

    private long validCount(Requirement r, Evidence.Leaf leaf, Assumption as, LocalDate start, LocalDate day) {
        return person.documents().stream()
                .filter(d -> valid(r, leaf, d, as, start, day))
                .count();
    }

    /** Asked again and again for the same days, so each answer is worked out once. */
    private boolean holds(Requirement r, Assumption as, @Nullable LocalDate start, LocalDate day) {
        Map<LocalDate, Boolean> answers = held.computeIfAbsent(Arrays.asList(r, as, start), key -> new HashMap<>());
        return answers.computeIfAbsent(day, d -> holds(r, r.evidence(), as, start, d));
    }

    private boolean holds(Requirement r, Evidence e, Assumption as, @Nullable LocalDate start, LocalDate day) {
        if (e instanceof Evidence.OfType t) {
            return validCount(r, t.leaf(), as, start, day) >= t.count();
        }
        if (e instanceof Evidence.AnyOf any) {
            return any.parts().stream().anyMatch(p -> holds(r, p, as, start, day));
        }
        if (e instanceof Evidence.AllOf all) {
            return all.parts().stream().allMatch(p -> holds(r, p, as, start, day));
        }
        Evidence.Points points = (Evidence.Points) e;
        long sum = 0;
        for (Evidence.Points.Entry entry : points.entries()) {
            long n = validCount(r, entry.leaf(), as, start, day);
            sum += entry.points() * Math.min(entry.atMost() == null ? n : entry.atMost(), n);
        }
        return sum >= points.points();
    }

    private @Nullable LocalDate runEnd(Requirement r, Assumption as, @Nullable LocalDate start, LocalDate day) {
        for (LocalDate d = day; !d.isAfter(worldLast); d = d.plusDays(1)) {
            if (!holds(r, as, start, d)) {
                return d.minusDays(1);
            }
        }
        return null;
    }

    private @Nullable LocalDate lastHeld(Requirement r, @Nullable LocalDate start, LocalDate day) {
        for (LocalDate d = day.minusDays(1); !d.isBefore(worldFirst); d = d.minusDays(1)) {
            if (holds(r, Assumption.AS_DECIDED, start, d)) {
                return d;
            }
        }
        return null;
    }

    List<Checklist> checklists() {
        return book.checklists();
    }
}
