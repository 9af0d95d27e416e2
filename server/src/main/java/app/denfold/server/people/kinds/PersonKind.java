package app.denfold.server.people.kinds;

import app.denfold.core.filing.Subject;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
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

    @Enumerated(EnumType.STRING)
    private Subject subject = Subject.PERSON;

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

    /** Makes it one whose files are about this; of a kind that has files it stays as it is. */
    public PersonKind about(Subject of) {
        this.subject = of;
        return this;
    }

    public Subject subject() {
        return subject;
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

    /** The values as the choices spell them. */
    public Map<String, String> spelled(Map<String, String> values) {
        Map<String, String> spelled = new HashMap<>(values);
        facts.forEach(f -> spelled.computeIfPresent(f.name(), (name, value) -> f.spelled(value)));
        return spelled;
    }

    /** Whether a value is none yet of the choices that may grow. */
    public boolean isNews(Map<String, String> values) {
        return !grown(values).equals(facts);
    }

    /** Adds what was typed to the choices that may grow. The caller holds a lock on the row. */
    public void meet(Map<String, String> values) {
        this.facts = grown(values);
    }

    private List<FactDefinition> grown(Map<String, String> values) {
        return facts.stream()
                .map(f -> f.form() == FactDefinition.Form.OPEN_CHOICE && values.containsKey(f.name())
                        ? f.with(Objects.requireNonNull(values.get(f.name())).strip())
                        : f)
                .toList();
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
