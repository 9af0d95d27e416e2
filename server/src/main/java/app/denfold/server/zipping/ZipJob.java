package app.denfold.server.zipping;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.documents.Documents;
import app.denfold.server.jobs.Jobs;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PrivateFolder;
import app.denfold.server.problems.NotNow;
import app.denfold.server.problems.Refusal;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** ZIPs that were asked for: made in the background, kept for a day for the one who asked, then removed. */
@Service
class ZipJob {

    private static final TaskDescriptor<Void> TASK = TaskDescriptor.of("zip-papers");
    private static final Duration KEPT = Duration.ofDays(1);
    private static final int MOST = 5_000;

    private final ZipRequestRepository requests;
    private final ZipPapers papers;
    private final Documents documents;
    private final Accounts accounts;
    private final Jobs jobs;
    private final ObjectProvider<SchedulerClient> scheduler;
    private final PracticeCalendar calendar;
    private final Path folder;

    ZipJob(
            ZipRequestRepository requests,
            ZipPapers papers,
            Documents documents,
            Accounts accounts,
            Jobs jobs,
            ObjectProvider<SchedulerClient> scheduler,
            PracticeCalendar calendar,
            @Value("${denfold.content}") Path content)
            throws IOException {
        this.requests = requests;
        this.papers = papers;
        this.documents = documents;
        this.accounts = accounts;
        this.jobs = jobs;
        this.scheduler = scheduler;
        this.calendar = calendar;
        this.folder = PrivateFolder.in(content.toAbsolutePath(), "zips");
    }

    /** Has them written. @return the job's id @throws Refusal when none of them may be seen, or they are too many */
    @Transactional
    public UUID ask(Viewer viewer, List<UUID> ids) {
        List<UUID> chosen = ids.stream().distinct().toList();
        if (chosen.isEmpty() || chosen.size() > MOST) {
            throw Refusal.invalid("documents", "Choose from 1 to 5,000 papers.");
        }
        if (documents.visible(viewer, chosen).isEmpty()) {
            throw Refusal.notFound("paper");
        }
        UUID job = jobs.begin(
                "zip",
                chosen.size() == 1 ? "1 paper as a ZIP" : chosen.size() + " papers as a ZIP",
                chosen.size(),
                viewer.actor());
        requests.save(new ZipRequest(job, viewer.accountId(), chosen));
        scheduler.getObject().scheduleIfNotExists(TASK.instance(job.toString()).scheduledTo(Instant.EPOCH));
        return job;
    }

    /** A ZIP that is ready. @throws Refusal when there is none, or it was asked for by another */
    @Transactional(readOnly = true)
    public Path made(Viewer viewer, UUID id) {
        boolean isReady = requests.findById(id)
                .filter(z -> z.isMade() && z.accountId().equals(viewer.accountId()))
                .isPresent();
        if (!isReady || !Files.exists(zip(id))) {
            throw Refusal.notFound("ZIP; it is kept for a day");
        }
        return zip(id);
    }

    private Path zip(UUID id) {
        return folder.resolve(id + ".zip");
    }

    void run(UUID id) {
        try {
            Optional<ZipRequest> asked = requests.findById(id);
            Optional<Viewer> who = asked.flatMap(z -> accounts.viewer(z.accountId()));
            if (asked.isEmpty() || who.isEmpty()) {
                jobs.failed(id, "Whoever asked for it is no longer here.");
                return;
            }
            write(who.get(), asked.get());
        } catch (NotNow damaged) {
            jobs.failed(id, damaged.getMessage() + " Leave that paper out, and try again.");
        } catch (IOException failed) {
            jobs.failed(id, "Broke off and will be tried again: the disk takes nothing at the moment.");
            throw new UncheckedIOException(failed);
        }
    }

    private void write(Viewer viewer, ZipRequest asked) throws IOException {
        UUID id = asked.id();
        List<UUID> ids = asked.documents();
        Path part = folder.resolve(id + ".part");
        try {
            int count = papers.write(viewer, ids, part, done -> {
                if (done % 20 == 0) {
                    jobs.reached(id, done, ids.size());
                }
            });
            long size = Files.size(part);
            Files.move(part, zip(id), StandardCopyOption.ATOMIC_MOVE);
            asked.made(calendar.now());
            requests.save(asked);
            jobs.done(
                    id,
                    count + (count == 1 ? " paper, " : " papers, ") + Math.max(1, size / 1000) + " kB; kept for a day",
                    "/api/zips/" + id);
        } finally {
            Files.deleteIfExists(part);
        }
    }

    @Scheduled(fixedDelayString = "PT1H", initialDelayString = "PT2M")
    void sweep() throws IOException {
        for (ZipRequest old : requests.findByMadeAtBefore(calendar.now().minus(KEPT))) {
            Files.deleteIfExists(zip(old.id()));
            requests.delete(old);
        }
    }

    @Configuration
    static class Registered {
        @Bean
        Task<Void> zipPapersTask(ObjectProvider<ZipJob> job) {
            return Tasks.oneTime(TASK)
                    .execute((instance, context) -> job.getObject().run(UUID.fromString(instance.getId())));
        }
    }
}
