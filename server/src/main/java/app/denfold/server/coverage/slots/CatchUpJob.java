package app.denfold.server.coverage.slots;

import app.denfold.server.access.Actor;
import app.denfold.server.catalog.CatalogEvents.RulesChanged;
import app.denfold.server.jobs.Jobs;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Instant;
import java.util.UUID;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** After a change of rules, all files are recomputed as a job that survives restarts and tells how far it is. */
@Component
class CatchUpJob {

    private static final TaskDescriptor<Void> TASK = TaskDescriptor.of("catch-up-with-rules");

    /** The scheduler goes by the machine's clock, whatever day the practice is set to. */
    private static final Instant AT_ONCE = Instant.EPOCH;

    private final RecomputeSlots recompute;
    private final Jobs jobs;
    private final ObjectProvider<SchedulerClient> scheduler;

    CatchUpJob(RecomputeSlots recompute, Jobs jobs, ObjectProvider<SchedulerClient> scheduler) {
        this.recompute = recompute;
        this.jobs = jobs;
        this.scheduler = scheduler;
    }

    /** Once after an update that computes slots anew. */
    @Transactional
    void scheduleWhenOutdated() {
        schedule(new RulesChanged(0, "the product", Actor.system("Den Fold"), true, false));
    }

    /** Takes part in the running transaction: the job is there if and only if the change is. */
    @Transactional
    void schedule(RulesChanged change) {
        int outdated = recompute.countOutdated();
        if (outdated == 0) {
            return;
        }
        UUID job =
                jobs.begin("catch-up", "Recomputing slots after a change of " + change.what(), outdated, change.by());
        scheduler.getObject().scheduleIfNotExists(TASK.instance(job.toString()).scheduledTo(AT_ONCE));
    }

    void run(UUID job) {
        int total = recompute.countOutdated();
        try {
            int done = recompute.catchUp(count -> jobs.reached(job, count, total));
            jobs.done(job, done + (done == 1 ? " file" : " files") + " recomputed");
        } catch (RuntimeException failed) {
            jobs.failed(job, "Broke off and will be tried again: " + failed.getMessage());
            throw failed;
        }
    }

    @Configuration
    static class Registered {
        @Bean
        Task<Void> catchUpWithRules(ObjectProvider<CatchUpJob> job) {
            return Tasks.oneTime(TASK)
                    .execute((instance, context) -> job.getObject().run(UUID.fromString(instance.getId())));
        }
    }
}
