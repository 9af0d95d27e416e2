package app.denfold.server.portal;

import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;

/** What a guest may do in one file. */
@Entity
class GuestRight {

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private UUID accountId;
    private UUID fileId;
    private String relation;
    private boolean mayAdd;
    private Instant grantedAt;

    @SuppressWarnings("NullAway.Init")
    protected GuestRight() {}

    GuestRight(UUID accountId, UUID fileId, String relation, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.accountId = accountId;
        this.fileId = fileId;
        this.relation = relation;
        this.mayAdd = true;
        this.grantedAt = now;
    }

    UUID id() {
        return id;
    }

    UUID accountId() {
        return accountId;
    }

    UUID fileId() {
        return fileId;
    }

    String relation() {
        return relation;
    }

    boolean mayAdd() {
        return mayAdd;
    }
}
