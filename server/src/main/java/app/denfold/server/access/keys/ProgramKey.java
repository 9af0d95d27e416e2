package app.denfold.server.access.keys;

import app.denfold.server.access.KeyScope;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.OptimisticLock;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** The key with which a program asks; of its secret only the hash is kept. */
@Entity
class ProgramKey {

    @Id
    private UUID accountId;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private String secretHash;

    @Enumerated(EnumType.STRING)
    @JdbcTypeCode(SqlTypes.ARRAY)
    private List<KeyScope> scopes;

    /** The last day on which it holds; null when it has no end. */
    private @Nullable LocalDate until;

    private String madeBy;
    private Instant madeAt;

    @OptimisticLock(excluded = true)
    private @Nullable Instant usedAt;

    @SuppressWarnings("NullAway.Init")
    protected ProgramKey() {}

    ProgramKey(
            UUID accountId,
            String secretHash,
            Set<KeyScope> scopes,
            @Nullable LocalDate until,
            String madeBy,
            Instant madeAt) {
        this.accountId = accountId;
        this.secretHash = secretHash;
        this.scopes = List.copyOf(EnumSet.copyOf(scopes));
        this.until = until;
        this.madeBy = madeBy;
        this.madeAt = madeAt;
    }

    UUID accountId() {
        return accountId;
    }

    Set<KeyScope> scopes() {
        return EnumSet.copyOf(scopes);
    }

    @Nullable
    LocalDate until() {
        return until;
    }

    boolean holdsOn(LocalDate day) {
        return until == null || !day.isAfter(until);
    }

    String madeBy() {
        return madeBy;
    }

    Instant madeAt() {
        return madeAt;
    }

    @Nullable
    Instant usedAt() {
        return usedAt;
    }

    void used(Instant now) {
        this.usedAt = now;
    }
}
