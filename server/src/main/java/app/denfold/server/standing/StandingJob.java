package app.denfold.server.standing;

import app.denfold.server.access.Actor;
import app.denfold.server.jobs.Jobs;
import app.denfold.server.practice.PracticeSettings;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.Schedules;
import java.time.Instant;
import java.time.LocalTime;
import java.util.List;
import java.util.Objects;
import java.util.UUID;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Works out how all papers stand after a change of rules, and each night of those that a passing day can change. */
@Component
class StandingJob {

    private static final TaskDescriptor<Void> TASK = TaskDescriptor.of("work-out-standing");

    /** The scheduler goes by the machine's clock, whatever day the practice is set to. */
    private static final Instant AT_ONCE = Instant.EPOCH;

    private static final int AT_A_TIME = 200;

    private final PaperStandingRepository rows;
    private final WorkOutStanding workOut;
    private final Jobs jobs;
    private final TransactionTemplate transactions;
    private final ObjectProvider<SchedulerClient> scheduler;

    StandingJob(
            PaperStandingRepository rows,
            WorkOutStanding workOut,
            Jobs jobs,
            TransactionTemplate transactions,
            ObjectProvider<SchedulerClient> scheduler) {
        this.rows = rows;
        this.workOut = workOut;
        this.jobs = jobs;
        this.transactions = transactions;
        this.scheduler = scheduler;
    }

    /** Of papers that were kept before it was worked out at all. */
    @Transactional
    public void catchUpWhenStarted() {
        schedule("the product", Actor.system("Den Fold"));
    }

    /** Takes part in the running transaction. @param why after what it is worked out anew */
    @Transactional
    public void schedule(String why, Actor by) {
        int outdated = rows.countOutdated();
        if (outdated > 0) {
            UUID job = jobs.begin("standing", "Working out how papers stand after " + why, outdated, by);
            scheduler
                    .getObject()
                    .scheduleIfNotExists(TASK.instance(job.toString()).scheduledTo(AT_ONCE));
        }
    }

    void run(UUID job) {
        int total = rows.countOutdated();
        try {
            int done = catchUp(job, total);
            jobs.done(job, done + (done == 1 ? " paper" : " papers") + " looked at");
        } catch (RuntimeException failed) {
            jobs.failed(job, "Broke off and will be tried again: " + failed.getMessage());
            throw failed;
        }
    }

    private int catchUp(UUID job, int total) {
        int done = 0;
        for (int some = next(); some > 0; some = next()) {
            done += some;
            jobs.reached(job, Math.min(done, total), total);
        }
        return done;
    }

    /** The next outdated papers. @return how many they were */
    int next() {
        return Objects.requireNonNull(transactions.execute(t -> {
            List<UUID> some = rows.findOutdated(Limit.of(AT_A_TIME));
            workOut.workOut(some);
            return some.size();
        }));
    }

    void nightly() {
        transactions.executeWithoutResult(t -> rows.outdateWaiting());
        while (next() > 0) {
            // until none is left
        }
    }

    @Configuration
    static class Registered {
        @Bean
        Task<Void> workOutStandingTask(ObjectProvider<StandingJob> job) {
            return Tasks.oneTime(TASK)
                    .execute((instance, context) -> job.getObject().run(UUID.fromString(instance.getId())));
        }

        @Bean
        Task<Void> rollOfStanding(ObjectProvider<StandingJob> job, PracticeSettings settings) {
            return Tasks.recurring("roll-of-standing", Schedules.daily(settings.zone(), LocalTime.of(0, 25)))
                    .execute((instance, context) -> job.getObject().nightly());
        }
    }
}
