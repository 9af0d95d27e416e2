package app.denfold.server.access;

/** What an account is for. */
public enum Role {
    ADMINISTRATOR,
    COLLEAGUE,
    GUEST,
    /** A program, which asks with a key and never signs in. */
    PROGRAM;

    /** Whether its holder is one of the practice's own people. */
    public boolean worksHere() {
        return this == ADMINISTRATOR || this == COLLEAGUE;
    }
}
