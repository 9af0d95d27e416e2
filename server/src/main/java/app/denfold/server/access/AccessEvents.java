package app.denfold.server.access;

/** What the trail hears about signing in. */
public final class AccessEvents {

    private AccessEvents() {}

    public record SignedIn(Actor who) {}

    public record SignedOut(Actor who) {}

    /** @param known the account's name, or the address that was typed when there is no such account */
    public record SignInRefused(String known, String why) {}

    public record PasswordSet(Actor who) {}
}
