package app.denfold.server.numbering;

import app.denfold.core.marks.PageBox;
import app.denfold.paper.Format;
import app.denfold.paper.copies.NumberedCopy;
import app.denfold.paper.worker.PaperWorkers;
import app.denfold.paper.worker.WorkerFailed;
import app.denfold.paper.worker.WorkerLost;
import app.denfold.server.commits.OutsideTransactions;
import app.denfold.server.content.Content;
import app.denfold.server.content.Contents;
import app.denfold.server.content.office.OfficePages;
import app.denfold.server.documents.DocumentVersion;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FiledDocument;
import app.denfold.server.documents.GivenOut;
import app.denfold.server.documents.pages.PaperTurns;
import app.denfold.server.jobs.Jobs;
import app.denfold.server.marks.ReadWords;
import app.denfold.server.numbering.NumberedPaper.Source;
import app.denfold.server.problems.NotNow;
import app.denfold.server.problems.Refusal;
import com.github.kagkarlsson.scheduler.SchedulerClient;
import com.github.kagkarlsson.scheduler.task.FailureHandler;
import com.github.kagkarlsson.scheduler.task.Task;
import com.github.kagkarlsson.scheduler.task.TaskDescriptor;
import com.github.kagkarlsson.scheduler.task.helper.Tasks;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Makes the copies on which numbers stand, in the background, and goes on where it was broken off. */
@Service
class NumberedCopies {

    private static final TaskDescriptor<Void> TASK = TaskDescriptor.of("number-pages");

    private static final int MOST_TRIES = 5;
    private static final Duration BETWEEN_TRIES = Duration.ofMinutes(2);

    private final NumberSetRepository sets;
    private final NumberedPaperRepository papers;
    private final Documents documents;
    private final Contents contents;
    private final OfficePages office;
    private final GivenOut given;
    private final ReadWords words;
    private final PaperTurns turns;
    private final PaperWorkers workers;
    private final Jobs jobs;
    private final ObjectProvider<SchedulerClient> scheduler;
    private final TransactionTemplate transactions;

    NumberedCopies(
            NumberSetRepository sets,
            NumberedPaperRepository papers,
            Documents documents,
            Contents contents,
            OfficePages office,
            GivenOut given,
            ReadWords words,
            PaperTurns turns,
            PaperWorkers readingWorkers,
            Jobs jobs,
            ObjectProvider<SchedulerClient> scheduler,
            TransactionTemplate transactions) {
        this.sets = sets;
        this.papers = papers;
        this.documents = documents;
        this.contents = contents;
        this.office = office;
        this.given = given;
        this.words = words;
        this.turns = turns;
        this.workers = readingWorkers;
        this.jobs = jobs;
        this.scheduler = scheduler;
        this.transactions = transactions;
    }

    /** A copy. @param title with its numbers */
    record Part(String title, String sha256) {}

    /**
     * What would be numbered of the newest versions of papers: with closed covers, office files as they are laid out.
     *
     * @throws Refusal naming those that have no pages
     */
    List<Source> sources(List<FiledDocument> chosen) {
        OutsideTransactions.require("looking for pages");
        Map<UUID, String> closed = given.closedNewest(chosen);
        List<Source> sources = new ArrayList<>();
        List<String> without = new ArrayList<>();
        for (FiledDocument paper : chosen) {
            Content content = laidOut(Objects.requireNonNull(closed.get(paper.id())));
            if (content.pages() == 0) {
                without.add("“" + paper.name() + "”");
            }
            sources.add(new Source(paper.id(), paper.versions().size(), content.sha256(), content.pages()));
        }
        if (!without.isEmpty()) {
            throw Refusal.conflict(
                    "no-pages",
                    String.join(", ", without.subList(0, Math.min(5, without.size())))
                            + (without.size() == 1 ? " has" : " have")
                            + " no pages to be numbered. Leave " + (without.size() == 1 ? "it" : "them") + " out.");
        }
        return sources;
    }

    private Content laidOut(String sha256) {
        return contents.content(office.ofIfPossible(sha256).orElse(sha256));
    }

    /** Has the copies of the job's set made once the running transaction has ended. */
    void begin(UUID job) {
        scheduler.getObject().scheduleIfNotExists(TASK.instance(job.toString()).scheduledTo(Instant.EPOCH));
    }

    void run(UUID job) {
        NumberSet set = sets.findByJobId(job).orElseThrow();
        List<NumberedPaper> all = papers.findBySetIdOrderByPlace(set.id());
        int total = all.stream().mapToInt(NumberedPaper::pages).sum();
        int done = 0;
        int failed = 0;
        NotNow later = null;
        for (NumberedPaper paper : all) {
            if (paper.copySha256() == null && paper.documentId() != null) {
                try {
                    make(set, paper, Objects.requireNonNull(paper.sourceSha256()));
                } catch (Refusal hostile) {
                    failed++;
                    note(paper, hostile);
                } catch (NotNow busy) {
                    failed++;
                    later = busy;
                    note(paper, busy);
                }
            }
            done += paper.pages();
            jobs.reached(job, done, total);
        }
        if (failed > 0) {
            jobs.failed(
                    job,
                    (failed == 1 ? "1 paper" : failed + " papers")
                            + " could not be numbered. The details of the file say why.");
        } else {
            jobs.done(job, total + (total == 1 ? " page" : " pages"), "/api/number-sets/" + set.id() + "/joined");
        }
        if (later != null) {
            // tried again a few times by itself
            throw later;
        }
    }

    private void note(NumberedPaper paper, RuntimeException why) {
        transactions.executeWithoutResult(
                t -> papers.findById(paper.id()).ifPresent(p -> p.failed(String.valueOf(why.getMessage()))));
    }

    /** A copy as it may be given out. @param isCovered whether something on it is covered, so that also its name may tell too much */
    record Present(String sha256, boolean isCovered) {}

    private DocumentVersion version(NumberedPaper paper) {
        return documents.versions(Objects.requireNonNull(paper.documentId())).get(paper.version() - 1);
    }

    /**
     * The copy as it may be given out now: where something was covered since it was made, it is made anew, with the same
     * numbers.
     */
    Present present(NumberSet set, NumberedPaper paper) {
        String closed = given.closed(Objects.requireNonNull(paper.documentId()), paper.version());
        boolean isCovered = !closed.equals(version(paper).sha256());
        String source = laidOut(closed).sha256();
        String copy = source.equals(paper.sourceSha256())
                ? Objects.requireNonNull(paper.copySha256())
                : make(set, paper, source);
        return new Present(copy, isCovered);
    }

    /** @return hash of the copy @throws Refusal when none can be made */
    private String make(NumberSet set, NumberedPaper paper, String source) {
        OutsideTransactions.require("numbering pages");
        Content content = contents.content(source);
        Format format = Format.ofMediaType(content.mediaType()).orElseThrow();
        try {
            Path made = Files.createTempFile("numbered", ".pdf");
            try {
                int pages = workers.number(contents.wholeFile(content), format, wanted(set, paper, source), made);
                if (pages != paper.pages()) {
                    throw Refusal.conflict(
                            "other-pages", "It has " + pages + " pages, and " + paper.pages() + " were counted.");
                }
                Contents.Prepared copy = contents.made(made, pages);
                transactions.executeWithoutResult(t -> {
                    contents.register(copy);
                    papers.findById(paper.id()).ifPresent(p -> p.made(source, copy.sha256()));
                });
                return copy.sha256();
            } finally {
                Files.deleteIfExists(made);
            }
        } catch (WorkerFailed hostile) {
            throw Refusal.conflict("no-copy", "No copy can be made of it: " + hostile.getMessage() + ".");
        } catch (WorkerLost ended) {
            throw NotNow.noAnswer(
                    "The numbers could not be set just now: " + ended.getMessage() + ". Try again in a moment.", ended);
        } catch (IOException failed) {
            throw NotNow.notStored("The copy", failed);
        }
    }

    private NumberedCopy.Wanted wanted(NumberSet set, NumberedPaper paper, String source) {
        Map<Integer, List<PageBox>> taken = new HashMap<>();
        words.of(source).forEach((page, read) -> {
            if (!read.boxes().isEmpty()) {
                taken.put(page, read.boxes());
            }
        });
        // turns are known of the paper itself, also where a copy of it is numbered
        return new NumberedCopy.Wanted(
                set.form(),
                paper.first(),
                set.place(),
                set.size(),
                taken,
                turns.of(laidOut(version(paper).sha256()).sha256()));
    }

    @Configuration
    static class Registered {
        @Bean
        Task<Void> numberPagesTask(ObjectProvider<NumberedCopies> copies) {
            return Tasks.oneTime(TASK)
                    .onFailure(new FailureHandler.MaxRetriesFailureHandler<>(
                            MOST_TRIES, new FailureHandler.OnFailureRetryLater<>(BETWEEN_TRIES)))
                    .execute((instance, context) -> copies.getObject().run(UUID.fromString(instance.getId())));
        }
    }
}
