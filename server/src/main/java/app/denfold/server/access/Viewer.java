package app.denfold.server.access;

import app.denfold.server.problems.Refusal;
import java.util.UUID;

/**
 * The account behind a request, with its present rights.
 *
 * @param team null when it may see the files of all teams
 */
public record Viewer(
        UUID accountId, String name, String email, Role role, String team, boolean seesSensitive, boolean mayChange) {

    public Actor actor() {
        return new Actor(accountId, name);
    }

    public boolean isAdministrator() {
        return role == Role.ADMINISTRATOR;
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
