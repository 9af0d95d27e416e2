package app.denfold.core.rules;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * One thing that a file must hold.
 *
 * @param code unique within its checklist
 * @param appliesWhen besides the checklist's own condition
 * @param signedBy roles that must have signed a document before it counts
 * @param due null: due at once
 * @param leadDays for how many days before its last valid day a slot is expiring; 0 or more
 * @param graceDays for how many days after its last valid day a slot is in grace; 0 or more
 * @param needsReview whether only accepted documents count
 */
public record Requirement(
        String code,
        Condition appliesWhen,
        Evidence evidence,
        List<String> signedBy,
        @Nullable Due due,
        int leadDays,
        int graceDays,
        boolean needsReview,
        Level level) {

    public Requirement {
        signedBy = List.copyOf(new LinkedHashSet<>(signedBy));
        requireDays(leadDays, "Lead");
        requireDays(graceDays, "Grace");
    }

    /** Whether an unmet requirement keeps a file from being clear. */
    public enum Level {
        BLOCKING,
        ADVISORY
    }

    /** A blocking requirement without review, signatures, lead or grace, due at once. */
    public static Requirement of(String code, Evidence evidence) {
        return new Requirement(code, Condition.always(), evidence, List.of(), null, 0, 0, false, Level.BLOCKING);
    }

    public Requirement when(Condition condition) {
        return new Requirement(code, condition, evidence, signedBy, due, leadDays, graceDays, needsReview, level);
    }

    public Requirement lead(int days) {
        return new Requirement(code, appliesWhen, evidence, signedBy, due, days, graceDays, needsReview, level);
    }

    public Requirement grace(int days) {
        return new Requirement(code, appliesWhen, evidence, signedBy, due, leadDays, days, needsReview, level);
    }

    public Requirement reviewed() {
        return new Requirement(code, appliesWhen, evidence, signedBy, due, leadDays, graceDays, true, level);
    }

    public Requirement due(Due rule) {
        return new Requirement(code, appliesWhen, evidence, signedBy, rule, leadDays, graceDays, needsReview, level);
    }

    public Requirement signedBy(String... roles) {
        return new Requirement(
                code, appliesWhen, evidence, List.of(roles), due, leadDays, graceDays, needsReview, level);
    }

    public Requirement advisory() {
        return new Requirement(
                code, appliesWhen, evidence, signedBy, due, leadDays, graceDays, needsReview, Level.ADVISORY);
    }

    /** The codes of the types it looks at, each once, in the order of its evidence. */
    public Set<String> types() {
        Set<String> types = new LinkedHashSet<>();
        evidence.types().forEach(types::add);
        return types;
    }

    private static void requireDays(int days, String what) {
        if (days < 0 || days > 100_000) {
            throw new IllegalArgumentException(what + " days must be from 0 to 100000, not " + days);
        }
    }
}
