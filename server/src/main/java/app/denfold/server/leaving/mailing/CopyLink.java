package app.denfold.server.leaving.mailing;

import app.denfold.server.access.links.CodedLink;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** A link to the copies of a mail. */
@Entity
@Table(name = "copy_link")
class CopyLink extends CodedLink {

    private UUID mailId;

    @SuppressWarnings("NullAway.Init")
    protected CopyLink() {}

    CopyLink(UUID mailId, String token, Instant now) {
        super(token, now);
        this.mailId = mailId;
    }

    UUID mailId() {
        return mailId;
    }
}
