package app.denfold.core.filing;

/** What a file is about. */
public enum Subject {
    /** Somebody who is born, comes of age, can be written to and signs. */
    PERSON,
    /** The practice itself, or one of its places. It has one name, which papers of others bear as well. */
    PRACTICE
}
