package app.denfold.server.leaving;

import app.denfold.server.access.Viewer;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** A copy of a paper for somebody; only looked at until it is given. */
@Entity
@Table(name = "leaving_copy")
class LeavingPaper {

    @Id
    private UUID id;

    private long number;
    private UUID documentId;
    private int version;
    private String sha256;
    private int pages;
    private String reader;

    @Enumerated(EnumType.STRING)
    private Reader.Kind readerKind;

    private int covered;
    private boolean opened;

    @JdbcTypeCode(SqlTypes.ARRAY)
    private List<String> reasons = List.of();

    @JdbcTypeCode(SqlTypes.ARRAY)
    private List<String> stillReadable = List.of();

    private String coversSha256;
    private boolean marks;
    private @Nullable String foot;
    private UUID byId;
    private String byName;
    private Instant draftedAt;
    private @Nullable Instant givenAt;

    @Enumerated(EnumType.STRING)
    private @Nullable Way way;

    /** With which mail it was sent; null when with none. */
    private @Nullable UUID mailId;

    @SuppressWarnings("NullAway.Init")
    protected LeavingPaper() {}

    /** Which paper, as it stood. @param coversSha256 of all covers, by which it is known whether they changed since */
    record Source(UUID documentId, int version, String coversSha256) {}

    /**
     * What the reader gets.
     *
     * @param covered how many covers are closed in it
     * @param opened whether covers are open in it
     * @param stillReadable words that are covered somewhere and can be read elsewhere in the copy, with where
     */
    record Bytes(
            String sha256,
            int pages,
            int covered,
            boolean opened,
            List<String> reasons,
            List<String> stillReadable,
            boolean marks,
            @Nullable String foot) {}

    LeavingPaper(long number, Source source, Bytes bytes, Reader reader, Viewer by, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.number = number;
        this.documentId = source.documentId();
        this.version = source.version();
        this.coversSha256 = source.coversSha256();
        this.sha256 = bytes.sha256();
        this.pages = bytes.pages();
        this.covered = bytes.covered();
        this.opened = bytes.opened();
        this.reasons = bytes.reasons();
        this.stillReadable = bytes.stillReadable();
        this.marks = bytes.marks();
        this.foot = bytes.foot();
        this.reader = reader.name().strip();
        this.readerKind = reader.kind();
        this.byId = by.accountId();
        this.byName = by.name();
        this.draftedAt = now;
    }

    UUID id() {
        return id;
    }

    long number() {
        return number;
    }

    UUID documentId() {
        return documentId;
    }

    int version() {
        return version;
    }

    String sha256() {
        return sha256;
    }

    int pages() {
        return pages;
    }

    Reader reader() {
        return new Reader(readerKind, reader);
    }

    int covered() {
        return covered;
    }

    boolean opened() {
        return opened;
    }

    List<String> reasons() {
        return List.copyOf(reasons);
    }

    List<String> stillReadable() {
        return List.copyOf(stillReadable);
    }

    String coversSha256() {
        return coversSha256;
    }

    boolean marks() {
        return marks;
    }

    UUID byId() {
        return byId;
    }

    String byName() {
        return byName;
    }

    @Nullable
    Instant givenAt() {
        return givenAt;
    }

    @Nullable
    Way way() {
        return way;
    }

    @Nullable
    UUID mailId() {
        return mailId;
    }

    void give(Way by, @Nullable UUID mail, Instant now) {
        this.way = by;
        this.mailId = mail;
        this.givenAt = now;
    }

    /** What was done about covers, as it stands in the trail and in lists. */
    String coversInWords() {
        if (opened) {
            return "covers open";
        }
        return covered == 0 ? "nothing covered" : covered + (covered == 1 ? " place" : " places") + " covered";
    }
}
