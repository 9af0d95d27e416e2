package app.denfold.server.access.accounts;

import app.denfold.server.access.Role;
import org.jspecify.annotations.Nullable;

/**
 * What a new account is made from.
 *
 * @param title what its holder is in the practice, such as {@code lead therapist}; null when that is not told
 */
public record NewAccount(
        String email,
        String name,
        Role role,
        @Nullable String team,
        boolean seesSensitive,
        boolean mayChange,
        @Nullable String title) {

    public static NewAccount administrator(String email, String name) {
        return new NewAccount(email, name, Role.ADMINISTRATOR, null, true, true, null);
    }

    public static NewAccount colleague(
            String email, String name, @Nullable String team, boolean seesSensitive, boolean mayChange) {
        return new NewAccount(email, name, Role.COLLEAGUE, team, seesSensitive, mayChange, null);
    }

    public static NewAccount guest(String email, String name) {
        return new NewAccount(email, name, Role.GUEST, null, false, false, null);
    }

    public NewAccount titled(String words) {
        return new NewAccount(email, name, role, team, seesSensitive, mayChange, words);
    }
}
