package app.denfold.server.calendars;

import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A private address at which an account's calendar is read, with the rights that the account has by then. */
@Entity
class CalendarFeed {

    /** Whose papers it tells of. */
    enum Reach {
        /** All whom the account may see. */
        MINE,
        TEAM,
        FILE
    }

    @Id
    private UUID id;

    private UUID accountId;

    @Enumerated(EnumType.STRING)
    private Reach reach;

    private @Nullable UUID fileId;
    private @Nullable String team;
    private String secretHash;
    private Instant at;
    private @Nullable Instant readAt;
    private @Nullable Instant endedAt;

    @SuppressWarnings("NullAway.Init")
    protected CalendarFeed() {}

    CalendarFeed(
            UUID accountId, Reach reach, @Nullable UUID fileId, @Nullable String team, String secretHash, Instant at) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.accountId = accountId;
        this.reach = reach;
        this.fileId = fileId;
        this.team = team;
        this.secretHash = secretHash;
        this.at = at;
    }

    void read(Instant now) {
        this.readAt = now;
    }

    void end(Instant now) {
        this.endedAt = now;
    }

    UUID id() {
        return id;
    }

    UUID accountId() {
        return accountId;
    }

    Reach reach() {
        return reach;
    }

    @Nullable
    UUID fileId() {
        return fileId;
    }

    @Nullable
    String team() {
        return team;
    }

    Instant at() {
        return at;
    }

    @Nullable
    Instant readAt() {
        return readAt;
    }
}
