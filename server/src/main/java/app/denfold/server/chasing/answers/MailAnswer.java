package app.denfold.server.chasing.answers;

import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** What somebody wrote back to a mail of the practice, without a paper. */
@Entity
class MailAnswer {

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private UUID fileId;
    private UUID noticeId;
    private String sender;

    /** What tells the mail from all others, so that it is not taken twice. */
    private String origin;

    private String words;
    private Instant at;
    private @Nullable String seenBy;
    private @Nullable Instant seenAt;

    @SuppressWarnings("NullAway.Init")
    protected MailAnswer() {}

    MailAnswer(UUID fileId, UUID noticeId, String sender, String origin, String words, Instant at) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.fileId = fileId;
        this.noticeId = noticeId;
        this.sender = sender;
        this.origin = origin;
        this.words = words;
        this.at = at;
    }

    void seen(String by, Instant now) {
        if (seenAt == null) {
            this.seenBy = by;
            this.seenAt = now;
        }
    }

    UUID id() {
        return id;
    }

    UUID fileId() {
        return fileId;
    }

    UUID noticeId() {
        return noticeId;
    }

    String sender() {
        return sender;
    }

    String words() {
        return words;
    }

    Instant at() {
        return at;
    }

    @Nullable
    String seenBy() {
        return seenBy;
    }
}
