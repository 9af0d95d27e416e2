package app.denfold.server.access.secondfactor;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** The secret that an account shares with the device of its holder, and the codes that replace it once each. */
@Entity
@Table(name = "second_factor")
class SecondFactor {

    @Id
    private UUID accountId;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private byte[] sealedSecret;

    /** When a first code was right; null while it is being set up. */
    private @Nullable Instant confirmedAt;

    /** The step of the last code that was taken, so that none is taken twice. */
    private long lastStep;

    @JdbcTypeCode(SqlTypes.ARRAY)
    private List<String> recoveryHashes = List.of();

    @SuppressWarnings("NullAway.Init")
    protected SecondFactor() {}

    SecondFactor(UUID accountId, byte[] sealedSecret) {
        this.accountId = accountId;
        this.sealedSecret = sealedSecret;
    }

    void beginAnew(byte[] sealed) {
        this.sealedSecret = sealed;
        this.confirmedAt = null;
        this.lastStep = 0;
        this.recoveryHashes = List.of();
    }

    byte[] sealedSecret() {
        return sealedSecret;
    }

    boolean isConfirmed() {
        return confirmedAt != null;
    }

    void confirm(Instant now, List<String> hashes) {
        this.confirmedAt = now;
        this.recoveryHashes = List.copyOf(hashes);
    }

    void recoverBy(List<String> hashes) {
        this.recoveryHashes = List.copyOf(hashes);
    }

    int recoveryLeft() {
        return recoveryHashes.size();
    }

    /** @return false when the code of this step was taken before, or a later one */
    boolean take(long step) {
        if (step <= lastStep) {
            return false;
        }
        this.lastStep = step;
        return true;
    }

    /** Uses a recovery code up. @return false when there is none such, or no more */
    boolean recover(String hash) {
        List<String> left = new ArrayList<>(recoveryHashes);
        boolean known = left.remove(hash);
        this.recoveryHashes = List.copyOf(left);
        return known;
    }
}
