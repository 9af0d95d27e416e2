package app.denfold.server.chasing.plans;

import app.denfold.core.notices.Occasion;
import app.denfold.core.notices.PlanStep;
import app.denfold.core.notices.Who;
import app.denfold.core.people.RelationKind;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Objects;
import java.util.UUID;

/**
 * A step of a plan, as it is set up and kept.
 *
 * @param id stays the same whatever else changes; null for a step that is new
 * @param days after the day of the occasion; negative before it
 * @param every so many days it comes again; 0 for never
 * @param times how often in all
 * @param words which words it uses; null for a task
 */
public record PlanStepDetails(
        @Nullable String id,
        @NotNull Occasion occasion,
        int days,
        int every,
        int times,
        @NotNull @Valid Told who,
        @Nullable UUID words) {

    /** Whom a step tells. */
    public enum WhoKind {
        PERSON,
        RELATED,
        SUPERVISOR,
        COLLEAGUE,
        OUTSIDE,
        TASK
    }

    /**
     * @param relation for {@code RELATED}
     * @param accountId for {@code COLLEAGUE}; for {@code TASK} whose it is, or null for everybody's
     * @param name for {@code OUTSIDE}
     * @param address for {@code OUTSIDE}
     */
    public record Told(
            @NotNull WhoKind kind,
            @Nullable RelationKind relation,
            @Nullable UUID accountId,

            @Nullable @Size(max = 120, message = "has up to 120 letters")
            String name,

            @Nullable @Email(message = "is no email address") @Size(max = 254, message = "is too long")
            String address) {

        Who who() {
            return switch (kind) {
                case PERSON -> new Who.ThePerson();
                case RELATED -> new Who.Related(Objects.requireNonNull(relation));
                case SUPERVISOR -> new Who.Supervisor();
                case COLLEAGUE ->
                    new Who.Colleague(Objects.requireNonNull(accountId).toString());
                case OUTSIDE -> new Who.Outside(Objects.requireNonNull(name), Objects.requireNonNull(address));
                case TASK -> new Who.Task(accountId == null ? null : accountId.toString());
            };
        }

        /** The same with what does not belong to its kind left out. @throws Refusal when something is missing */
        Told checked() {
            switch (kind) {
                case RELATED -> {
                    if (relation == null) {
                        throw Refusal.invalid("who", "Choose what they are to the person.");
                    }
                }
                case COLLEAGUE -> {
                    if (accountId == null) {
                        throw Refusal.invalid("who", "Choose the colleague.");
                    }
                }
                case OUTSIDE -> {
                    if (name == null || name.isBlank() || address == null || address.isBlank()) {
                        throw Refusal.invalid("who", "Give the name and the email address of whoever is written to.");
                    }
                }
                default -> {}
            }
            boolean isOutside = kind == WhoKind.OUTSIDE;
            return new Told(
                    kind,
                    kind == WhoKind.RELATED ? relation : null,
                    kind == WhoKind.COLLEAGUE || kind == WhoKind.TASK ? accountId : null,
                    isOutside ? Objects.requireNonNull(name).strip() : null,
                    isOutside ? Objects.requireNonNull(address).strip() : null);
        }
    }

    boolean isTask() {
        return who.kind() == WhoKind.TASK;
    }

    /** @throws Refusal when it makes no sense */
    PlanStepDetails checked() {
        if (occasion == null || who == null || who.kind() == null) {
            throw Refusal.invalid("steps", "Say when and whom each step tells.");
        }
        if (words == null && who.kind() != WhoKind.TASK) {
            throw Refusal.invalid("words", "Choose the words of each step.");
        }
        PlanStepDetails checked = new PlanStepDetails(
                id == null || id.isBlank() ? UUID.randomUUID().toString() : id,
                occasion,
                days,
                every,
                times == 0 ? 1 : times,
                who.checked(),
                who.kind() == WhoKind.TASK ? null : words);
        try {
            checked.step();
        } catch (IllegalArgumentException senseless) {
            throw Refusal.invalid("steps", senseless.getMessage() + ".");
        }
        return checked;
    }

    PlanStep step() {
        return new PlanStep(
                Objects.requireNonNull(id),
                occasion,
                days,
                every,
                times,
                who.who(),
                words == null ? "" : words.toString());
    }
}
