package app.denfold.server.content.destroying;

import app.denfold.server.content.ContentStore;
import app.denfold.server.content.archiving.ArchiveCopyStore;
import app.denfold.server.practice.PracticeCalendar;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.DirectoryStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Destroys stored bytes for good: the file, its drawn pages, what was read from it, and copies made of it. Files go only
 * after the decision is committed, by a job that is committed with it.
 */
@Service
public class DestroyContent {

    private static final Logger LOG = LoggerFactory.getLogger(DestroyContent.class);

    private static final TaskDescriptor<Void> TASK = TaskDescriptor.of("delete-destroyed-bytes");

    private final ContentStore store;
    private final ObjectProvider<UsesContent> users;
    private final DestroyedContentStore destroyed;
    private final ArchiveCopyStore copies;
    private final TransactionTemplate transactions;
    private final ObjectProvider<SchedulerClient> scheduler;
    private final PracticeCalendar calendar;
    private final ApplicationEventPublisher events;
    private final Path drawn;

    DestroyContent(
            ContentStore store,
            ObjectProvider<UsesContent> users,
            DestroyedContentStore destroyed,
            ArchiveCopyStore copies,
            TransactionTemplate transactions,
            ObjectProvider<SchedulerClient> scheduler,
            PracticeCalendar calendar,
            ApplicationEventPublisher events,
            @Value("${denfold.content}") Path root) {
        this.store = store;
        this.users = users;
        this.destroyed = destroyed;
        this.copies = copies;
        this.transactions = transactions;
        this.scheduler = scheduler;
        this.calendar = calendar;
        this.events = events;
        this.drawn = root.toAbsolutePath().resolve("drawn");
    }

    /** @return whether it is destroyed: false while somebody still needs it */
    @Transactional
    public boolean unlessUsed(String sha256) {
        if (users.stream().anyMatch(u -> u.uses(sha256))) {
            return false;
        }
        destroyed.add(sha256, calendar.now());
        events.publishEvent(new ContentDestroyed(sha256));
        copies.remove(sha256).stream().filter(c -> !c.equals(sha256)).forEach(this::unlessUsed);
        scheduler.getObject().scheduleIfNotExists(TASK.instance(sha256).scheduledTo(Instant.EPOCH));
        return true;
    }

    /** Under the row's lock: whoever brings the same bytes again meanwhile waits, and then stores them anew. */
    void remove(String sha256) {
        transactions.executeWithoutResult(t -> {
            if (destroyed.lockIfDestroyed(sha256)) {
                deleteFiles(sha256);
            }
        });
    }

    private void deleteFiles(String sha256) {
        try {
            Files.deleteIfExists(store.file(sha256));
            try (DirectoryStream<Path> pages = Files.newDirectoryStream(drawn, sha256 + "-*")) {
                for (Path page : pages) {
                    Files.deleteIfExists(page);
                }
            }
        } catch (IOException failed) {
            throw new UncheckedIOException("The bytes " + sha256 + " could not be deleted", failed);
        }
    }

    /** What an older version of the product left behind; the job is there if and only if the decision is. */
    @EventListener
    void finishWhatBrokeOff(ApplicationReadyEvent ready) {
        for (String sha256 : destroyed.all()) {
            if (Files.exists(store.file(sha256))) {
                LOG.info("Deleting destroyed bytes {} that were left behind", sha256);
                remove(sha256);
            }
        }
    }

    @Configuration
    static class Registered {
        @Bean
        Task<Void> deleteDestroyedBytes(ObjectProvider<DestroyContent> destroy) {
            return Tasks.oneTime(TASK)
                    .execute((instance, context) -> destroy.getObject().remove(instance.getId()));
        }
    }
}
