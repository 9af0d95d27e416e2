package app.denfold.server.keeping;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.jobs.Jobs;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.problems.Refusal;
import com.github.f4b6a3.uuid.UuidCreator;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.io.Serializable;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;

/** Destroys files one after the other; one that is gone already is left alone, so that it can be done again. */
@Component
class DestroyFilesJob {

    private static final int MOST_TOLD = 3;

    /** @param account whose decision it is @param job by which its progress is told */
    record Chosen(UUID account, UUID job, UUID certificate, List<UUID> files) implements Serializable {}

    private static final TaskDescriptor<Chosen> TASK = TaskDescriptor.of("destroy-files", Chosen.class);

    private final DestroyFile destroy;
    private final DestroyedFileRepository destroyed;
    private final PersonFiles files;
    private final Accounts accounts;
    private final Jobs jobs;
    private final ObjectProvider<SchedulerClient> scheduler;

    DestroyFilesJob(
            DestroyFile destroy,
            DestroyedFileRepository destroyed,
            PersonFiles files,
            Accounts accounts,
            Jobs jobs,
            ObjectProvider<SchedulerClient> scheduler) {
        this.destroy = destroy;
        this.destroyed = destroyed;
        this.files = files;
        this.accounts = accounts;
        this.jobs = jobs;
        this.scheduler = scheduler;
    }

    /** Takes part in the running transaction. @return the number of the certificate */
    UUID begin(Viewer viewer, List<UUID> files) {
        String title = files.size() == 1 ? "Destroying 1 file" : "Destroying " + files.size() + " files";
        UUID job = jobs.begin("keeping", title, files.size(), viewer.actor());
        Chosen chosen = new Chosen(viewer.accountId(), job, UuidCreator.getTimeOrderedEpoch(), new ArrayList<>(files));
        scheduler
                .getObject()
                .scheduleIfNotExists(TASK.instance(job.toString()).data(chosen).scheduledTo(Instant.EPOCH));
        return chosen.certificate();
    }

    void run(Chosen chosen) {
        Optional<Viewer> who = accounts.viewer(chosen.account());
        if (who.isEmpty()) {
            jobs.failed(chosen.job(), "Whoever asked for it is no longer here.");
            return;
        }
        List<String> left = new ArrayList<>();
        for (int i = 0; i < chosen.files().size(); i++) {
            UUID file = chosen.files().get(i);
            // gone already, by an earlier run or somebody else's decision
            if (!files.files(List.of(file)).isEmpty()) {
                try {
                    destroy.destroy(who.get(), file, chosen.certificate());
                } catch (Refusal refused) {
                    left.add(String.valueOf(refused.getMessage()));
                }
            }
            jobs.reached(chosen.job(), i + 1, chosen.files().size());
        }
        int gone =
                destroyed.findByCertificateOrderByNumber(chosen.certificate()).size();
        String words = (gone == 1 ? "1 file" : gone + " files") + " destroyed";
        if (!left.isEmpty()) {
            words += ", " + left.size() + " left: "
                    + String.join(" ", left.subList(0, Math.min(MOST_TOLD, left.size())));
        }
        jobs.done(chosen.job(), words);
    }

    @Configuration
    static class Registered {
        @Bean
        Task<Chosen> destroyFilesTask(ObjectProvider<DestroyFilesJob> job) {
            return Tasks.oneTime(TASK)
                    .execute((instance, context) -> job.getObject().run(instance.getData()));
        }
    }
}
