package app.denfold.server.reading;

import app.denfold.paper.Format;
import app.denfold.paper.PageFacts;
import app.denfold.paper.ReadPages.Settings;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.paper.worker.WorkerFailed;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.practice.PracticeCalendar;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import com.github.kagkarlsson.scheduler.task.schedule.Schedules;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Duration;
import java.util.List;
import java.util.Optional;
import javax.sql.DataSource;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Reads the papers that wait for it, in the order they were asked for, page by page; each page is kept as soon as it is
 * read, so that a restart goes on where it stopped. A paper is held by a lock of the database session, which ends with
 * the process whatever becomes of it.
 */
@Component
class ReadPapersJob {

    private final PaperReadingRepository readings;
    private final ReadPages pages;
    private final Contents contents;
    private final PaperWorkers workers;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;
    private final ApplicationEventPublisher events;
    private final Settings settings;
    private final DataSource database;

    ReadPapersJob(
            PaperReadingRepository readings,
            ReadPages pages,
            Contents contents,
            PaperWorkers readingWorkers,
            PracticeCalendar calendar,
            TransactionTemplate transactions,
            ApplicationEventPublisher events,
            DataSource database,
            @Value("${denfold.recognition.on:true}") boolean recognise,
            @Value("${denfold.recognition.languages:eng}") String languages) {
        this.readings = readings;
        this.pages = pages;
        this.contents = contents;
        this.workers = readingWorkers;
        this.calendar = calendar;
        this.transactions = transactions;
        this.events = events;
        this.database = database;
        this.settings = new Settings(recognise, languages);
    }

    /**
     * Reads until nothing waits that no other reader holds.
     *
     * @param alsoFiled whether papers are read as well that lie in files already; nobody waits for those
     */
    void drain(boolean alsoFiled) {
        try (Connection session = database.getConnection()) {
            boolean reads = true;
            while (reads) {
                reads = false;
                for (String sha256 : readings.findQueued(alsoFiled)) {
                    reads |= readUnlessHeld(session, sha256);
                }
            }
        } catch (SQLException away) {
            throw new IllegalStateException("The database cannot be asked for papers to read", away);
        }
    }

    private boolean readUnlessHeld(Connection session, String sha256) throws SQLException {
        if (!locks(session, "pg_try_advisory_lock", sha256)) {
            return false;
        }
        try {
            boolean waits = readings.isQueued(sha256);
            if (waits) {
                read(sha256);
            }
            return waits;
        } finally {
            locks(session, "pg_advisory_unlock", sha256);
        }
    }

    private static boolean locks(Connection session, String function, String sha256) throws SQLException {
        try (PreparedStatement lock = session.prepareStatement("select " + function + "(hashtextextended(?, 7))")) {
            lock.setString(1, sha256);
            try (ResultSet got = lock.executeQuery()) {
                return got.next() && got.getBoolean(1);
            }
        }
    }

    private void read(String sha256) {
        Content content = contents.content(sha256);
        Format format = Format.ofMediaType(content.mediaType()).orElse(null);
        try {
            if (content.pages() > 0 && format != null && !content.isDestroyed()) {
                workers.read(
                        contents.file(sha256), format, settings, pages.count(sha256) + 1, page -> keep(sha256, page));
            }
            end(sha256, null);
        } catch (WorkerFailed hostile) {
            end(sha256, hostile.getMessage());
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
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

    private void end(String sha256, String failed) {
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
                    .execute((instance, context) -> job.getObject().drain(alsoFiled));
        }
    }
}
