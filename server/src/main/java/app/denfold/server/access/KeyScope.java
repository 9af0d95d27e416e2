package app.denfold.server.access;

/** What the key of a program is for. */
public enum KeyScope {
    /** Reads how complete files are. */
    COVERAGE,
    /** Sends papers, which then wait in Arrivals. */
    ARRIVALS,
    /** Reads people, and makes and changes their files. */
    PEOPLE
}
