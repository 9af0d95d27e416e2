package app.denfold.core.people;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Who is written to about a person, and who signs for the person. A child is neither addressed nor signs: a guardian does,
 * and where no guardian is known a parent. Where nobody fits, nobody is proposed, and whoever is at the desk is asked.
 */
public final class Representation {

    /** From this age on, in whole years, a person acts for themselves. */
    public static final int OF_AGE = 18;

    /** Roles of signers that are somebody else's than the person's own. */
    private static final Set<String> OTHERS = Set.of("director", "yard", "practice", "witness");

    private Representation() {}

    /**
     * Somebody who can be addressed or sign.
     *
     * @param kind what they are to the person; null for the person
     * @param email null when no address is known
     */
    public record Somebody(
            @Nullable RelationKind kind,
            String name,
            @Nullable String email) {}

    /** @param birthDate null when unknown: the person then counts as of age */
    public static boolean isChild(@Nullable LocalDate birthDate, LocalDate on) {
        return birthDate != null && birthDate.plusYears(OF_AGE).isAfter(on);
    }

    /**
     * Who is written to about the person.
     *
     * @param related those around the person, in the order in which they were entered
     * @return first the one proposed; empty when nobody who may be addressed has an address
     */
    public static List<Somebody> addressees(
            Somebody person, @Nullable LocalDate birthDate, List<Somebody> related, LocalDate on) {
        return receiving(person, birthDate, related, on).stream()
                .filter(s -> s.email() != null)
                .toList();
    }

    /**
     * Who receives what is the person's own.
     *
     * @return the person, or all guardians of a child; empty for a child of whom none is known
     */
    public static List<Somebody> receiving(
            Somebody person, @Nullable LocalDate birthDate, List<Somebody> related, LocalDate on) {
        return isChild(birthDate, on) ? guardians(related) : List.of(person);
    }

    /**
     * Who signs in a role of a paper's type.
     *
     * @param role such as {@code guardian}, {@code payer}, {@code physician} or {@code patient}; a role that is not the name
     *     of a relation, and nobody of the practice's, is the person's own
     * @return empty when nobody fits, or several do
     */
    public static Optional<Somebody> signer(
            String role, Somebody person, @Nullable LocalDate birthDate, List<Somebody> related, LocalDate on) {
        if (OTHERS.contains(role)) {
            return Optional.empty();
        }
        boolean child = isChild(birthDate, on);
        return switch (role) {
            case "guardian" -> child ? only(guardians(related)) : Optional.empty();
            case "payer" -> {
                List<Somebody> payers = of(related, RelationKind.PAYER);
                yield payers.isEmpty() ? ownOrGuardian(person, child, related) : only(payers);
            }
            default -> {
                Optional<RelationKind> kind = kindNamed(role);
                yield kind.isPresent() ? only(of(related, kind.get())) : ownOrGuardian(person, child, related);
            }
        };
    }

    private static Optional<RelationKind> kindNamed(String role) {
        for (RelationKind kind : RelationKind.values()) {
            if (kind.label().equals(role) || kind.name().equalsIgnoreCase(role.replace('-', '_'))) {
                return Optional.of(kind);
            }
        }
        return Optional.empty();
    }

    private static Optional<Somebody> ownOrGuardian(Somebody person, boolean child, List<Somebody> related) {
        return child ? only(guardians(related)) : Optional.of(person);
    }

    /** Guardians, and where none is known parents. */
    private static List<Somebody> guardians(List<Somebody> related) {
        List<Somebody> guardians = of(related, RelationKind.GUARDIAN);
        return guardians.isEmpty() ? of(related, RelationKind.PARENT) : guardians;
    }

    private static List<Somebody> of(List<Somebody> related, RelationKind kind) {
        return related.stream().filter(s -> s.kind() == kind).toList();
    }

    private static Optional<Somebody> only(List<Somebody> fit) {
        return fit.size() == 1 ? Optional.of(fit.get(0)) : Optional.empty();
    }
}
