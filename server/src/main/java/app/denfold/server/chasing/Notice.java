package app.denfold.server.chasing;

import app.denfold.server.access.Actor;
import app.denfold.server.access.secrets.Secrets;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.UUID;
import org.hibernate.annotations.DynamicUpdate;
import org.jspecify.annotations.Nullable;

/** A message to a person or outsider, with what became of it. */
@Entity
@DynamicUpdate
class Notice {

    enum State {
        /** It waits to be sent, for the first time or once more. */
        QUEUED,
        /** Somebody is handing it to the mail server. */
        SENDING,
        SENT,
        /** It could not be sent; it is tried again by itself unless it was tried often enough. */
        FAILED,
        /** All that it was to tell was met before it went out. */
        CANCELLED
    }

    /** How far a mail got, as people are told. */
    enum Stage {
        QUEUED,
        SENT,
        /** The recipient's mail server says that it has it. */
        DELIVERED,
        /** It came back. */
        BOUNCED,
        FAILED,
        /** Somebody followed the link in it. */
        OPENED,
        /** Somebody wrote back, or sent a paper. */
        ANSWERED,
        CANCELLED
    }

    /** After so many it is tried again by hand only: more than a day has gone by. */
    private static final int MOST_ATTEMPTS = 10;

    /** In seconds; each is twice the one before. */
    private static final long FIRST_PAUSE = 60;

    private static final long LONGEST_PAUSE = 6 * 3_600;

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private @Nullable UUID fileId;
    private @Nullable UUID documentId;
    private String[] types;
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
    private @Nullable Instant finishedAt;
    private @Nullable String result;

    /** Not before then is it tried again by itself; null when it is not, or at once. */
    private @Nullable Instant notBefore;

    private @Nullable Instant claimedAt;
    private boolean cameBack;
    private @Nullable UUID queuedById;

    /** Day of the plans that told this; null for all other mails. A mailbox gets one such mail a day. */
    private @Nullable LocalDate plannedOn;

    /** By which mails that chase are counted; null for all others. */
    private @Nullable String mailbox;

    private @Nullable String language;
    private @Nullable String linkHash;

    /** That of the link, until it is sent. */
    private @Nullable String secret;

    private boolean courtesy;
    private @Nullable UUID threadOf;
    private @Nullable Instant deliveredAt;
    private @Nullable Instant openedAt;
    private @Nullable Instant answeredAt;
    private @Nullable Instant awayAt;

    @SuppressWarnings("NullAway.Init")
    protected Notice() {}

    Notice(UUID id, Message message, Actor by, LocalDate day, Instant now) {
        this.id = id;
        this.fileId = message.fileId();
        this.documentId = message.documentId();
        this.types = message.types().toArray(String[]::new);
        this.purpose = message.purpose();
        this.recipient = message.recipient();
        this.subject = message.subject();
        this.body = message.body();
        this.queuedBy = by.name();
        this.queuedById = by.id();
        this.queuedOn = day;
        this.queuedAt = now;
        this.state = State.QUEUED;
        if (message.purpose().equals(Message.CHASE)) {
            this.mailbox = message.recipient().strip().toLowerCase(Locale.ROOT);
        }
        Message.Notified notified = message.notified();
        if (notified != null) {
            this.language = notified.language();
            this.secret = notified.secret();
            this.linkHash = notified.secret() == null ? null : Secrets.hash(notified.secret());
            this.courtesy = notified.courtesy();
            this.plannedOn = notified.plannedOn();
            this.notBefore = notified.notBefore();
            this.threadOf = notified.threadOf();
        }
    }

    /** Nobody else hands it over from now on, unless whoever does is never heard of again. */
    void claim(Instant now) {
        this.state = State.SENDING;
        this.claimedAt = now;
        this.attempts++;
    }

    /** Whoever claimed it is gone; whether it went out is not known, so it goes once more under the same number. */
    void release() {
        this.state = State.QUEUED;
        this.claimedAt = null;
    }

    /** It was claimed and not tried, as the mail server was slow. */
    void putBack() {
        release();
        this.attempts--;
    }

    void sent(Instant now) {
        this.state = State.SENT;
        this.finishedAt = now;
        this.notBefore = null;
        this.result = "accepted by the mail server";
        this.body = OneTimeSecret.removedFrom(body);
        this.secret = null;
    }

    /** Something of what it was to tell was met meanwhile. */
    void tellInstead(String otherSubject, String otherBody) {
        this.subject = otherSubject;
        this.body = otherBody;
    }

    /** Nothing of what it was to tell is wanted any more. */
    void cancel(Instant now, String why) {
        this.state = State.CANCELLED;
        this.finishedAt = now;
        this.notBefore = null;
        this.plannedOn = null;
        this.result = why;
        this.secret = null;
    }

    void delivered(Instant now) {
        this.deliveredAt = now;
    }

    /** @return whether it is the first time */
    boolean opened(Instant now) {
        boolean isFirst = openedAt == null;
        this.openedAt = isFirst ? now : openedAt;
        return isFirst;
    }

    void answered(Instant now) {
        this.answeredAt = now;
    }

    /** A machine answered that nobody reads it now. */
    void away(Instant now) {
        this.awayAt = now;
    }

    Stage stage() {
        return switch (state) {
            case QUEUED, SENDING -> Stage.QUEUED;
            case CANCELLED -> Stage.CANCELLED;
            case FAILED -> cameBack ? Stage.BOUNCED : Stage.FAILED;
            case SENT ->
                answeredAt != null
                        ? Stage.ANSWERED
                        : openedAt != null ? Stage.OPENED : deliveredAt != null ? Stage.DELIVERED : Stage.SENT;
        };
    }

    /** @param forGood whether trying again cannot help, as with an address that there is not */
    void failed(Instant now, String why, boolean forGood) {
        this.state = State.FAILED;
        this.finishedAt = now;
        this.result = why;
        long pause = Math.min(LONGEST_PAUSE, FIRST_PAUSE << Math.min(attempts - 1, 20));
        this.notBefore = forGood || attempts >= MOST_ATTEMPTS ? null : now.plusSeconds(pause);
    }

    /** The mail server had taken it and could not deliver it after all; it is not tried again by itself. */
    void cameBack(Instant now, String why) {
        this.state = State.FAILED;
        this.finishedAt = now;
        this.result = why;
        this.notBefore = null;
        this.cameBack = true;
        this.plannedOn = null;
    }

    boolean isClaimedBefore(Instant moment) {
        return claimedAt != null && claimedAt.isBefore(moment);
    }

    /** @param stuckSince a message claimed before then is taken for abandoned */
    boolean mayBeRetried(Instant stuckSince) {
        return switch (state) {
            // the secret of a link in it is gone, and the address is wrong
            case FAILED -> !cameBack;
            case QUEUED -> queuedAt.isBefore(stuckSince);
            case SENDING -> isClaimedBefore(stuckSince);
            case SENT, CANCELLED -> false;
        };
    }

    void queueAgain() {
        this.state = State.QUEUED;
        this.result = null;
        this.notBefore = null;
        this.claimedAt = null;
    }

    /** The same in every attempt, so that a mail server knows one that comes twice (RFC 5322, 3.6.4). */
    String messageId(String domain) {
        return "<" + id + "@" + domain + ">";
    }

    /** When it is tried again by itself; null when it is not. */
    @Nullable
    Instant nextAttempt() {
        return state == State.FAILED ? notBefore : null;
    }

    @Nullable
    UUID documentId() {
        return documentId;
    }

    List<String> types() {
        return types == null ? List.of() : List.of(types);
    }

    @Nullable
    UUID queuedById() {
        return queuedById;
    }

    UUID id() {
        return id;
    }

    @Nullable
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

    @Nullable
    Instant finishedAt() {
        return finishedAt;
    }

    @Nullable
    String result() {
        return result;
    }

    @Nullable
    String language() {
        return language;
    }

    @Nullable
    String secret() {
        return secret;
    }

    boolean isCourtesy() {
        return courtesy;
    }

    /** Whether a plan wrote it, rather than somebody. */
    boolean isOfPlan() {
        return plannedOn != null;
    }

    @Nullable
    UUID threadOf() {
        return threadOf;
    }

    @Nullable
    Instant awayAt() {
        return awayAt;
    }

    @Nullable
    Instant answeredAt() {
        return answeredAt;
    }

    @Nullable
    String mailbox() {
        return mailbox;
    }
}
