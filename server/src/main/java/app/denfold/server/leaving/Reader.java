package app.denfold.server.leaving;

import app.denfold.server.problems.Refusal;

/** Whom a copy is for. */
public record Reader(Kind kind, String name) {

    static final int LONGEST = 120;

    /** What somebody is to the person whose file it is. */
    public enum Kind {
        /** The person. */
        PERSON,
        /** Somebody around the person, such as a guardian or an insurer. */
        AROUND,
        COLLEAGUE,
        OTHER
    }

    /** @throws Refusal when nobody is named, or the name is too long */
    void require() {
        if (name.isBlank()) {
            throw Refusal.invalid("reader", "Say who the copy is for.");
        }
        if (name.length() > LONGEST) {
            throw Refusal.invalid("reader", "The name of the reader has up to " + LONGEST + " letters.");
        }
    }
}
