package app.denfold.server.signing;

import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.CollectionTable;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.Id;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.OrderColumn;
import jakarta.persistence.Version;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** Signers at one desk, one after the other, on one document. */
@Entity
class DeskSigning {

    enum State {
        OPEN,
        COMPLETE,
        WITHDRAWN
    }

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private UUID documentId;
    private String sourceSha256;

    @Enumerated(EnumType.STRING)
    private State state;

    private String startedBy;
    private Instant startedAt;
    private @Nullable Instant finishedAt;

    /** Who ended it; null while it is open. */
    private @Nullable String endedBy;

    /** Whether nothing is left to be done: signatures that were given are on a sealed copy. */
    private boolean sealed;

    @ElementCollection(fetch = FetchType.EAGER)
    @CollectionTable(name = "desk_signing_step", joinColumns = @JoinColumn(name = "signing_id"))
    @OrderColumn(name = "place")
    private List<SigningStep> steps = new ArrayList<>();

    @SuppressWarnings("NullAway.Init")
    protected DeskSigning() {}

    DeskSigning(UUID documentId, String sourceSha256, List<SigningStep> steps, String startedBy, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.documentId = documentId;
        this.sourceSha256 = sourceSha256;
        this.state = State.OPEN;
        this.startedBy = startedBy;
        this.startedAt = now;
        this.sealed = true;
        this.steps.addAll(steps);
    }

    Optional<SigningStep> next() {
        return steps.stream().filter(s -> !s.isSigned()).findFirst();
    }

    /** The next signer signs; the signing is complete after the last one. */
    SigningStep sign(String method, String mark, String by, Instant now) {
        SigningStep next = next().orElseThrow();
        SigningStep signed = next.signed(method, mark, now);
        steps.set(steps.indexOf(next), signed);
        if (next().isEmpty()) {
            finish(State.COMPLETE, by, now);
        }
        return signed;
    }

    void withdraw(String by, Instant now) {
        finish(State.WITHDRAWN, by, now);
    }

    private void finish(State as, String by, Instant now) {
        this.state = as;
        this.endedBy = by;
        this.finishedAt = now;
        this.sealed = signedSteps().isEmpty();
    }

    /** The sealed copy is made. */
    void seal() {
        this.sealed = true;
    }

    boolean isSealed() {
        return sealed;
    }

    @Nullable
    String endedBy() {
        return endedBy;
    }

    List<SigningStep> signedSteps() {
        return steps.stream().filter(SigningStep::isSigned).toList();
    }

    UUID id() {
        return id;
    }

    UUID documentId() {
        return documentId;
    }

    String sourceSha256() {
        return sourceSha256;
    }

    State state() {
        return state;
    }

    String startedBy() {
        return startedBy;
    }

    List<SigningStep> steps() {
        return List.copyOf(steps);
    }
}
