package app.denfold.server.access;

/** What an account is for. */
public enum Role {
    ADMINISTRATOR,
    COLLEAGUE,
    GUEST
}
