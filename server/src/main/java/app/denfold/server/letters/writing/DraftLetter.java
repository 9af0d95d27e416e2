package app.denfold.server.letters.writing;

import app.denfold.server.access.Viewer;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.annotations.OptimisticLock;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** A letter while it is written; once it is filed, how its paper came to be. */
@Entity
@Table(name = "letter")
public class DraftLetter {

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer changes;

    private UUID fileId;
    private UUID versionId;
    /** With which others it is written; null for one by itself. */
    private @Nullable UUID batchId;

    private LocalDate effectiveOn;

    @JdbcTypeCode(SqlTypes.JSON)
    private WrittenSoFar writing;

    /** Whose name stands under it: who began it, whoever else works on it. */
    private UUID writerId;

    private String byName;
    private Instant changedAt;

    /** Its pages as they were last laid out; whoever looks at them must not be told that somebody else changed it. */
    @OptimisticLock(excluded = true)
    private @Nullable String previewSha256;

    /** By which it is known whether the pages are those of the letter as it stands. */
    @OptimisticLock(excluded = true)
    private @Nullable String previewOf;

    private @Nullable UUID documentId;
    private @Nullable Instant filedAt;

    @SuppressWarnings("NullAway.Init")
    protected DraftLetter() {}

    DraftLetter(UUID fileId, UUID versionId, LocalDate effectiveOn, Viewer by, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.fileId = fileId;
        this.versionId = versionId;
        this.effectiveOn = effectiveOn;
        this.writing = WrittenSoFar.NOTHING;
        this.writerId = by.accountId();
        touched(by, now);
    }

    private void touched(Viewer by, Instant now) {
        this.byName = by.name();
        this.changedAt = now;
    }

    public void writeWith(UUID batch) {
        this.batchId = batch;
    }

    public void write(WrittenSoFar now, Viewer by, Instant at) {
        this.writing = now;
        touched(by, at);
    }

    /** Its pages are those of its paper from now on. */
    void file(UUID document, Viewer by, Instant at) {
        this.documentId = document;
        this.filedAt = at;
        this.previewSha256 = null;
        this.previewOf = null;
        touched(by, at);
    }

    public UUID id() {
        return id;
    }

    public int changes() {
        return changes == null ? 0 : changes;
    }

    public UUID fileId() {
        return fileId;
    }

    public UUID versionId() {
        return versionId;
    }

    @Nullable
    UUID batchId() {
        return batchId;
    }

    LocalDate effectiveOn() {
        return effectiveOn;
    }

    public WrittenSoFar writing() {
        return writing;
    }

    UUID writerId() {
        return writerId;
    }

    /** Who changed it last. */
    String byName() {
        return byName;
    }

    Instant changedAt() {
        return changedAt;
    }

    @Nullable
    String previewSha256() {
        return previewSha256;
    }

    @Nullable
    String previewOf() {
        return previewOf;
    }

    @Nullable
    public UUID documentId() {
        return documentId;
    }

    @Nullable
    public Instant filedAt() {
        return filedAt;
    }
}
