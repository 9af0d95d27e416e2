package app.denfold.server.signing.links;

import app.denfold.server.access.links.CodedLink;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.UUID;

/** A link that leads somebody without an account to his turn. */
@Entity
@Table(name = "signature_link")
class SigningLink extends CodedLink {

    private UUID turnId;

    @SuppressWarnings("NullAway.Init")
    protected SigningLink() {}

    SigningLink(UUID turnId, String token, Instant now) {
        super(token, now);
        this.turnId = turnId;
    }

    UUID turnId() {
        return turnId;
    }
}
