package app.denfold.server.catalog;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** Counts the changes of rules; one row. */
@Entity
@Table(name = "rules_revision")
class RulesRevision {

    @Id
    private short id;

    private long revision;

    protected RulesRevision() {}

    long revision() {
        return revision;
    }

    void countUp() {
        revision++;
    }
}
