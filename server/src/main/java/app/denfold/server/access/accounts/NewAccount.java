package app.denfold.server.access.accounts;

import app.denfold.core.people.Teams.Reach;
import app.denfold.server.access.Marking;
import app.denfold.server.access.Role;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * What a new account is made from.
 *
 * @param email null for a program alone
 */
public record NewAccount(@Nullable String email, String name, Role role, Scope scope, Post post) {

    public static NewAccount administrator(String email, String name) {
        return new NewAccount(
                email,
                name,
                Role.ADMINISTRATOR,
                new Scope(Reach.EVERYBODY, null, Set.of(), true, Set.of(), Set.of(), true, Marking.OPENS_COVERS),
                Post.NONE);
    }

    /** @param team whose files alone it sees; null for everybody's */
    public static NewAccount colleague(
            String email, String name, @Nullable String team, boolean seesSensitive, boolean mayChange) {
        return new NewAccount(email, name, Role.COLLEAGUE, Scope.ofTeam(team, seesSensitive, mayChange), Post.NONE);
    }

    public static NewAccount guest(String email, String name) {
        return new NewAccount(email, name, Role.GUEST, Scope.nothing(), Post.NONE);
    }

    public NewAccount titled(String words) {
        return as(Post.titled(words));
    }

    public NewAccount as(Post other) {
        return new NewAccount(email, name, role, scope, other);
    }

    public NewAccount seeing(Scope other) {
        return new NewAccount(email, name, role, other, post);
    }
}
