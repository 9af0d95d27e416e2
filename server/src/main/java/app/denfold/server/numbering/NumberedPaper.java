package app.denfold.server.numbering;

import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** Which numbers the pages of a paper have, and the copy on which they stand. */
@Entity
class NumberedPaper {

    @Id
    private UUID id;

    private UUID setId;

    /** In its set, from 0. */
    private int place;

    /** Null once the paper was destroyed; its numbers are not given again. */
    private @Nullable UUID documentId;

    private int version;

    /** Of the bytes that were numbered: with closed covers, an office file as it is laid out. */
    private @Nullable String sourceSha256;

    private int pages;
    private long first;
    private @Nullable String copySha256;
    private @Nullable String failure;

    @SuppressWarnings("NullAway.Init")
    protected NumberedPaper() {}

    /** A paper as it is numbered. */
    record Source(UUID documentId, int version, String sha256, int pages) {}

    NumberedPaper(UUID setId, int place, Source source, long first) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.setId = setId;
        this.place = place;
        this.documentId = source.documentId();
        this.version = source.version();
        this.sourceSha256 = source.sha256();
        this.pages = source.pages();
        this.first = first;
    }

    UUID id() {
        return id;
    }

    UUID setId() {
        return setId;
    }

    @Nullable
    UUID documentId() {
        return documentId;
    }

    int version() {
        return version;
    }

    @Nullable
    String sourceSha256() {
        return sourceSha256;
    }

    int pages() {
        return pages;
    }

    long first() {
        return first;
    }

    long last() {
        return first + pages - 1;
    }

    /** Null until it is made. */
    @Nullable
    String copySha256() {
        return copySha256;
    }

    @Nullable
    String failure() {
        return failure;
    }

    void made(String source, String copy) {
        this.sourceSha256 = source;
        this.copySha256 = copy;
        this.failure = null;
    }

    void failed(String why) {
        this.failure = why;
    }

    /** Its paper was destroyed. @return hash of the copy, which goes with it; null when none was made */
    @Nullable
    String destroyed() {
        String gone = copySha256;
        this.documentId = null;
        this.sourceSha256 = null;
        this.copySha256 = null;
        return gone;
    }
}
