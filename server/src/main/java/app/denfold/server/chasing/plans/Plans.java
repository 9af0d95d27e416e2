package app.denfold.server.chasing.plans;

import app.denfold.core.notices.Plan;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.audit.AuditEntry;
import app.denfold.server.audit.AuditTrail;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.documents.Documents;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the plans. */
@Service
public class Plans {

    private static final int MOST = 100;

    private final NoticePlanRepository plans;
    private final KeptWordsRepository words;
    private final Catalog catalog;
    private final Documents documents;
    private final Kinds kinds;
    private final Accounts accounts;
    private final AuditTrail trail;
    private final PracticeCalendar calendar;

    Plans(
            NoticePlanRepository plans,
            KeptWordsRepository words,
            Catalog catalog,
            Documents documents,
            Kinds kinds,
            Accounts accounts,
            AuditTrail trail,
            PracticeCalendar calendar) {
        this.plans = plans;
        this.words = words;
        this.catalog = catalog;
        this.documents = documents;
        this.kinds = kinds;
        this.accounts = accounts;
        this.trail = trail;
        this.calendar = calendar;
    }

    /** @param changes how often it was changed, which a change of it has to name */
    record PlanAnswer(UUID id, int changes, PlanDetails plan, String changedBy, Instant changedAt) {}

    /** By name, those that are about nothing of which the viewer may not know. */
    @Transactional(readOnly = true)
    List<PlanAnswer> all(Viewer viewer) {
        Catalog.Rules rules = catalog.rules();
        return plans.findAllByOrderByNameAscIdAsc().stream()
                .filter(p -> isVisible(viewer, rules, p.details().scope()))
                .map(p -> new PlanAnswer(p.id(), p.changes(), p.details(), p.changedBy(), p.changedAt()))
                .toList();
    }

    private boolean isVisible(Viewer viewer, Catalog.Rules rules, PlanScope scope) {
        String checklist = scope.checklist();
        UUID paper = scope.documentId();
        return viewer.maySee(scope.types())
                && (checklist == null
                        || scope.requirements().stream().allMatch(r -> viewer.maySeeAny(rules.typesOf(checklist, r))))
                && (paper == null || !documents.visible(viewer, List.of(paper)).isEmpty());
    }

    /** Those that tell people. */
    @Transactional(readOnly = true)
    public List<Plan> running() {
        return plans.findAllByOrderByNameAscIdAsc().stream()
                .filter(p -> !p.isPaused())
                .map(NoticePlan::plan)
                .toList();
    }

    /** Those that are paused too. */
    @Transactional(readOnly = true)
    public List<Plan> everyOne() {
        return plans.findAllByOrderByNameAscIdAsc().stream()
                .map(NoticePlan::plan)
                .toList();
    }

    /** The same with one in another form, or one more. @param id of the one that changes; null for one that is new */
    @Transactional(readOnly = true)
    public Plan supposed(@Nullable UUID id, PlanDetails details) {
        return checked(details).plan(id == null ? UUID.randomUUID().toString() : id.toString());
    }

    /** @throws Refusal when the name is taken, or something it names does not exist */
    @Transactional
    public UUID add(Viewer viewer, PlanDetails details) {
        viewer.requireAdministrator();
        if (plans.count() >= MOST) {
            throw Refusal.conflict("too-many-plans", "There are " + MOST + " plans already. Remove one first.");
        }
        NoticePlan plan = plans.save(new NoticePlan(free(checked(details), null), viewer.actor(), calendar.now()));
        trail.record(AuditEntry.general(viewer.actor(), "notice-plan", "made the plan “" + plan.name() + "”"));
        return plan.id();
    }

    /** @throws Refusal likewise, or when somebody else changed it since {@code changes} */
    @Transactional
    void change(Viewer viewer, UUID id, int changes, PlanDetails details) {
        viewer.requireAdministrator();
        NoticePlan plan = plans.findById(id).orElseThrow(() -> Refusal.notFound("plan"));
        if (plan.changes() != changes) {
            throw Refusal.changedMeanwhile("this plan");
        }
        plan.change(free(checked(details), id), viewer.actor(), calendar.now());
        trail.record(AuditEntry.general(viewer.actor(), "notice-plan", "changed the plan “" + plan.name() + "”"));
    }

    @Transactional
    void remove(Viewer viewer, UUID id) {
        viewer.requireAdministrator();
        NoticePlan plan = plans.findById(id).orElseThrow(() -> Refusal.notFound("plan"));
        plans.delete(plan);
        trail.record(AuditEntry.general(viewer.actor(), "notice-plan", "removed the plan “" + plan.name() + "”"));
    }

    private PlanDetails free(PlanDetails details, @Nullable UUID own) {
        if (plans.findAllByOrderByNameAscIdAsc().stream()
                .anyMatch(p -> p.name().equalsIgnoreCase(details.name()) && !p.id().equals(own))) {
            throw Refusal.invalid("name", "There is a plan of this name already.");
        }
        return details;
    }

    private PlanDetails checked(PlanDetails details) {
        PlanDetails checked = details.checked();
        PlanScope scope = checked.scope();
        scope.kinds().forEach(kinds::kind);
        scope.types().forEach(catalog::type);
        if (scope.checklist() != null && !catalog.checklistCodes().contains(scope.checklist())) {
            throw Refusal.invalid("checklist", "There is no such checklist.");
        }
        for (PlanStepDetails step : checked.steps()) {
            UUID used = step.words();
            if (used != null && !words.existsById(used)) {
                throw Refusal.invalid("words", "These words were removed. Choose others.");
            }
            UUID account = step.who().accountId();
            if (account != null
                    && accounts.viewer(account)
                            .filter(v -> v.role().worksHere())
                            .isEmpty()) {
                throw Refusal.invalid("who", "Choose a colleague who has an account.");
            }
        }
        return checked;
    }
}
