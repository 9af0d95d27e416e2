package app.denfold.server.content;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.Optional;
import org.hibernate.annotations.Immutable;

/** Bytes that are stored, and what they are. */
@Entity
@Immutable
public class Content {

    @Id
    private String sha256;

    private long size;
    private String mediaType;
    private int pages;
    private String virus;
    private Instant storedAt;
    private Instant destroyedAt;

    @SuppressWarnings("NullAway.Init")
    protected Content() {}

    public String sha256() {
        return sha256;
    }

    /** In bytes. */
    public long size() {
        return size;
    }

    public String mediaType() {
        return mediaType;
    }

    /** Number of pages that can be shown; 0 for a paper that is set aside. */
    public int pages() {
        return pages;
    }

    /** What the virus scanner found in it. */
    public Optional<String> virus() {
        return Optional.ofNullable(virus);
    }

    /** True when its bytes were destroyed for good. */
    public boolean isDestroyed() {
        return destroyedAt != null;
    }
}
