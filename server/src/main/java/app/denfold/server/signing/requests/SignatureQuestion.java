package app.denfold.server.signing.requests;

import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** What a signer asked before he signs, and the answer. */
@Entity
public class SignatureQuestion {

    @Id
    private UUID id;

    private UUID requestId;
    private UUID turnId;
    private String askedBy;
    private Instant askedAt;
    private String question;
    private @Nullable String answer;
    private @Nullable String answeredBy;
    private @Nullable Instant answeredAt;

    @SuppressWarnings("NullAway.Init")
    protected SignatureQuestion() {}

    public SignatureQuestion(UUID requestId, UUID turnId, String by, String question, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.requestId = requestId;
        this.turnId = turnId;
        this.askedBy = by;
        this.askedAt = now;
        this.question = question;
    }

    public void answer(String words, String by, Instant now) {
        this.answer = words;
        this.answeredBy = by;
        this.answeredAt = now;
    }

    public UUID id() {
        return id;
    }

    public UUID requestId() {
        return requestId;
    }

    public UUID turnId() {
        return turnId;
    }

    public String askedBy() {
        return askedBy;
    }

    public Instant askedAt() {
        return askedAt;
    }

    public String question() {
        return question;
    }

    public @Nullable String answer() {
        return answer;
    }

    public @Nullable String answeredBy() {
        return answeredBy;
    }
}
