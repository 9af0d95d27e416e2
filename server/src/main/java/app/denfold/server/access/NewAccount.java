package app.denfold.server.access;

/** What a new account is made from. */
public record NewAccount(String email, String name, Role role, String team, boolean seesSensitive, boolean mayChange) {

    public static NewAccount administrator(String email, String name) {
        return new NewAccount(email, name, Role.ADMINISTRATOR, null, true, true);
    }

    public static NewAccount colleague(
            String email, String name, String team, boolean seesSensitive, boolean mayChange) {
        return new NewAccount(email, name, Role.COLLEAGUE, team, seesSensitive, mayChange);
    }

    public static NewAccount guest(String email, String name) {
        return new NewAccount(email, name, Role.GUEST, null, false, false);
    }
}
