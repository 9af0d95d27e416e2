package app.denfold.server.marks.setup;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.util.List;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** Stamps and reasons of the practice, in the order in which they are offered. */
@Entity
class MarkChoices {

    @Id
    private short id = 1;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer changes;

    @JdbcTypeCode(SqlTypes.ARRAY)
    private List<String> stamps = List.of();

    @JdbcTypeCode(SqlTypes.ARRAY)
    private List<String> reasons = List.of();

    protected MarkChoices() {}

    List<String> stamps() {
        return List.copyOf(stamps);
    }

    List<String> reasons() {
        return List.copyOf(reasons);
    }

    void change(List<String> toStamps, List<String> toReasons) {
        this.stamps = List.copyOf(toStamps);
        this.reasons = List.copyOf(toReasons);
    }
}
