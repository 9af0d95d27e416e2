package app.denfold.server.reading;

import app.denfold.paper.Format;
import app.denfold.paper.reading.PageFacts;
import app.denfold.paper.reading.ReadPages.Settings;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.paper.worker.WorkerFailed;
import app.denfold.paper.worker.WorkerLost;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.problems.NotNow;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.Schedules;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Reads the papers that wait for it, in the order they were asked for, page by page; each page is kept as soon as it is
 * read, so that a restart goes on where it stopped. A reader holds its paper for
 * some seconds and says again and again that it goes on, so that another takes over from one that has died. Between pages
 * nothing of the database is held.
 */
@Component
class ReadPapersJob {

    private static final Logger LOG = LoggerFactory.getLogger(ReadPapersJob.class);

    /** So long a paper is held by a reader that has died. */
    private static final Duration HELD = Duration.ofSeconds(20);

    private static final Duration BEAT = Duration.ofSeconds(5);

    private final PaperReadingRepository readings;
    private final ReadPageStore pages;
    private final Contents contents;
    private final PaperWorkers workers;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;
    private final ApplicationEventPublisher events;
    private final Settings settings;
    private final Clock clock = Clock.systemUTC();
    private final ScheduledExecutorService heartbeat = Executors.newSingleThreadScheduledExecutor(work -> {
        Thread thread = new Thread(work, "reading-heartbeat");
        thread.setDaemon(true);
        return thread;
    });

    ReadPapersJob(
            PaperReadingRepository readings,
            ReadPageStore pages,
            Contents contents,
            PaperWorkers readingWorkers,
            PracticeCalendar calendar,
            TransactionTemplate transactions,
            ApplicationEventPublisher events,
            @Value("${denfold.recognition.on:true}") boolean recognise,
            @Value("${denfold.recognition.languages:eng}") String languages) {
        this.readings = readings;
        this.pages = pages;
        this.contents = contents;
        this.workers = readingWorkers;
        this.calendar = calendar;
        this.transactions = transactions;
        this.events = events;
        this.settings = new Settings(recognise, languages);
    }

    /**
     * Reads until nothing waits that no other reader holds, or it is to stop.
     *
     * @param alsoFiled whether papers are read as well that lie in files already; nobody waits for those
     * @param stops asked after each page
     */
    void drain(boolean alsoFiled, BooleanSupplier stops) {
        boolean reads = true;
        while (reads && !stops.getAsBoolean()) {
            reads = false;
            for (String sha256 : readings.findQueued(alsoFiled, clock.instant())) {
                reads |= !stops.getAsBoolean() && readUnlessHeld(sha256, stops);
            }
        }
    }

    /** @return false when another holds it, or it has to wait for another time */
    boolean readUnlessHeld(String sha256, BooleanSupplier stops) {
        UUID holder = UUID.randomUUID();
        Instant now = clock.instant();
        int held = transactions.execute(t -> readings.hold(sha256, holder, now, now.plus(HELD)));
        if (held == 0) {
            return false;
        }
        ScheduledFuture<?> longer = heartbeat.scheduleAtFixedRate(
                () -> holdLonger(holder), BEAT.toMillis(), BEAT.toMillis(), TimeUnit.MILLISECONDS);
        try {
            return read(sha256, stops);
        } finally {
            longer.cancel(false);
            transactions.executeWithoutResult(t -> readings.release(sha256, holder));
        }
    }

    private void holdLonger(UUID holder) {
        try {
            transactions.executeWithoutResult(
                    t -> readings.holdLonger(holder, clock.instant().plus(HELD)));
        } catch (RuntimeException away) {
            LOG.warn("A paper is being read on though nobody could be told: {}", away.getMessage());
        }
    }

    /** @return false when it has to wait for another time */
    private boolean read(String sha256, BooleanSupplier stops) {
        Content content = contents.content(sha256);
        Format format = Format.ofMediaType(content.mediaType()).orElse(null);
        try {
            if (content.pages() > 0 && format != null && !content.isDestroyed()) {
                workers.read(contents.file(content), format, settings, pages.count(sha256) + 1, page -> {
                    keep(sha256, page);
                    if (stops.getAsBoolean()) {
                        throw new Stopped();
                    }
                });
            }
            end(sha256, null);
            return true;
        } catch (Stopped later) {
            return false;
        } catch (WorkerFailed hostile) {
            end(sha256, hostile.getMessage());
            return true;
        } catch (NotNow damaged) {
            end(sha256, damaged.getMessage());
            return true;
        } catch (WorkerLost ended) {
            LOG.warn("The paper {} is read later: {}", sha256, ended.getMessage());
            transactions.executeWithoutResult(
                    t -> readings.findById(sha256).ifPresent(reading -> reading.lost(clock.instant())));
            return false;
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /** The product is being stopped; the paper is read on from this page after the next start. */
    private static final class Stopped extends RuntimeException {
        private static final long serialVersionUID = 1L;

        Stopped() {
            super("stopped", null, false, false);
        }
    }

    @PreDestroy
    void close() {
        heartbeat.shutdownNow();
    }

    private void keep(String sha256, PageFacts page) {
        transactions.executeWithoutResult(t -> {
            // nothing is kept of a paper that was destroyed while it was read
            readings.lock(sha256).ifPresent(reading -> {
                pages.add(List.of(ReadPage.of(sha256, page)));
                reading.reached(page.number());
            });
        });
    }

    private void end(String sha256, @Nullable String failed) {
        transactions.executeWithoutResult(t -> {
            Optional<PaperReading> found = readings.findById(sha256);
            found.ifPresent(reading -> {
                if (failed == null) {
                    reading.end(calendar.now());
                } else {
                    reading.fail(failed, calendar.now());
                }
                events.publishEvent(new PaperRead(sha256));
            });
        });
    }

    /**
     * Two readers, for the two processors of a small server; each is a task of its own, so that several nodes share the
     * work. The second is kept for papers that arrive.
     */
    @Configuration
    static class Registered {
        private static final Duration PAUSE = Duration.ofMillis(500);

        @Bean
        Task<Void> firstReader(ObjectProvider<ReadPapersJob> job) {
            return reader(1, job, true);
        }

        @Bean
        Task<Void> secondReader(ObjectProvider<ReadPapersJob> job) {
            return reader(2, job, false);
        }

        private static Task<Void> reader(int number, ObjectProvider<ReadPapersJob> job, boolean alsoFiled) {
            return Tasks.recurring("read-papers-" + number, Schedules.fixedDelay(PAUSE))
                    .execute((instance, context) ->
                            job.getObject().drain(alsoFiled, context.getSchedulerState()::isShuttingDown));
        }
    }
}
