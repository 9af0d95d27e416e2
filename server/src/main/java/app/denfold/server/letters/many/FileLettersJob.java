package app.denfold.server.letters.many;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.jobs.Jobs;
import app.denfold.server.letters.writing.DraftLetter;
import app.denfold.server.letters.writing.DraftLetterRepository;
import app.denfold.server.letters.writing.FileLetters;
import app.denfold.server.problems.NotNow;
import app.denfold.server.problems.Refusal;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;

/** Files many letters, one after the other; one that is filed already is left alone, so that it can be done again. */
@Component
class FileLettersJob {

    private static final TaskDescriptor<Void> TASK = TaskDescriptor.of("file-letters");

    /** Between the job and its letters in the name of the work. */
    private static final String PART = "/";

    private final LetterBatchRepository batches;
    private final DraftLetterRepository letters;
    private final FileLetters letterFiling;
    private final Accounts accounts;
    private final Jobs jobs;
    private final ObjectProvider<SchedulerClient> scheduler;

    FileLettersJob(
            LetterBatchRepository batches,
            DraftLetterRepository letters,
            FileLetters letterFiling,
            Accounts accounts,
            Jobs jobs,
            ObjectProvider<SchedulerClient> scheduler) {
        this.batches = batches;
        this.letters = letters;
        this.letterFiling = letterFiling;
        this.accounts = accounts;
        this.jobs = jobs;
        this.scheduler = scheduler;
    }

    /** Takes part in the running transaction. @return the job */
    UUID begin(Viewer viewer, LetterBatch batch, int ready) {
        UUID job = jobs.begin(
                "letters", ready == 1 ? "Filing 1 letter" : "Filing " + ready + " letters", ready, viewer.actor());
        batch.fileBy(viewer);
        batches.save(batch);
        scheduler
                .getObject()
                .scheduleIfNotExists(TASK.instance(job + PART + batch.id()).scheduledTo(Instant.EPOCH));
        return job;
    }

    /** Of two jobs for the same letters each files what the other has not. */
    void run(UUID job, UUID batchId) {
        Optional<LetterBatch> batch = batches.findById(batchId);
        Optional<Viewer> who = batch.map(LetterBatch::filedBy).flatMap(accounts::viewer);
        if (batch.isEmpty() || who.isEmpty()) {
            jobs.failed(job, "Whoever asked for it is no longer here.");
            return;
        }
        List<DraftLetter> all = letters.findByBatchIdOrderById(batchId);
        int filed = 0;
        int left = 0;
        NotNow later = null;
        for (DraftLetter letter : all) {
            if (letter.filedAt() == null) {
                try {
                    letterFiling.file(who.get(), letter.id(), letter.changes());
                    filed++;
                } catch (Refusal refused) {
                    left += isOpen(letter) ? 1 : 0;
                } catch (NotNow busy) {
                    left++;
                    later = busy;
                }
                jobs.reached(job, filed, all.size());
            }
        }
        tell(job, filed, left, later);
    }

    /** Whether nobody else filed it meanwhile. */
    private boolean isOpen(DraftLetter letter) {
        return letters.findById(letter.id()).filter(l -> l.filedAt() == null).isPresent();
    }

    private void tell(UUID job, int filed, int left, @Nullable NotNow later) {
        String words = (filed == 1 ? "1 letter" : filed + " letters") + " filed"
                + (left > 0 ? ", " + left + " left open" : "");
        if (later != null) {
            jobs.failed(job, words + ". It will be tried again: " + later.getMessage());
            throw later;
        }
        jobs.done(job, words);
    }

    @Configuration
    static class Registered {
        @Bean
        Task<Void> fileLettersTask(ObjectProvider<FileLettersJob> job) {
            return Tasks.oneTime(TASK).execute((instance, context) -> {
                String[] of = instance.getId().split(PART);
                job.getObject().run(UUID.fromString(of[0]), UUID.fromString(of[1]));
            });
        }
    }
}
