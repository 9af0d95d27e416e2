package app.denfold.server.access;

/** What the trail hears about signing in. */
public final class AccessEvents {

    private AccessEvents() {}

    public record SignedIn(Actor who, String how) {}

    public record SignedOut(Actor who) {}

    /** Only of accounts that are there: what strangers type is not kept. */
    public record SignInRefused(String known, String why) {}

    /** @param what in words, such as {@code set up a second factor} */
    public record SecondFactorChanged(Actor by, String what) {}

    public record PasswordSet(Actor who) {}

    /** @param now what it is and may now, in words */
    public record AccountChanged(Actor by, String name, String email, String now) {}

    public record AccountClosed(Actor by, String name, String email) {}

    public record TeamsChanged(Actor by, int howMany) {}

    public record KeyMade(Actor by, String name, String scopes, String until) {}

    public record KeyEnded(Actor by, String name) {}

    /** A program asked something with its key. */
    public record KeyUsed(Actor program, String what) {}

    public record AccountOpened(Actor by, String name, String email) {}
}
