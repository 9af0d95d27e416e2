package app.denfold.server.chasing;

import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.UUID;

/** A message to a person or outsider, with what became of it. */
@Entity
class Notice {

    enum State {
        QUEUED,
        SENT,
        FAILED
    }

    @Id
    private UUID id;

    @Version
    private Integer version;

    private UUID fileId;
    private String purpose;
    private String recipient;
    private String subject;
    private String body;
    private String queuedBy;
    private LocalDate queuedOn;
    private Instant queuedAt;

    @Enumerated(EnumType.STRING)
    private State state;

    private int attempts;
    private Instant finishedAt;
    private String result;

    protected Notice() {}

    Notice(Message message, String queuedBy, LocalDate day, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.fileId = message.fileId();
        this.purpose = message.purpose();
        this.recipient = message.recipient();
        this.subject = message.subject();
        this.body = message.body();
        this.queuedBy = queuedBy;
        this.queuedOn = day;
        this.queuedAt = now;
        this.state = State.QUEUED;
    }

    void sent(Instant now) {
        this.attempts++;
        this.state = State.SENT;
        this.finishedAt = now;
        this.result = "accepted by the mail server";
        this.body = OneTimeSecret.removedFrom(body);
    }

    void failed(Instant now, String why) {
        this.attempts++;
        this.state = State.FAILED;
        this.finishedAt = now;
        this.result = why;
    }

    void queueAgain() {
        this.state = State.QUEUED;
        this.result = null;
    }

    UUID id() {
        return id;
    }

    UUID fileId() {
        return fileId;
    }

    String purpose() {
        return purpose;
    }

    String recipient() {
        return recipient;
    }

    String subject() {
        return subject;
    }

    String body() {
        return body;
    }

    String queuedBy() {
        return queuedBy;
    }

    Instant queuedAt() {
        return queuedAt;
    }

    State state() {
        return state;
    }

    Instant finishedAt() {
        return finishedAt;
    }

    String result() {
        return result;
    }
}
