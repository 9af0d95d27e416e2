package app.denfold.core.rules;

import app.denfold.core.days.DaySet;
import app.denfold.core.days.Window;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.OptionalInt;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Says for each document of a requirement's types why it counts or does not on a day. */
final class DocumentReasons {

    private final KnownFile file;
    private final Requirement requirement;
    private final EvidenceDays evidence;
    private final @Nullable LocalDate start;
    private final List<Evidence.Leaf> leaves;

    DocumentReasons(KnownFile file, Requirement requirement, EvidenceDays evidence, @Nullable LocalDate start) {
        this.file = file;
        this.requirement = requirement;
        this.evidence = evidence;
        this.start = start;
        this.leaves = new ArrayList<>();
        collectLeaves(requirement.evidence());
    }

    private void collectLeaves(Evidence part) {
        if (part instanceof Evidence.OfType ofType) {
            leaves.add(ofType.leaf());
        } else if (part instanceof Evidence.AnyOf any) {
            any.parts().forEach(this::collectLeaves);
        } else if (part instanceof Evidence.AllOf all) {
            all.parts().forEach(this::collectLeaves);
        } else if (part instanceof Evidence.Points points) {
            points.entries().forEach(entry -> leaves.add(entry.leaf()));
        }
    }

    /** Ids of the documents whose window for some leaf holds the day, in the order of the person's documents. */
    List<String> counted(LocalDate day) {
        int asked = DaySet.dayNumber(day);
        List<String> ids = new ArrayList<>();
        if (leaves.size() == 1) {
            // one type alone: its documents are at hand, in the person's order
            for (KnownDocument known : file.existing(leaves.get(0).type())) {
                if (holds(known, leaves.get(0), asked)) {
                    ids.add(known.document().id());
                }
            }
            return ids;
        }
        for (Document document : file.person().documents()) {
            boolean first = ids.isEmpty() || !ids.get(ids.size() - 1).equals(document.id());
            if (first && document.existsAt(file.known()) && holds(document, asked)) {
                ids.add(document.id());
            }
        }
        return ids;
    }

    private boolean holds(Document document, int day) {
        for (Evidence.Leaf leaf : leaves) {
            if (leaf.type().equals(document.type()) && holds(known(document), leaf, day)) {
                return true;
            }
        }
        return false;
    }

    private boolean holds(KnownDocument known, Evidence.Leaf leaf, int day) {
        OptionalInt first = evidence.firstDay(known, leaf);
        return first.isPresent() && first.getAsInt() <= day && day < known.end(leaf);
    }

    private KnownDocument known(Document document) {
        return file.existing(document.type()).stream()
                .filter(k -> k.document() == document)
                .findFirst()
                .orElseThrow();
    }

    List<DocumentReason> on(LocalDate day) {
        Set<String> types = requirement.types();
        List<DocumentReason> reasons = new ArrayList<>();
        for (Document document : file.person().documents()) {
            if (types.contains(document.type())) {
                DocumentReason reason = new DocumentReason(document.id(), why(document, day));
                DocumentReason before = reasons.isEmpty() ? null : reasons.get(reasons.size() - 1);
                if (before == null || !before.documentId().equals(reason.documentId())) {
                    reasons.add(reason);
                } else if (reason.why() instanceof DocumentReason.Counts) {
                    // one paper as another of its types: that it counts goes before why it does not
                    reasons.set(reasons.size() - 1, reason);
                }
            }
        }
        return reasons;
    }

    private DocumentReason.Why why(Document document, LocalDate day) {
        if (document.receivedOn().isAfter(file.known())) {
            return new DocumentReason.NotYetReceived(document.receivedOn());
        }
        LocalDate inError = document.enteredInErrorOn();
        if (inError != null && document.isEnteredInErrorAt(file.known())) {
            return new DocumentReason.EnteredInError(inError);
        }
        KnownDocument known = known(document);
        DocumentReason.Why first = null;
        for (Evidence.Leaf leaf : leaves) {
            if (leaf.type().equals(document.type())) {
                DocumentReason.Why why = why(known, leaf, day);
                if (why instanceof DocumentReason.Counts) {
                    return why;
                }
                first = first == null ? why : first;
            }
        }
        return Objects.requireNonNull(first);
    }

    private DocumentReason.Why why(KnownDocument known, Evidence.Leaf leaf, LocalDate day) {
        Document document = known.document();
        if (known.decision() == Decision.SENT_BACK) {
            return new DocumentReason.SentBack(Objects.requireNonNull(document.sentBackOn()));
        }
        if (!known.passesReview(requirement, Assumption.AS_DECIDED)) {
            return new DocumentReason.PendingReview();
        }
        if (!known.isFreshEnough(leaf, start)) {
            return new DocumentReason.DatedBefore(
                    Objects.requireNonNull(start).plusDays(leaf.notBefore().orElseThrow()));
        }
        OptionalInt first = evidence.firstDay(known, leaf);
        return first.isEmpty()
                ? new DocumentReason.UnsignedBy(known.unsignedBy(requirement))
                : byWindow(known, leaf, first.getAsInt(), DaySet.dayNumber(day));
    }

    private static DocumentReason.Why byWindow(KnownDocument known, Evidence.Leaf leaf, int first, int day) {
        int end = known.end(leaf);
        if (first >= end) {
            return new DocumentReason.NeverValid();
        }
        if (day < first) {
            return new DocumentReason.NotYetValid(LocalDate.ofEpochDay(first));
        }
        if (day < end) {
            Window window = DaySet.ofEdges(first, end).windows().get(0);
            return new DocumentReason.Counts(window);
        }
        LocalDate last = LocalDate.ofEpochDay(end - 1L);
        return end < known.end(Evidence.Leaf.of(leaf.type()))
                ? new DocumentReason.TooOld(last)
                : new DocumentReason.Expired(last);
    }
}
