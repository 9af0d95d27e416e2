package app.denfold.server.audit;

import app.denfold.server.access.Actor;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.PostLoad;
import jakarta.persistence.PostPersist;
import jakarta.persistence.Transient;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.hibernate.annotations.Immutable;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Persistable;

/** One row of the trail, chained to the row before it by hash. Never changed. */
@Entity
@Immutable
class AuditEvent implements Persistable<Long> {

    /** What the first row names as its predecessor. */
    static final String BEGINNING = "0".repeat(64);

    @Id
    private long seq;

    private Instant at;
    private @Nullable UUID actorId;
    private String actorName;
    private String action;
    private @Nullable UUID fileId;
    private @Nullable UUID documentId;
    private String sentence;

    /** Codes of the document types that are told of; null in rows older than this column. */
    private String[] types;

    private String previousHash;
    private String hash;

    /** Whether its hash is keyed; those of the first installations are not. */
    private boolean keyed;

    @Transient
    private boolean fresh;

    @SuppressWarnings("NullAway.Init")
    protected AuditEvent() {}

    AuditEvent(long seq, String previousHash, Instant at, AuditEntry entry, TrailKey key) {
        Actor who = entry.who();
        this.seq = seq;
        this.previousHash = previousHash;
        this.at = at;
        this.actorId = who.id();
        this.actorName = who.name();
        this.action = entry.action();
        this.fileId = entry.fileId();
        this.documentId = entry.documentId();
        this.sentence = entry.sentence();
        this.types = entry.types() == null ? new String[0] : entry.types().toArray(String[]::new);
        this.keyed = true;
        this.hash = computeHash(key);
        this.fresh = true;
    }

    /**
     * Over the predecessor's hash and every value of the row, each preceded by its length in bytes: HMAC with SHA-256
     * (RFC 2104), or SHA-256 alone where the row is not keyed.
     */
    final String computeHash(TrailKey key) {
        Object[] values = {
            previousHash, seq, at.toEpochMilli(), actorId, actorName, action, fileId, documentId, sentence
        };
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        for (Object value : values) {
            byte[] bytes = String.valueOf(value).getBytes(StandardCharsets.UTF_8);
            all.writeBytes((bytes.length + ":").getBytes(StandardCharsets.UTF_8));
            all.writeBytes(bytes);
        }
        for (String type : types == null ? new String[0] : types) {
            all.writeBytes((" " + type).getBytes(StandardCharsets.UTF_8));
        }
        return keyed ? key.hmac(all.toByteArray()) : TrailKey.sha256(all.toByteArray());
    }

    boolean isKeyed() {
        return keyed;
    }

    @Override
    public Long getId() {
        return seq;
    }

    @Override
    public boolean isNew() {
        return fresh;
    }

    @PostLoad
    @PostPersist
    void stored() {
        fresh = false;
    }

    long seq() {
        return seq;
    }

    Instant at() {
        return at;
    }

    @Nullable
    UUID fileId() {
        return fileId;
    }

    String actorName() {
        return actorName;
    }

    String action() {
        return action;
    }

    @Nullable
    UUID documentId() {
        return documentId;
    }

    /** Null where that was not noted yet. */
    @Nullable
    UUID actorId() {
        return actorId;
    }

    @Nullable
    List<String> types() {
        return types == null ? null : List.of(types);
    }

    String sentence() {
        return sentence;
    }

    String previousHash() {
        return previousHash;
    }

    String hash() {
        return hash;
    }
}
