package app.denfold.server.catalog;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.Map;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** A checklist as the practice set it up: its rules in the open JSON, and what its requirements are called. */
@Entity
@Table(name = "checklist")
public class KeptChecklist {

    @Id
    private String code;

    @Version
    private Integer version;

    private String label;
    private int ordinal;

    @JdbcTypeCode(SqlTypes.JSON)
    private String definition;

    @JdbcTypeCode(SqlTypes.JSON)
    private Map<String, String> requirementLabels;

    protected KeptChecklist() {}

    public KeptChecklist(
            String code, String label, int ordinal, String definition, Map<String, String> requirementLabels) {
        this.code = code;
        this.label = label;
        this.ordinal = ordinal;
        this.definition = definition;
        this.requirementLabels = Map.copyOf(requirementLabels);
    }

    String code() {
        return code;
    }

    String definition() {
        return definition;
    }

    Map<String, String> requirementLabels() {
        return requirementLabels;
    }
}
