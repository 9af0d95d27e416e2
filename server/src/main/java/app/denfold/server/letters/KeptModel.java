package app.denfold.server.letters;

import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** A model of letters: what it is called, which papers it makes, for which kinds of file. */
@Entity
@Table(name = "letter_model")
public class KeptModel {

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer changes;

    private String name;
    private String type;

    @JdbcTypeCode(SqlTypes.ARRAY)
    private List<String> kinds = List.of();

    private @Nullable Instant retiredAt;

    @SuppressWarnings("NullAway.Init")
    protected KeptModel() {}

    public KeptModel(String name, String type, List<String> kinds) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        take(name, type, kinds);
    }

    public final void take(String newName, String newType, List<String> newKinds) {
        this.name = newName;
        this.type = newType;
        this.kinds = List.copyOf(newKinds);
    }

    /** Whether it is called and used like this already. */
    public boolean is(String otherName, String otherType, List<String> otherKinds) {
        return name.equals(otherName) && type.equals(otherType) && kinds.equals(otherKinds);
    }

    public void retire(@Nullable Instant at) {
        this.retiredAt = at;
    }

    public UUID id() {
        return id;
    }

    public int changes() {
        return changes == null ? 0 : changes;
    }

    public String name() {
        return name;
    }

    /** Code of the type of the papers it makes. */
    public String type() {
        return type;
    }

    /** Codes of the kinds of file it is for. */
    public List<String> kinds() {
        return List.copyOf(kinds);
    }

    /** Whether no more letters are begun by it. */
    public boolean isRetired() {
        return retiredAt != null;
    }
}
