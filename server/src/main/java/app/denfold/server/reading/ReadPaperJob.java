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
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Reads one paper, page by page; each page is kept as soon as it is read, so that a restart goes on where it stopped. */
@Component
class ReadPaperJob {

    private final PaperReadingRepository readings;
    private final ReadPages pages;
    private final Contents contents;
    private final PaperWorkers workers;
    private final PracticeCalendar calendar;
    private final TransactionTemplate transactions;
    private final ApplicationEventPublisher events;
    private final Settings settings;

    ReadPaperJob(
            PaperReadingRepository readings,
            ReadPages pages,
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

    void run(String sha256) {
        Content content = contents.content(sha256);
        Format format = Format.ofMediaType(content.mediaType()).orElse(null);
        try {
            if (content.pages() > 0 && format != null) {
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
            pages.add(List.of(ReadPage.of(sha256, page)));
            readings.findById(sha256).ifPresent(r -> r.reached(page.number()));
        });
    }

    private void end(String sha256, String failed) {
        transactions.executeWithoutResult(t -> {
            PaperReading reading = readings.findById(sha256).orElseThrow();
            if (failed == null) {
                reading.end(calendar.now());
            } else {
                reading.fail(failed, calendar.now());
            }
            events.publishEvent(new PaperRead(sha256));
        });
    }

    @Configuration
    static class Registered {
        @Bean
        Task<Void> readPaper(ObjectProvider<ReadPaperJob> job) {
            return Tasks.oneTime(Readings.TASK)
                    .execute((instance, context) -> job.getObject().run(instance.getId()));
        }
    }
}
