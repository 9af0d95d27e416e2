package app.denfold.server.access;

import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;

/** A refused attempt to sign in; many of them slow the next ones down. */
@Entity
class SignInFailure {

    @Id
    private UUID id;

    @Version
    private Integer version;

    private String email;
    private String address;
    private Instant at;

    protected SignInFailure() {}

    SignInFailure(String email, String address, Instant at) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.email = email;
        this.address = address;
        this.at = at;
    }
}
