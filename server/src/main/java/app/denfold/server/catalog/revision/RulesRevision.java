package app.denfold.server.catalog.revision;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** Counts the changes of rules; one row. */
@Entity
@Table(name = "rules_revision")
public class RulesRevision {

    @Id
    private short id;

    private long revision;

    /** The last one that can change how a slot stands. */
    private long slotsRevision;

    protected RulesRevision() {}

    public long revision() {
        return revision;
    }

    /** @param slots whether the change can change how a slot stands */
    public void countUp(boolean slots) {
        revision++;
        slotsRevision = slots ? revision : slotsRevision;
    }
}
