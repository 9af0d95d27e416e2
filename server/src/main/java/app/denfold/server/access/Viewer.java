package app.denfold.server.access;

import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import jakarta.servlet.http.HttpServletRequest;
import java.util.Collection;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;

/**
 * The account behind a request, with its present rights. Whether it may know of something is asked here and nowhere else:
 * of every row, count, name, mail, line of the trail and event.
 *
 * @param sight whose files it may see
 * @param marking what it may do with marks on pages
 * @param hiddenTypes codes of the document types of which it may know nothing
 * @param hiddenFacts facts of persons of which it may know nothing, as {@link #fact} writes them
 */
public record Viewer(
        UUID accountId,
        String name,
        String email,
        Role role,
        Sight sight,
        boolean seesSensitive,
        boolean mayChange,
        Marking marking,
        Set<String> hiddenTypes,
        Set<String> hiddenFacts) {

    /** No account has this id. */
    private static final UUID NOBODY = new UUID(0, 0);

    private static final String BEHIND = Viewer.class.getName();

    public Viewer {
        hiddenTypes = Set.copyOf(hiddenTypes);
        hiddenFacts = Set.copyOf(hiddenFacts);
    }

    /** The product itself, which sees everything and changes nothing. */
    public static Viewer product() {
        return new Viewer(
                NOBODY, "", "", Role.ADMINISTRATOR, Sight.EVERYBODY, true, false, Marking.SEES, Set.of(), Set.of());
    }

    public Actor actor() {
        return new Actor(accountId.equals(NOBODY) ? null : accountId, name);
    }

    public boolean isAdministrator() {
        return role == Role.ADMINISTRATOR;
    }

    /** Whether it may know of a file. @param team of the file; null when it has none */
    public boolean maySeeFile(UUID file, @Nullable String team) {
        return sight.covers(file, team);
    }

    /** Whether it may know of the files of everybody, and so also of papers that lie in no file yet. */
    public boolean seesEverybody() {
        return sight.everybody();
    }

    /** Keeps it with the request it is behind. */
    public void behind(HttpServletRequest request) {
        request.setAttribute(BEHIND, this);
    }

    /** The account behind a request; empty when nobody's rights were asked for it. */
    public static Optional<Viewer> behindOf(HttpServletRequest request) {
        return Optional.ofNullable((Viewer) request.getAttribute(BEHIND));
    }

    /** Whether it may know of a paper, or of words about papers, of all these types. */
    public boolean maySee(Collection<String> types) {
        return types.stream().noneMatch(hiddenTypes::contains);
    }

    /** Whether it may know of a requirement that papers of any of these types meet. */
    public boolean maySeeAny(Collection<String> types) {
        return types.isEmpty() || !hiddenTypes.containsAll(types);
    }

    /** Whether it may know a fact of persons of a kind. */
    public boolean maySeeFact(String kind, String name) {
        return !hiddenFacts.contains(fact(kind, name));
    }

    /** How a fact of a kind is named among the hidden ones. */
    public static String fact(String kind, String name) {
        return kind + "/" + name;
    }

    /** @throws Refusal when the account may only look */
    public void requireChange() {
        if (!mayChange) {
            throw Refusal.forbidden("Your account may look at files but not change them.");
        }
    }

    /** @throws Refusal when the account may not do this with marks */
    public void require(Marking wanted) {
        if (!marking.covers(wanted)) {
            throw Refusal.forbidden(
                    switch (wanted) {
                        case OPENS_COVERS -> "Your account may not give out copies with open covers.";
                        case MAKES -> "Your account may not put marks on pages.";
                        default -> "Your account may not see marks on pages.";
                    });
        }
    }

    /** @throws Refusal when the account is not an administrator's */
    public void requireAdministrator() {
        if (!isAdministrator()) {
            throw Refusal.forbidden("Only an administrator may do this.");
        }
    }
}
