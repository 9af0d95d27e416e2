package app.denfold.server.handover;

import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.annotation.Nullable;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** The way of one paper from colleague to colleague, until somebody finishes it. */
@Entity
class HandOver {

    enum State {
        OPEN,
        FINISHED
    }

    /** What was done in a step. */
    enum Act {
        HANDED_OVER,
        PASSED_ON,
        RETURNED,
        FINISHED
    }

    /** @param toId and @param to nobody when it was finished */
    record Step(
            Act act,
            UUID byId,
            String by,
            @Nullable UUID toId,
            @Nullable String to,
            @Nullable String note,
            Instant at) {}

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private UUID documentId;
    private UUID fileId;

    @Enumerated(EnumType.STRING)
    private State state;

    private @Nullable UUID holderId;
    private @Nullable LocalDate due;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<Step> steps = new ArrayList<>();

    @SuppressWarnings("NullAway.Init")
    protected HandOver() {}

    HandOver(UUID documentId, UUID fileId, @Nullable LocalDate due, Step first) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        this.documentId = documentId;
        this.fileId = fileId;
        this.due = due;
        this.state = State.OPEN;
        this.holderId = first.toId();
        this.steps = List.of(first);
    }

    void take(Step step) {
        List<Step> longer = new ArrayList<>(steps);
        longer.add(step);
        this.steps = longer;
        if (step.act() == Act.FINISHED) {
            this.state = State.FINISHED;
        } else {
            this.holderId = step.toId();
        }
    }

    void followTo(UUID file) {
        this.fileId = file;
    }

    /** From whom the present holder has it: by the last step that brought it to him other than by being returned. */
    Step broughtBy() {
        for (int i = steps.size() - 1; i >= 0; i--) {
            Step step = steps.get(i);
            if (step.act() != Act.RETURNED && step.toId() != null && step.toId().equals(holderId)) {
                return step;
            }
        }
        return steps.get(0);
    }

    UUID id() {
        return id;
    }

    UUID documentId() {
        return documentId;
    }

    UUID fileId() {
        return fileId;
    }

    boolean isOpen() {
        return state == State.OPEN;
    }

    @Nullable
    UUID holderId() {
        return holderId;
    }

    @Nullable
    LocalDate due() {
        return due;
    }

    List<Step> steps() {
        return steps;
    }
}
