package app.denfold.server.access;

import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.util.Collection;
import java.util.Set;
import java.util.UUID;

/**
 * The account behind a request, with its present rights. Whether it may know of something is asked here and nowhere else:
 * of every row, count, name, mail, line of the trail and event.
 *
 * @param team null when it may see the files of all teams
 * @param hiddenTypes codes of the document types of which it may know nothing
 * @param hiddenFacts facts of persons of which it may know nothing, as {@link #fact} writes them
 */
public record Viewer(
        UUID accountId,
        String name,
        String email,
        Role role,
        @Nullable String team,
        boolean seesSensitive,
        boolean mayChange,
        Set<String> hiddenTypes,
        Set<String> hiddenFacts) {

    /** No account has this id. */
    private static final UUID NOBODY = new UUID(0, 0);

    public Viewer {
        hiddenTypes = Set.copyOf(hiddenTypes);
        hiddenFacts = Set.copyOf(hiddenFacts);
    }

    /** The product itself, which sees everything and changes nothing. */
    public static Viewer product() {
        return new Viewer(NOBODY, "", "", Role.ADMINISTRATOR, null, true, false, Set.of(), Set.of());
    }

    public Actor actor() {
        return new Actor(accountId.equals(NOBODY) ? null : accountId, name);
    }

    public boolean isAdministrator() {
        return role == Role.ADMINISTRATOR;
    }

    /** Whether it may know of files of this team. */
    public boolean maySeeTeam(@Nullable String ofFile) {
        return team == null || team.equals(ofFile);
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

    /** @throws Refusal when the account is not an administrator's */
    public void requireAdministrator() {
        if (!isAdministrator()) {
            throw Refusal.forbidden("Only an administrator may do this.");
        }
    }
}
