package app.denfold.server.comments;

import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Embeddable;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import java.time.Instant;
import java.util.HashSet;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** What a colleague says about a document, and who is to read it. */
@Entity
class Comment {

    /** @param seenAt null until the mentioned colleague has read it */
    @Embeddable
    record CommentMention(
            @Column(nullable = false) UUID accountId,
            @Nullable Instant seenAt) {}

    @Id
    private UUID id;

    private UUID documentId;
    private UUID byId;
    private String byName;
    private Instant at;
    private String words;

    @ElementCollection
    @CollectionTable(name = "comment_mention", joinColumns = @JoinColumn(name = "comment_id"))
    private Set<CommentMention> mentions = new HashSet<>();

    @SuppressWarnings("NullAway.Init")
    protected Comment() {}

    Comment(UUID documentId, UUID byId, String byName, Instant at, String words) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.documentId = documentId;
        this.byId = byId;
        this.byName = byName;
        this.at = at;
        this.words = words;
    }

    void mention(UUID accountId) {
        mentions.add(new CommentMention(accountId, null));
    }

    /** The colleague has read it; nothing happens when it does not mention that one. */
    void seenBy(UUID accountId, Instant when) {
        if (mentions.remove(new CommentMention(accountId, null))) {
            mentions.add(new CommentMention(accountId, when));
        }
    }

    UUID id() {
        return id;
    }

    UUID documentId() {
        return documentId;
    }

    UUID byId() {
        return byId;
    }

    String byName() {
        return byName;
    }

    Instant at() {
        return at;
    }

    String words() {
        return words;
    }
}
