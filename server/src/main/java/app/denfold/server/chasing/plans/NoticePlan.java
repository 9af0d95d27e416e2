package app.denfold.server.chasing.plans;

import app.denfold.core.notices.Plan;
import app.denfold.server.access.Actor;
import com.github.f4b6a3.uuid.UuidCreator;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.type.SqlTypes;

/** When people are told, who, and in which words. */
@Entity
class NoticePlan {

    @Id
    private UUID id;

    @SuppressWarnings("NullAway.Init")
    @Version
    private Integer version;

    private String name;

    @JdbcTypeCode(SqlTypes.JSON)
    private PlanScope scope;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<PlanStepDetails> steps;

    private LocalDate beginsOn;
    private boolean courtesy;
    private boolean paused;
    private String changedBy;
    private Instant changedAt;

    @SuppressWarnings("NullAway.Init")
    protected NoticePlan() {}

    @SuppressWarnings("NullAway.Init")
    NoticePlan(PlanDetails details, Actor by, Instant now) {
        this.id = UuidCreator.getTimeOrderedEpoch();
        change(details, by, now);
    }

    void change(PlanDetails details, Actor by, Instant now) {
        this.name = details.name().strip();
        this.scope = details.scope();
        this.steps = List.copyOf(details.steps());
        this.beginsOn = details.beginsOn();
        this.courtesy = details.courtesy();
        this.paused = details.paused();
        this.changedBy = by.name();
        this.changedAt = now;
    }

    /** As it is set up. */
    PlanDetails details() {
        return new PlanDetails(name, scope, List.copyOf(steps), beginsOn, courtesy, paused);
    }

    Plan plan() {
        return details().plan(id.toString());
    }

    UUID id() {
        return id;
    }

    int changes() {
        return version == null ? 0 : version;
    }

    String name() {
        return name;
    }

    boolean isPaused() {
        return paused;
    }

    boolean uses(UUID words) {
        return steps.stream().anyMatch(s -> words.equals(s.words()));
    }

    String changedBy() {
        return changedBy;
    }

    Instant changedAt() {
        return changedAt;
    }
}
