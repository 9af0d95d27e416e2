package app.denfold.server.people.kinds;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.util.List;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A kind of file, such as employee. */
@Entity
public class PersonKind {

    @Id
    private String code;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private String label;
    private String plural;
    private String numberPrefix;
    private int nextNumber;
    private int ordinal;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<FactDefinition> facts;

    @SuppressWarnings("NullAway.Init")
    protected PersonKind() {}

    public PersonKind(
            String code, String label, String plural, String numberPrefix, int ordinal, List<FactDefinition> facts) {
        this.code = code;
        this.label = label;
        this.plural = plural;
        this.numberPrefix = numberPrefix;
        this.nextNumber = 1;
        this.ordinal = ordinal;
        this.facts = List.copyOf(facts);
    }

    public void take(String newLabel, String newPlural, List<FactDefinition> newFacts) {
        this.label = newLabel;
        this.plural = newPlural;
        this.facts = List.copyOf(newFacts);
    }

    public int version() {
        return version == null ? 0 : version;
    }

    public String numberPrefix() {
        return numberPrefix;
    }

    public String code() {
        return code;
    }

    public String label() {
        return label;
    }

    public String plural() {
        return plural;
    }

    int ordinal() {
        return ordinal;
    }

    public List<FactDefinition> facts() {
        return facts;
    }

    /** Takes the next file number, such as {@code E-0147}. The caller holds a lock on the row. */
    public String takeNumber() {
        return "%s-%04d".formatted(numberPrefix, nextNumber++);
    }

    /** Lets the next number be this one. */
    public void startNumbersAt(int number) {
        this.nextNumber = number;
    }
}
