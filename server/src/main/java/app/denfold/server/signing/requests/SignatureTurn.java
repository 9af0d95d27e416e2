package app.denfold.server.signing.requests;

import app.denfold.core.signing.SigningTurn;
import app.denfold.core.signing.SigningTurn.Outcome;
import app.denfold.core.signing.SigningTurn.Task;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.UUID;
import org.hibernate.annotations.DynamicUpdate;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;
import org.jspecify.annotations.Nullable;

/** What one person has to do in a request, and what came of it. */
@Entity
@DynamicUpdate
public class SignatureTurn {

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private int step;

    @Enumerated(EnumType.STRING)
    private Task task;

    private String role;
    private String roleLabel;

    /** Of a colleague; null for everybody else. */
    private @Nullable UUID accountId;

    private String name;

    /** Of mail; null when he is not reached by mail. */
    private @Nullable String address;

    @Enumerated(EnumType.STRING)
    private Outcome outcome;

    private @Nullable Instant doneAt;
    private @Nullable UUID doneById;

    /** Who did it, where that was a deputy; null otherwise. */
    private @Nullable String doneFor;

    @Enumerated(EnumType.STRING)
    private @Nullable KnownBy knownBy;

    private @Nullable String sessionOf;
    private @Nullable String knownAddress;
    private @Nullable UUID noticeId;
    private @Nullable String reason;
    private @Nullable String method;

    @JdbcTypeCode(SqlTypes.JSON)
    private @Nullable String mark;

    private @Nullable Instant toldAt;
    private @Nullable Instant openedAt;
    private int reminders;
    private @Nullable Instant remindedAt;
    private @Nullable String passedOnBy;

    /** Bytes that came back signed with a pen; null while none have. */
    private @Nullable String scanSha256;

    /** What is to be known of them, such as that a page is missing; null for nothing. */
    private @Nullable String scanWords;

    @SuppressWarnings("NullAway.Init")
    protected SignatureTurn() {}

    /**
     * @param accountId of a colleague; null for everybody else
     * @param address of mail; null when he is not reached by mail
     */
    @SuppressWarnings("NullAway.Init")
    public SignatureTurn(
            int step,
            Task task,
            String role,
            String roleLabel,
            @Nullable UUID accountId,
            String name,
            @Nullable String address) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.step = step;
        this.task = task;
        this.role = role;
        this.roleLabel = roleLabel;
        this.accountId = accountId;
        this.name = name;
        this.address = address;
        this.outcome = Outcome.OPEN;
    }

    /** @param given {@code PEN}, {@code TYPED} or {@code PAPER}; null where nothing is signed */
    void done(Hand by, @Nullable String given, @Nullable String drawing, Instant now) {
        end(Outcome.DONE, by, null, now);
        this.method = given;
        this.mark = drawing;
    }

    void end(Outcome how, Hand by, @Nullable String words, Instant now) {
        this.outcome = how;
        this.doneAt = now;
        this.doneById = by.accountId();
        this.doneFor = by.forName() == null ? null : by.actor().name();
        this.knownBy = by.knownBy();
        this.sessionOf = by.sessionOf();
        this.knownAddress = by.address();
        this.reason = words;
    }

    /** Somebody else takes it over. @param by who passed it on */
    public void goesTo(@Nullable UUID account, String newName, @Nullable String newAddress, String by) {
        this.accountId = account;
        this.name = newName;
        this.address = newAddress;
        this.passedOnBy = by;
        this.toldAt = null;
        this.noticeId = null;
        this.openedAt = null;
        this.reminders = 0;
        this.remindedAt = null;
    }

    /** It came back signed with a pen; whoever asked has still to look at it. */
    public void cameBack(String sha256, @Nullable String words) {
        this.outcome = Outcome.TO_CONFIRM;
        this.scanSha256 = sha256;
        this.scanWords = words;
    }

    /** What came back is not it: he is asked as before. */
    public void notIt() {
        this.outcome = Outcome.OPEN;
        this.scanSha256 = null;
        this.scanWords = null;
    }

    public @Nullable String scanSha256() {
        return scanSha256;
    }

    public @Nullable String scanWords() {
        return scanWords;
    }

    /** He was told that it is his turn. */
    public void told(Instant now) {
        this.toldAt = now;
    }

    /** By which mail he was told last; null before, or when he has no address. */
    public @Nullable UUID noticeId() {
        return noticeId;
    }

    public void writtenTo(UUID notice) {
        this.noticeId = notice;
    }

    public void reminded(Instant now) {
        this.reminders++;
        this.remindedAt = now;
    }

    /** He looked at the papers, the first time. */
    public void opened(Instant now) {
        if (openedAt == null) {
            openedAt = now;
        }
    }

    public SigningTurn forRules() {
        return new SigningTurn(step, task, outcome);
    }

    /** Who stands on the paper: the signer, or his deputy for him. */
    public String signedName() {
        return doneFor == null ? name : doneFor + " for " + name;
    }

    public boolean isSigned() {
        return task == Task.SIGN && outcome == Outcome.DONE;
    }

    public UUID id() {
        return id;
    }

    public int step() {
        return step;
    }

    public Task task() {
        return task;
    }

    public String role() {
        return role;
    }

    public String roleLabel() {
        return roleLabel;
    }

    public @Nullable UUID accountId() {
        return accountId;
    }

    public String name() {
        return name;
    }

    public @Nullable String address() {
        return address;
    }

    public Outcome outcome() {
        return outcome;
    }

    public @Nullable Instant doneAt() {
        return doneAt;
    }

    public @Nullable KnownBy knownBy() {
        return knownBy;
    }

    public @Nullable String sessionOf() {
        return sessionOf;
    }

    public @Nullable String knownAddress() {
        return knownAddress;
    }

    public @Nullable String reason() {
        return reason;
    }

    public @Nullable String method() {
        return method;
    }

    public @Nullable String mark() {
        return mark;
    }

    public @Nullable Instant toldAt() {
        return toldAt;
    }

    public @Nullable Instant openedAt() {
        return openedAt;
    }

    public int reminders() {
        return reminders;
    }

    public @Nullable Instant remindedAt() {
        return remindedAt;
    }

    public @Nullable String passedOnBy() {
        return passedOnBy;
    }
}
