package app.denfold.core.rules;

import app.denfold.core.days.DaySet;
import app.denfold.core.days.DaySetSweep;
import java.time.LocalDate;
import java.util.List;
import java.util.OptionalInt;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** On which days the evidence of one requirement holds, under one assumption and with one start. */
final class EvidenceDays {

    private final Requirement requirement;
    private final Assumption assumption;
    private final @Nullable LocalDate start;
    private final Function<String, List<KnownDocument>> documentsOfType;

    EvidenceDays(
            Requirement requirement,
            Assumption assumption,
            @Nullable LocalDate start,
            Function<String, List<KnownDocument>> documentsOfType) {
        this.requirement = requirement;
        this.assumption = assumption;
        this.start = start;
        this.documentsOfType = documentsOfType;
    }

    DaySet days() {
        return days(requirement.evidence());
    }

    private DaySet days(Evidence evidence) {
        if (evidence instanceof Evidence.OfType ofType) {
            return sweep(ofType.leaf(), 1).daysWithAtLeast(ofType.count());
        }
        if (evidence instanceof Evidence.AnyOf any) {
            DaySet days = DaySet.none();
            for (Evidence part : any.parts()) {
                days = days.union(days(part));
            }
            return days;
        }
        if (evidence instanceof Evidence.AllOf all) {
            DaySet days = DaySet.all();
            for (Evidence part : all.parts()) {
                days = days.intersect(days(part));
            }
            return days;
        }
        return points((Evidence.Points) evidence);
    }

    private DaySet points(Evidence.Points points) {
        DaySetSweep total = new DaySetSweep(2 * points.entries().size());
        for (Evidence.Points.Entry entry : points.entries()) {
            Integer cap = entry.atMost();
            if (cap == null) {
                addWindows(entry.leaf(), entry.points(), total);
            } else {
                capped(entry, cap, total);
            }
        }
        return total.daysWithAtLeast(points.points());
    }

    /** min(cap, n) documents are worth as much as the days with at least 1, with at least 2, … up to the cap. */
    private void capped(Evidence.Points.Entry entry, int cap, DaySetSweep total) {
        int most = Math.min(cap, documentsOfType.apply(entry.leaf().type()).size());
        for (int count = 1; count <= most; count++) {
            total.add(sweep(entry.leaf(), 1).daysWithAtLeast(count), entry.points());
        }
    }

    private DaySetSweep sweep(Evidence.Leaf leaf, int weight) {
        DaySetSweep sweep = new DaySetSweep(documentsOfType.apply(leaf.type()).size());
        addWindows(leaf, weight, sweep);
        return sweep;
    }

    private void addWindows(Evidence.Leaf leaf, int weight, DaySetSweep sweep) {
        for (KnownDocument document : documentsOfType.apply(leaf.type())) {
            OptionalInt first = firstDay(document, leaf);
            int end = document.end(leaf);
            if (first.isPresent() && first.getAsInt() < end) {
                sweep.add(first.getAsInt(), end, weight);
            }
        }
    }

    /** The first day of the document's window for a leaf; empty when the document does not count for it. */
    OptionalInt firstDay(KnownDocument document, Evidence.Leaf leaf) {
        if (!document.passesReview(requirement, assumption) || !document.isFreshEnough(leaf, start)) {
            return OptionalInt.empty();
        }
        return document.firstDay(requirement, assumption);
    }
}
