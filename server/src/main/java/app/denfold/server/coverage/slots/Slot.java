package app.denfold.server.coverage.slots;

import app.denfold.core.rules.Renewal;
import app.denfold.core.rules.Requirement;
import app.denfold.core.rules.RequirementAnswer;
import app.denfold.core.rules.Status;
import app.denfold.server.coverage.SlotKey;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.PostLoad;
import jakarta.persistence.PostPersist;
import jakarta.persistence.Transient;
import java.time.LocalDate;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Persistable;

/** How a requirement stands in a file: a cache of what the core computes, with the steps ahead of it. */
@Entity
class Slot implements Persistable<SlotKey> {

    @EmbeddedId
    private SlotKey key;

    private int place;
    private boolean blocking;

    @Enumerated(EnumType.STRING)
    private Status status;

    private @Nullable LocalDate since;
    private @Nullable LocalDate coveredThrough;
    private @Nullable LocalDate due;

    @Enumerated(EnumType.STRING)
    private Renewal renewal;

    private @Nullable LocalDate nextChangeOn;

    @Enumerated(EnumType.STRING)
    private @Nullable Status nextStatus;

    private @Nullable LocalDate fallsOn;

    @Enumerated(EnumType.STRING)
    private @Nullable Status fallsTo;

    private @Nullable String course;

    @Transient
    private boolean stored;

    @SuppressWarnings("NullAway.Init")
    protected Slot() {}

    /** Says nothing before {@link #take}. */
    @SuppressWarnings("NullAway.Init")
    Slot(SlotKey key) {
        this.key = key;
    }

    /** @param answers for today and each change after it */
    void take(List<RequirementAnswer> answers, @Nullable LocalDate since, int place) {
        RequirementAnswer now = answers.get(0);
        this.place = place;
        this.blocking = now.level() == Requirement.Level.BLOCKING;
        this.since = since;
        stand(now.status(), now.coveredThrough(), now.due(), now.renewal());
        lookAhead(Step.Ahead.of(answers));
    }

    private void stand(Status as, @Nullable LocalDate covered, @Nullable LocalDate dueDay, Renewal renewed) {
        this.status = as;
        this.coveredThrough = covered;
        this.due = dueDay;
        this.renewal = renewed;
    }

    private void lookAhead(Step.Ahead ahead) {
        List<Step> steps = ahead.steps();
        this.course = ahead.write();
        this.nextChangeOn = steps.isEmpty() ? null : steps.get(0).on();
        this.nextStatus = steps.isEmpty() ? null : steps.get(0).status();
        Step fall = status.isOpen()
                ? null
                : steps.stream().filter(Slot::isUncovered).findFirst().orElse(null);
        this.fallsOn = fall == null ? null : fall.on();
        this.fallsTo = fall == null ? null : fall.status();
    }

    private static boolean isUncovered(Step step) {
        return step.status().isOpen() || step.status() == Status.IN_GRACE;
    }

    /**
     * Makes the changes whose day has come.
     *
     * @return false when the kept steps do not reach far enough, so that the file must be computed anew
     */
    boolean advanceTo(LocalDate day) {
        Step.Ahead ahead = Step.Ahead.read(course);
        int passed = 0;
        for (Step step : ahead.steps()) {
            if (step.on().isAfter(day)) {
                break;
            }
            stand(step.status(), step.coveredThrough(), step.due(), step.renewal());
            since = step.on();
            passed++;
        }
        List<Step> left = ahead.steps().subList(passed, ahead.steps().size());
        if (left.isEmpty() && ahead.moreFollow()) {
            return false;
        }
        lookAhead(new Step.Ahead(left, ahead.moreFollow()));
        return true;
    }

    @Override
    public SlotKey getId() {
        return key;
    }

    @Override
    public boolean isNew() {
        return !stored;
    }

    @PostLoad
    @PostPersist
    void wasStored() {
        stored = true;
    }

    SlotKey key() {
        return key;
    }

    boolean isBlocking() {
        return blocking;
    }

    Status status() {
        return status;
    }
}
