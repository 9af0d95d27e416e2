package app.denfold.server.arrivals;

import app.denfold.server.content.Contents;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;

/** Something received that is not filed yet. */
@Entity
class Arrival {

    /** How it came in. */
    enum Source {
        DROP,
        PICKUP,
        PORTAL
    }

    /** Where it stands. */
    enum State {
        WAITING,
        SET_ASIDE,
        FILED,
        DISCARDED
    }

    @Id
    private UUID id;

    @Version
    private Integer version;

    @Enumerated(EnumType.STRING)
    private Source source;

    private String broughtBy;
    private UUID accountId;
    private UUID fileId;
    private String suggestedType;
    private String note;
    private String fileName;
    private String sha256;

    @Enumerated(EnumType.STRING)
    private State state;

    private String reason;
    private Instant receivedAt;
    private UUID documentId;

    protected Arrival() {}

    Arrival(ReceivedPaper paper, Contents.Taken taken, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.source = Source.valueOf(paper.source().name());
        this.broughtBy = paper.by().name();
        this.accountId = paper.by().id();
        this.fileId = paper.fileId();
        this.suggestedType = paper.suggestedType();
        this.note = paper.note();
        this.fileName = paper.fileName();
        this.receivedAt = now;
        if (taken instanceof Contents.SetAside aside) {
            this.sha256 = aside.sha256();
            this.state = State.SET_ASIDE;
            this.reason = aside.reason();
        } else {
            this.sha256 = ((Contents.Whole) taken).sha256();
            this.state = State.WAITING;
        }
    }

    void file(UUID document) {
        this.state = State.FILED;
        this.documentId = document;
    }

    void takeBack() {
        this.state = State.WAITING;
        this.documentId = null;
    }

    void setAside(String why) {
        this.state = State.SET_ASIDE;
        this.reason = why;
    }

    void takeUpAgain() {
        this.state = State.WAITING;
        this.reason = null;
    }

    void discard(String why) {
        this.state = State.DISCARDED;
        this.reason = why;
    }

    UUID id() {
        return id;
    }

    int version() {
        return version == null ? 0 : version;
    }

    Source source() {
        return source;
    }

    String broughtBy() {
        return broughtBy;
    }

    UUID accountId() {
        return accountId;
    }

    UUID fileId() {
        return fileId;
    }

    String suggestedType() {
        return suggestedType;
    }

    String note() {
        return note;
    }

    String fileName() {
        return fileName;
    }

    String sha256() {
        return sha256;
    }

    State state() {
        return state;
    }

    String reason() {
        return reason;
    }

    Instant receivedAt() {
        return receivedAt;
    }

    UUID documentId() {
        return documentId;
    }

    /** How it came, in words that follow the name of the document. */
    String sourceInWords() {
        return switch (source) {
            case DROP -> "dropped into Arrivals by " + broughtBy;
            case PICKUP -> "from the pickup “" + broughtBy + "”";
            case PORTAL -> "sent through the portal by " + broughtBy;
        };
    }
}
