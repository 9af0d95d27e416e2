package app.denfold.server.portal.messages;

import app.denfold.server.access.Viewer;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** One message between a guest and the practice; it belongs to a file. */
@Entity
@Table(name = "message")
class PortalMessage {

    @Id
    private UUID id;

    private UUID fileId;
    private UUID guestId;
    private boolean fromGuest;
    private @Nullable UUID byId;
    private String byName;
    private String words;

    /** Papers that were shown to the guest with it; of a guest's message those that he had sent to go with it. */
    @JdbcTypeCode(SqlTypes.ARRAY)
    private List<UUID> papers = List.of();

    private Instant at;
    private @Nullable Instant readAt;

    @SuppressWarnings("NullAway.Init")
    protected PortalMessage() {}

    PortalMessage(UUID fileId, UUID guestId, Viewer by, String words, List<UUID> papers, Instant at) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.fileId = fileId;
        this.guestId = guestId;
        this.fromGuest = guestId.equals(by.accountId());
        this.byId = by.accountId();
        this.byName = by.name();
        this.words = words;
        this.papers = List.copyOf(papers);
        this.at = at;
    }

    void read(Instant now) {
        if (readAt == null) {
            readAt = now;
        }
    }

    UUID id() {
        return id;
    }

    UUID fileId() {
        return fileId;
    }

    UUID guestId() {
        return guestId;
    }

    boolean isFromGuest() {
        return fromGuest;
    }

    @Nullable
    UUID byId() {
        return byId;
    }

    String byName() {
        return byName;
    }

    String words() {
        return words;
    }

    List<UUID> papers() {
        return papers;
    }

    Instant at() {
        return at;
    }

    boolean isRead() {
        return readAt != null;
    }
}
