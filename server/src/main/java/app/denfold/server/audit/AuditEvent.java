package app.denfold.server.audit;

import app.denfold.server.access.Actor;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.PostLoad;
import jakarta.persistence.PostPersist;
import jakarta.persistence.Transient;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.HexFormat;
import java.util.UUID;
import org.hibernate.annotations.Immutable;
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
    private UUID actorId;
    private String actorName;
    private String action;
    private UUID fileId;
    private UUID documentId;
    private String sentence;
    private String previousHash;
    private String hash;

    @Transient
    private boolean fresh;

    protected AuditEvent() {}

    AuditEvent(long seq, String previousHash, Instant at, AuditEntry entry) {
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
        this.hash = computeHash();
        this.fresh = true;
    }

    /** SHA-256 over the predecessor's hash and every value of the row, each preceded by its length. */
    final String computeHash() {
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            Object[] values = {
                previousHash, seq, at.toEpochMilli(), actorId, actorName, action, fileId, documentId, sentence
            };
            for (Object value : values) {
                byte[] bytes = String.valueOf(value).getBytes(StandardCharsets.UTF_8);
                digest.update((bytes.length + ":").getBytes(StandardCharsets.UTF_8));
                digest.update(bytes);
            }
            return HexFormat.of().formatHex(digest.digest());
        } catch (NoSuchAlgorithmException impossible) {
            throw new IllegalStateException(impossible);
        }
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

    UUID fileId() {
        return fileId;
    }

    String actorName() {
        return actorName;
    }

    String action() {
        return action;
    }

    UUID documentId() {
        return documentId;
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
