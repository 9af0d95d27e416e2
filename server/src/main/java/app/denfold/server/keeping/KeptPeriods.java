package app.denfold.server.keeping;

import app.denfold.server.keeping.KeepingPeriods.Period;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.util.List;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** The one row that says for how long files are kept. */
@Entity
@Table(name = "keeping_rules")
class KeptPeriods {

    @Id
    private Boolean onlyOne;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<Period> byKind;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<Period> byType;

    @SuppressWarnings("NullAway.Init")
    protected KeptPeriods() {}

    void change(KeepingPeriods to) {
        this.byKind = to.kinds();
        this.byType = to.types();
    }

    KeepingPeriods periods() {
        return new KeepingPeriods(byKind, byType);
    }

    int changes() {
        return version == null ? 0 : version;
    }
}
