package app.denfold.server.access.links;

import app.denfold.server.access.secrets.Secrets;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Id;
import jakarta.persistence.MappedSuperclass;
import jakarta.persistence.Version;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** A link that leads somebody without an account somewhere; only hashes of its secrets are kept. */
@MappedSuperclass
public abstract class CodedLink {

    static final int MOST_WRONG = 5;
    private static final Duration CODE_LASTS = Duration.ofMinutes(15);

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private String tokenHash;
    private Instant issuedAt;
    private @Nullable String codeHash;
    private @Nullable Instant codeSentAt;
    private int wrongCodes;
    private @Nullable String keyHash;
    private @Nullable Instant keyUntil;

    @SuppressWarnings("NullAway.Init")
    protected CodedLink() {}

    /** @param token its secret, of which the hash is kept */
    @SuppressWarnings("NullAway.Init")
    protected CodedLink(String token, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.tokenHash = Secrets.hash(token);
        this.issuedAt = now;
    }

    UUID id() {
        return id;
    }

    /** Whether codes were wrong so often that it opens nothing any more. */
    boolean isClosed() {
        return wrongCodes >= MOST_WRONG;
    }

    int codesLeft() {
        return MOST_WRONG - wrongCodes;
    }

    boolean wasCodeSentAfter(Instant moment) {
        return codeSentAt != null && codeSentAt.isAfter(moment);
    }

    void code(String hash, Instant now) {
        this.codeHash = hash;
        this.codeSentAt = now;
    }

    boolean hasCode(Instant now) {
        return codeHash != null && wasCodeSentAfter(now.minus(CODE_LASTS));
    }

    boolean isCode(String hash, Instant now) {
        return hasCode(now) && hash.equals(codeHash);
    }

    void wrong() {
        this.wrongCodes++;
    }

    /** The code was right: for a while whoever holds the key need show none. */
    void open(String hash, Instant now) {
        this.codeHash = null;
        this.wrongCodes = 0;
        this.keyHash = hash;
        this.keyUntil = now.plus(LinkCodes.KEY_LASTS);
    }

    boolean isOpenFor(String hash, Instant now) {
        return hash.equals(keyHash) && keyUntil != null && keyUntil.isAfter(now) && !isClosed();
    }
}
