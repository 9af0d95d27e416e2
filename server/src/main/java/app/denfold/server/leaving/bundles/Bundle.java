package app.denfold.server.leaving.bundles;

import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** Papers that are given together. It names papers, not bytes: whoever gives it again gives their newest versions. */
@Entity
class Bundle {

    @Id
    private UUID id;

    /** The file that all its papers are of; null for papers of several. */
    private @Nullable UUID fileId;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer changes;

    private String name;

    @JdbcTypeCode(SqlTypes.ARRAY)
    private List<UUID> documents = List.of();

    private String byName;
    private Instant madeAt;
    private @Nullable Instant givenAt;

    @SuppressWarnings("NullAway.Init")
    protected Bundle() {}

    Bundle(@Nullable UUID fileId, String name, List<UUID> documents, String byName, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.fileId = fileId;
        this.name = name;
        this.documents = List.copyOf(documents);
        this.byName = byName;
        this.madeAt = now;
    }

    UUID id() {
        return id;
    }

    @Nullable
    UUID fileId() {
        return fileId;
    }

    String name() {
        return name;
    }

    /** In their order; some may be gone since. */
    List<UUID> documents() {
        return List.copyOf(documents);
    }

    String byName() {
        return byName;
    }

    @Nullable
    Instant givenAt() {
        return givenAt;
    }

    void given(Instant now) {
        this.givenAt = now;
    }
}
