package app.denfold.server.chasing.addresses;

import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.io.Serializable;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** An address at which nobody is chased. */
@Entity
class SilentAddress {

    enum Cause {
        /** A mail to it came back. */
        CAME_BACK,
        /** Whoever reads it asked to be told no more of what is no duty. */
        UNSUBSCRIBED
    }

    /** @param mailbox the address in small letters */
    @Embeddable
    record Key(String mailbox, @Enumerated(EnumType.STRING) Cause cause) implements Serializable {}

    @EmbeddedId
    private Key key;

    private Instant since;
    private String why;
    private @Nullable UUID noticeId;

    @SuppressWarnings("NullAway.Init")
    protected SilentAddress() {}

    SilentAddress(Key key, Instant since, String why, @Nullable UUID noticeId) {
        this.key = key;
        this.since = since;
        this.why = why;
        this.noticeId = noticeId;
    }

    Key key() {
        return key;
    }

    Instant since() {
        return since;
    }

    String why() {
        return why;
    }

    @Nullable
    UUID noticeId() {
        return noticeId;
    }
}
