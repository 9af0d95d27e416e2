package app.denfold.core.dates;

/** What a day on a paper is. */
public enum DateRole {
    /** The day the paper was written, issued or signed. */
    DATED,
    /** The first day on which what it says holds. */
    EFFECTIVE,
    /** The last day on which what it says holds. */
    EXPIRES,
    BIRTH,
    /** By when something is to be done, such as paid, sent back or looked at again. */
    DUE,
    PRINTED,
    /** Something else that is told, such as an appointment, or what became of a former paper. */
    OTHER
}
