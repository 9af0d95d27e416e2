package app.denfold.paper.worker;

import app.denfold.paper.Format;
import app.denfold.paper.copies.ArchiveCopy;
import app.denfold.paper.copies.BundlePdf;
import app.denfold.paper.copies.CopyPages;
import app.denfold.paper.copies.LeavingCopy;
import app.denfold.paper.copies.NumberedCopy;
import app.denfold.paper.forms.FilledForm;
import app.denfold.paper.forms.FormBox;
import app.denfold.paper.letters.LetterPages;
import app.denfold.paper.places.WritingPlace;
import app.denfold.paper.reading.PageFacts;
import app.denfold.paper.reading.ReadPages;
import app.denfold.paper.reading.Reading;
import app.denfold.paper.sealing.CheckedSeal;
import app.denfold.paper.sealing.Evidence;
import app.denfold.paper.sealing.SignedCopy;
import app.denfold.paper.sealing.SignedPart;
import app.denfold.paper.sealing.Signer;
import app.denfold.paper.sealing.Trust;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.Executors;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.Semaphore;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * A few worker processes that read and draw papers. Safe for use by several threads: each call waits until a process is
 * free. Processes are started when first needed, and replaced when they ended or have handled many papers.
 */
public final class PaperWorkers implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(PaperWorkers.class);
    private static final int TASKS_OF_ONE = 2_000;
    private static final Consumer<PageFacts> NOBODY = page -> {};

    /** Processes that are ended from outside, or by the paper, before a paper is given up. */
    private static final int MOST_ENDED_BY_PAPER = 2;

    private static final int MOST_ENDED = 3;
    private static final Signer NOTHING_TO_SIGN = new Signer() {
        @Override
        public byte[] sign(byte[] bytes) throws IOException {
            throw new IOException("This task signs nothing");
        }

        @Override
        public byte[] stamp(byte[] request) throws IOException {
            throw new IOException("This task stamps nothing");
        }
    };

    private final Sandbox sandbox;
    private final boolean yields;
    private final int megabytes;
    private final Duration most;
    private final Semaphore free;
    private final BlockingQueue<WorkerProcess> idle = new LinkedBlockingQueue<>();
    private final ScheduledExecutorService watch = Executors.newSingleThreadScheduledExecutor(task -> {
        Thread thread = new Thread(task, "paper-watch");
        thread.setDaemon(true);
        return thread;
    });

    /**
     * @param processes how many papers are handled at once
     * @param megabytes memory of one process
     * @param most how long a process may take for an answer: for one page when it reads, else for the whole task
     */
    public PaperWorkers(Sandbox sandbox, int processes, int megabytes, Duration most) {
        this(sandbox, processes, megabytes, most, false);
    }

    private PaperWorkers(Sandbox sandbox, int processes, int megabytes, Duration most, boolean yields) {
        this.sandbox = sandbox;
        this.yields = yields;
        this.megabytes = megabytes;
        this.most = most;
        this.free = new Semaphore(processes, true);
    }

    /** Processes for work that nobody waits for: they leave the processor to those who do. */
    public static PaperWorkers inBackground(Sandbox sandbox, int processes, int megabytes, Duration most) {
        return new PaperWorkers(sandbox, processes, megabytes, most, true);
    }

    /**
     * @throws WorkerFailed when the paper could not be looked into within its bounds
     * @throws WorkerLost when the processes were ended from outside each time
     */
    public Reading identify(Path file, String fileName) throws IOException {
        return handle((folder, output) -> new Task.Identify(folder.lend(file).toString(), fileName), null)
                .reading();
    }

    /**
     * Draws a page as PNG into a file.
     *
     * @throws WorkerFailed when it could not be drawn within its bounds, or there is no such page
     */
    public void draw(Path file, Format format, int page, int width, int turn, Path to) throws IOException {
        handle(
                (folder, output) ->
                        new Task.Draw(folder.lend(file).toString(), format, page, width, turn, output.toString()),
                to);
    }

    /**
     * @param from the first page to be read, from 1
     * @param each told of every page as soon as it is read, in order, each once
     * @throws WorkerFailed when a page could not be read within its bounds; pages told before it stay told
     */
    public void read(Path file, Format format, ReadPages.Settings settings, int from, Consumer<PageFacts> each)
            throws IOException {
        AtomicInteger next = new AtomicInteger(from);
        Attempts attempts = new Attempts();
        handle(
                attempts,
                (folder, output) -> new Task.Read(
                        folder.lend(file).toString(), format, settings.recognise(), settings.languages(), next.get()),
                null,
                page -> {
                    each.accept(page);
                    next.set(page.number() + 1);
                    attempts.gotOn();
                },
                NOTHING_TO_SIGN);
    }

    /** Makes a PDF of the chosen pages. @throws WorkerFailed when that was not possible within the bounds */
    public void copy(List<CopyPages.Chosen> pages, Path to) throws IOException {
        handle(
                (folder, output) -> {
                    Map<Path, String> lent = new HashMap<>();
                    List<Task.Chosen> chosen = new ArrayList<>();
                    for (CopyPages.Chosen page : pages) {
                        if (!lent.containsKey(page.file())) {
                            lent.put(page.file(), folder.lend(page.file()).toString());
                        }
                        chosen.add(new Task.Chosen(lent.get(page.file()), page.format(), page.page(), page.turn()));
                    }
                    return new Task.Copy(chosen, output.toString());
                },
                to);
    }

    /**
     * Makes the copy of a paper that somebody outside gets.
     *
     * @return what can be read on each of its pages
     * @throws WorkerFailed when none can be made within the bounds, or something covered could still be read in it
     */
    public List<PageFacts> leave(
            Path file, Format format, LeavingCopy.Wanted wanted, LeavingCopy.Settings settings, Path to)
            throws IOException {
        // each page is told when it is drawn, which shows that the work goes on, and again as it is in the finished
        // copy
        Map<Integer, PageFacts> pages = new TreeMap<>();
        handle(
                new Attempts(),
                (folder, output) -> {
                    pages.clear();
                    return new Task.Leave(folder.lend(file).toString(), format, wanted, settings, output.toString());
                },
                to,
                page -> pages.put(page.number(), page),
                NOTHING_TO_SIGN);
        return List.copyOf(pages.values());
    }

    /**
     * Writes running numbers on the pages of a copy.
     *
     * @return how many pages it has
     * @throws WorkerFailed when none can be made within the bounds
     */
    public int number(Path file, Format format, NumberedCopy.Wanted wanted, Path to) throws IOException {
        return handle(
                        new Attempts(),
                        (folder, output) -> new Task.Number(
                                folder.lend(file).toString(),
                                format,
                                wanted.form(),
                                wanted.first(),
                                wanted.place(),
                                wanted.size(),
                                wanted.words(),
                                wanted.turns(),
                                output.toString()),
                        to,
                        // each page that is told shows that the work goes on
                        NOBODY,
                        NOTHING_TO_SIGN)
                .pages();
    }

    /**
     * Sets PDFs one behind the other, with contents and bookmarks.
     *
     * @return how many pages that makes
     * @throws WorkerFailed when that was not possible within the bounds
     */
    public int bundle(String title, List<BundlePdf.Part> parts, Path to) throws IOException {
        return handle(
                        (folder, output) -> {
                            List<Task.BundlePart> lent = new ArrayList<>();
                            for (BundlePdf.Part part : parts) {
                                lent.add(new Task.BundlePart(
                                        folder.lend(part.pdf()).toString(), part.title()));
                            }
                            return new Task.Bundle(title, lent, output.toString());
                        },
                        to)
                .pages();
    }

    /**
     * Lays a letter out on pages.
     *
     * @return how many pages it has
     * @throws WorkerFailed when that was not possible within the bounds
     */
    public int letter(LetterPages letter, Path to) throws IOException {
        return handle((folder, output) -> new Task.Letter(lent(folder, letter), output.toString()), to)
                .pages();
    }

    private static LetterPages lent(WorkFolder folder, LetterPages letter) throws IOException {
        Map<String, Path> images = new HashMap<>();
        for (Map.Entry<String, Path> image : letter.images().entrySet()) {
            images.put(image.getKey(), folder.lend(image.getValue()));
        }
        return new LetterPages(
                letter.content(), letter.head(), letter.sheet(), images, letter.title(), letter.language());
    }

    /** Which fields a PDF form has. @throws WorkerFailed when it could not be read within the bounds */
    public List<FormBox> form(Path pdf) throws IOException {
        return handle((folder, output) -> new Task.ReadForm(folder.lend(pdf).toString()), null)
                .form();
    }

    /**
     * Fills in a PDF form.
     *
     * @return how many pages it has
     * @throws WorkerFailed with the reason, when something cannot be put in
     */
    public int fillForm(Path pdf, List<FilledForm.Value> values, boolean leaveOpen, Path to) throws IOException {
        return handle(
                        (folder, output) ->
                                new Task.FillForm(folder.lend(pdf).toString(), values, leaveOpen, output.toString()),
                        to)
                .pages();
    }

    /**
     * Draws a small code at the foot of each page.
     *
     * @param codes one for each page, in order
     * @param words beside each code
     */
    public void stampCodes(Path pdf, List<String> codes, String words, Path to) throws IOException {
        handle(
                (folder, output) -> new Task.StampCodes(folder.lend(pdf).toString(), codes, words, output.toString()),
                to);
    }

    /** Makes an open copy of a locked PDF. @return false when the password is wrong */
    public boolean unlock(Path file, String password, Path to) throws IOException {
        Report report = handle(
                (folder, output) -> new Task.OpenLocked(folder.lend(file).toString(), password, output.toString()), to);
        return report.outcome() == Report.Outcome.YES;
    }

    /** Makes a PDF/A-2b copy. @throws WorkerFailed when none can be made within the bounds */
    public ArchiveCopy.Made archive(Path file, Format format, Path to) throws IOException {
        Report report = handle(
                (folder, output) -> new Task.Archive(folder.lend(file).toString(), format, output.toString()), to);
        return report.outcome() == Report.Outcome.YES ? ArchiveCopy.Made.FROM_ITS_PAGES : ArchiveCopy.Made.AS_PICTURES;
    }

    /**
     * Looks at the seals of a PDF.
     *
     * @return in the order in which they were put; none for a PDF without any
     * @throws WorkerFailed when this is no PDF, or it could not be read within the bounds
     */
    public List<CheckedSeal> checkSeals(Path file) throws IOException {
        return handle((folder, output) -> new Task.Check(folder.lend(file).toString()), null)
                .seals();
    }

    /**
     * Finds where on its pages something is to be written.
     *
     * @param pages how many there are
     * @return the fields of its form, then lines, by page
     * @throws WorkerFailed when it could not be read within the bounds
     */
    public List<WritingPlace> places(Path file, Format format, int pages) throws IOException {
        return handle((folder, output) -> new Task.Places(folder.lend(file).toString(), format, pages), null)
                .places();
    }

    /**
     * Makes a copy with signatures and evidence, sealed with a key that the process never sees.
     *
     * @return how many pages the copy has
     * @throws WorkerFailed when none can be made within the bounds
     * @throws IOException when the signer cannot sign, or the time cannot be stamped
     */
    public int seal(SealedCopy copy, Trust trust, Signer signer, Path to) throws IOException {
        return handle(
                        new Attempts(),
                        (folder, output) -> new Task.SealCopy(
                                folder.lend(copy.file()).toString(),
                                copy.format(),
                                copy.parts().stream().map(Task.Part::of).toList(),
                                copy.evidence(),
                                lent(folder, copy.enclosed()),
                                trust,
                                copy.reason(),
                                copy.at().toEpochMilli(),
                                output.toString()),
                        to,
                        NOBODY,
                        signer)
                .pages();
    }

    /**
     * Seals a sealed copy for longer.
     *
     * @return how many pages it has
     * @throws IOException when the signer cannot sign, or the time cannot be stamped
     */
    public int renewSeal(Path file, Trust trust, Signer signer, Instant at, Path to) throws IOException {
        return handle(
                        new Attempts(),
                        (folder, output) -> new Task.RenewSeal(
                                folder.lend(file).toString(), trust, at.toEpochMilli(), output.toString()),
                        to,
                        NOBODY,
                        signer)
                .pages();
    }

    /**
     * A signed copy that is to be made.
     *
     * @param parts what each signer put on it, in their order
     * @param enclosed files that go with it
     * @param reason printed in the seal
     * @param at when it is sealed
     */
    public record SealedCopy(
            Path file,
            Format format,
            List<SignedPart> parts,
            Evidence evidence,
            List<SignedCopy.Enclosed> enclosed,
            String reason,
            Instant at) {}

    private static List<Task.Enclosed> lent(WorkFolder folder, List<SignedCopy.Enclosed> files) throws IOException {
        List<Task.Enclosed> lent = new ArrayList<>();
        for (SignedCopy.Enclosed file : files) {
            lent.add(new Task.Enclosed(file.name(), folder.lend(file.file()).toString(), file.mediaType()));
        }
        return lent;
    }

    private Report handle(WorkerProcess.Making making, @Nullable Path to) throws IOException {
        return handle(new Attempts(), making, to, NOBODY, NOTHING_TO_SIGN);
    }

    /** Tries again in a fresh process when one was ended in the middle of it. */
    private Report handle(
            Attempts attempts, WorkerProcess.Making making, @Nullable Path to, Consumer<PageFacts> pages, Signer signer)
            throws IOException {
        while (true) {
            try {
                return once(making, to, pages, signer);
            } catch (WorkerEnded ended) {
                attempts.count(ended);
            }
        }
    }

    private Report once(WorkerProcess.Making making, @Nullable Path to, Consumer<PageFacts> pages, Signer signer)
            throws IOException, WorkerEnded {
        free.acquireUninterruptibly();
        WorkerProcess worker = null;
        try {
            worker = alive();
            return worker.handle(making, to, most, watch, pages, signer);
        } finally {
            if (worker != null) {
                putBack(worker);
            }
            free.release();
        }
    }

    /** How many processes were ended over one paper, in a row. */
    private static final class Attempts {
        private int ended;
        private int byPaper;

        void gotOn() {
            ended = 0;
            byPaper = 0;
        }

        /** @throws WorkerFailed when the paper is to blame @throws WorkerLost when it is not, and was tried enough */
        void count(WorkerEnded end) throws IOException {
            ended++;
            byPaper += end.isFromOutside() ? 0 : 1;
            if (byPaper == MOST_ENDED_BY_PAPER) {
                throw new WorkerFailed(String.valueOf(end.getMessage()));
            }
            if (ended == MOST_ENDED) {
                throw new WorkerLost();
            }
        }
    }

    private WorkerProcess alive() throws WorkerEnded {
        WorkerProcess worker = idle.poll();
        while (worker != null && !worker.isUsable()) {
            worker.close();
            worker = idle.poll();
        }
        if (worker != null) {
            return worker;
        }
        try {
            return WorkerProcess.start(sandbox, megabytes, yields);
        } catch (IOException failed) {
            LOG.warn("No process for reading papers could be started: {}", failed.getMessage());
            throw WorkerEnded.notStarted();
        }
    }

    private void putBack(WorkerProcess worker) {
        if (worker.isUsable() && worker.handled() < TASKS_OF_ONE) {
            idle.add(worker);
        } else {
            worker.close();
        }
    }

    @Override
    public void close() {
        watch.shutdownNow();
        idle.forEach(WorkerProcess::close);
    }
}
