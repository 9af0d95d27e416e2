package app.denfold.core.rules;

/** By which day a requirement is to be met; until then an empty slot is not yet due. */
public sealed interface Due {

    /** How many days after the counted-from day; may be negative. */
    int days();

    /** Counted from the first day of the active span. */
    record FromStart(int days) implements Due {}

    /** Counted from the first day of the run of days on which the requirement applies. */
    record FromApplies(int days) implements Due {}

    /** Counted from the date that a fact of the person holds. */
    record FromFact(String name, int days) implements Due {}
}
