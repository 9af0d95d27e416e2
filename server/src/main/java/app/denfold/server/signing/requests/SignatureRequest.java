package app.denfold.server.signing.requests;

import app.denfold.core.signing.Reminders;
import app.denfold.core.signing.RequestState;
import app.denfold.core.signing.SigningOrder;
import app.denfold.core.signing.SigningTurn.Outcome;
import app.denfold.core.signing.SigningTurn.Task;
import app.denfold.server.access.Actor;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.CascadeType;
import jakarta.persistence.CollectionTable;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OneToMany;
import jakarta.persistence.OrderColumn;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Function;
import org.hibernate.annotations.BatchSize;
import org.jspecify.annotations.Nullable;

/** Papers that are to be signed, by whom and in which order. */
@Entity
@BatchSize(size = 200)
public class SignatureRequest {

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    @Enumerated(EnumType.STRING)
    private RequestState state;

    /** Whether everybody signs at one desk, one after the other. */
    private boolean atDesk;

    /** Null of signings at a desk from before accounts were noted. */
    private @Nullable UUID askedById;

    private String askedBy;
    private Instant askedAt;
    private @Nullable String message;
    private @Nullable LocalDate dueOn;
    private boolean endsAtDue;
    private int remindEveryDays;
    private int remindMost;
    private boolean mayPassOn;
    private @Nullable Instant endedAt;

    /** Who ended it; null while it is open. */
    private @Nullable String endedBy;

    private @Nullable String endReason;
    private @Nullable UUID replacedBy;

    @ElementCollection(fetch = FetchType.LAZY)
    @CollectionTable(name = "signature_paper", joinColumns = @JoinColumn(name = "request_id"))
    @OrderColumn(name = "place")
    @BatchSize(size = 200)
    private List<RequestPaper> papers = new ArrayList<>();

    @OneToMany(fetch = FetchType.LAZY, cascade = CascadeType.ALL, orphanRemoval = true)
    @JoinColumn(name = "request_id", nullable = false, updatable = false)
    @OrderColumn(name = "place", nullable = false)
    @BatchSize(size = 200)
    private List<SignatureTurn> turns = new ArrayList<>();

    @ElementCollection(fetch = FetchType.LAZY)
    @CollectionTable(name = "signature_field", joinColumns = @JoinColumn(name = "request_id"))
    @OrderColumn(name = "place")
    @BatchSize(size = 200)
    private List<SignField> fields = new ArrayList<>();

    @SuppressWarnings("NullAway.Init")
    protected SignatureRequest() {}

    @SuppressWarnings("NullAway.Init")
    public SignatureRequest(
            boolean atDesk,
            List<RequestPaper> papers,
            List<SignatureTurn> turns,
            List<SignField> fields,
            Asked asked,
            Actor by,
            Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.state = RequestState.OPEN;
        this.atDesk = atDesk;
        this.askedById = by.id();
        this.askedBy = by.name();
        this.askedAt = now;
        this.message = asked.message();
        this.dueOn = asked.dueOn();
        this.endsAtDue = asked.endsAtDue();
        this.remindEveryDays = asked.reminders().everyDays();
        this.remindMost = asked.reminders().most();
        this.mayPassOn = asked.mayPassOn();
        this.papers.addAll(papers);
        this.turns.addAll(turns);
        this.fields.addAll(fields);
    }

    /** Turns that can be taken now, in their order. */
    public List<SignatureTurn> whoseTurn() {
        return state.isEnded()
                ? List.of()
                : order().whoseTurn().stream().map(turns::get).toList();
    }

    private SigningOrder order() {
        return new SigningOrder(turns.stream().map(SignatureTurn::forRules).toList());
    }

    /** Why a turn cannot be taken; empty when it can. */
    public Optional<SigningOrder.Hindrance> hindrance(SignatureTurn turn, LocalDate today) {
        return order().hindrance(turns.indexOf(turn), state, lastDay(), today);
    }

    /** After which nobody can sign; null for no such day. */
    public @Nullable LocalDate lastDay() {
        return endsAtDue ? dueOn : null;
    }

    /** Somebody approved or signed; the request is complete after the last one. */
    public void take(SignatureTurn turn, Hand by, @Nullable String given, @Nullable String drawing, Instant now) {
        turn.done(by, given, drawing, now);
        follow(by.actor().name(), null, now);
    }

    /** Somebody will not, or gives it back: the request has ended. */
    public void refuse(SignatureTurn turn, Hand by, String words, Instant now) {
        turn.end(turn.task() == Task.APPROVE ? Outcome.SENT_BACK : Outcome.DECLINED, by, words, now);
        follow(by.actor().name(), words, now);
    }

    private void follow(String by, @Nullable String words, Instant now) {
        RequestState reached = order().state();
        if (reached.isEnded()) {
            end(reached, by, words, now);
        }
    }

    /** Ends it; signatures already given are kept. */
    public void end(RequestState as, String by, @Nullable String words, Instant now) {
        this.state = as;
        this.endedBy = by;
        this.endReason = words;
        this.endedAt = now;
        eachPaper(p -> p.ended(signedOn(p.documentId()).isEmpty()));
    }

    public void replacedBy(UUID newer) {
        this.replacedBy = newer;
    }

    /** The sealed copy of a paper is made. */
    public void sealed(UUID documentId) {
        eachPaper(p -> p.documentId().equals(documentId) ? p.withSeal() : p);
    }

    private void eachPaper(Function<RequestPaper, RequestPaper> change) {
        papers.replaceAll(change::apply);
    }

    /** What the signer wrote into his fields. */
    public void fill(Function<SignField, SignField> filling) {
        fields.replaceAll(filling::apply);
    }

    public void due(@Nullable LocalDate day) {
        this.dueOn = day;
    }

    /** The paper is gone for good. @return whether none is left */
    public boolean forget(UUID documentId) {
        papers.removeIf(p -> p.documentId().equals(documentId));
        fields.removeIf(f -> f.documentId().equals(documentId));
        return papers.isEmpty();
    }

    public Optional<SignatureTurn> turn(UUID turnId) {
        return turns.stream().filter(t -> t.id().equals(turnId)).findFirst();
    }

    /** Turns that were signed on a paper, in the order in which they were. */
    public List<SignatureTurn> signedOn(UUID documentId) {
        return turns.stream()
                .filter(SignatureTurn::isSigned)
                .filter(t -> fields.stream()
                        .anyMatch(
                                f -> f.turnId().equals(t.id()) && f.documentId().equals(documentId)))
                .sorted(java.util.Comparator.comparing(SignatureTurn::doneAt))
                .toList();
    }

    /** Papers that a turn signs, or all where it approves. */
    public List<RequestPaper> papersOf(SignatureTurn turn) {
        return turn.task() == Task.APPROVE
                ? papers()
                : papers.stream()
                        .filter(p -> fields.stream()
                                .anyMatch(f -> f.turnId().equals(turn.id())
                                        && f.documentId().equals(p.documentId())))
                        .toList();
    }

    public Optional<RequestPaper> paper(UUID documentId) {
        return papers.stream().filter(p -> p.documentId().equals(documentId)).findFirst();
    }

    public Reminders reminders() {
        return new Reminders(remindEveryDays, remindMost);
    }

    public Asked asked() {
        return new Asked(message, dueOn, endsAtDue, reminders(), mayPassOn);
    }

    public UUID id() {
        return id;
    }

    public RequestState state() {
        return state;
    }

    public boolean isAtDesk() {
        return atDesk;
    }

    public @Nullable UUID askedById() {
        return askedById;
    }

    public String askedBy() {
        return askedBy;
    }

    /** As the trail names whoever asked. */
    public Actor asker() {
        return new Actor(askedById, askedBy);
    }

    public Instant askedAt() {
        return askedAt;
    }

    public @Nullable String message() {
        return message;
    }

    public @Nullable LocalDate dueOn() {
        return dueOn;
    }

    public boolean mayPassOn() {
        return mayPassOn;
    }

    public @Nullable Instant endedAt() {
        return endedAt;
    }

    public @Nullable String endedBy() {
        return endedBy;
    }

    public @Nullable String endReason() {
        return endReason;
    }

    public @Nullable UUID replacedBy() {
        return replacedBy;
    }

    public List<RequestPaper> papers() {
        return List.copyOf(papers);
    }

    public List<SignatureTurn> turns() {
        return List.copyOf(turns);
    }

    public List<SignField> fields() {
        return List.copyOf(fields);
    }
}
