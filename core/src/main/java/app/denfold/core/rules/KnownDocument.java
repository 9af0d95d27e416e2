package app.denfold.core.rules;

import app.denfold.core.days.DaySet;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import org.jspecify.annotations.Nullable;

/** A document that exists on the knowledge day, with what is known of it then. */
final class KnownDocument {

    private final Document document;
    private final Decision decision;
    private final LocalDate known;
    private final int endByType;

    KnownDocument(Document document, LocalDate known, int endByType) {
        this.document = document;
        this.decision = document.decisionAt(known);
        this.known = known;
        this.endByType = endByType;
    }

    Document document() {
        return document;
    }

    Decision decision() {
        return decision;
    }

    /** Whether its decision lets it count for a requirement under an assumption. */
    boolean passesReview(Requirement requirement, Assumption assumption) {
        return switch (decision) {
            case ACCEPTED -> true;
            case SENT_BACK -> false;
            case PENDING -> !requirement.needsReview() || assumption != Assumption.AS_DECIDED;
        };
    }

    boolean isFreshEnough(Evidence.Leaf leaf, @Nullable LocalDate start) {
        Integer days = leaf.notBeforeStartPlus();
        return start == null || days == null || !document.documentDate().isBefore(start.plusDays(days));
    }

    /** The roles that have not signed by the knowledge day, in the requirement's order. */
    List<String> unsignedBy(Requirement requirement) {
        List<String> missing = new ArrayList<>();
        for (String role : requirement.signedBy()) {
            if (firstSignature(role) == null) {
                missing.add(role);
            }
        }
        return missing;
    }

    /**
     * The first day of the document's window for a requirement: the day it starts or the latest of the roles' first
     * signatures. Empty when a signature is missing, unless missing ones are assumed to be there.
     */
    OptionalInt firstDay(Requirement requirement, Assumption assumption) {
        LocalDate first = document.starts();
        for (String role : requirement.signedBy()) {
            LocalDate signed = firstSignature(role);
            if (signed == null) {
                if (assumption != Assumption.SIGNATURES_GIVEN) {
                    return OptionalInt.empty();
                }
            } else if (signed.isAfter(first)) {
                first = signed;
            }
        }
        return OptionalInt.of(DaySet.dayNumber(first));
    }

    /** The edge behind its last valid day for a leaf, freshness included. */
    int end(Evidence.Leaf leaf) {
        if (leaf.within() == null) {
            return endByType;
        }
        return Math.min(endByType, DaySet.edgeAfterLast(document.documentDate().plus(leaf.within())));
    }

    private @Nullable LocalDate firstSignature(String role) {
        LocalDate first = null;
        for (Document.Signature signature : document.signatures()) {
            if (signature.role().equals(role)
                    && !signature.on().isAfter(known)
                    && (first == null || signature.on().isBefore(first))) {
                first = signature.on();
            }
        }
        return first;
    }
}
