package app.denfold.paper.worker;

import app.denfold.paper.ArchiveCopy;
import app.denfold.paper.CopyPages;
import app.denfold.paper.Format;
import app.denfold.paper.PageFacts;
import app.denfold.paper.ReadPages;
import app.denfold.paper.Reading;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.Executors;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.Semaphore;
import java.util.function.Consumer;

/**
 * A few worker processes that read and draw papers. Safe for use by several threads: each call waits until a process is
 * free. Processes are started when first needed, and replaced when they ended or have handled many papers.
 */
public final class PaperWorkers implements AutoCloseable {

    private static final int TASKS_OF_ONE = 2_000;
    private static final Consumer<PageFacts> NOBODY = page -> {};

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
    public PaperWorkers(int processes, int megabytes, Duration most) {
        this(processes, megabytes, most, false);
    }

    private PaperWorkers(int processes, int megabytes, Duration most, boolean yields) {
        this.yields = yields;
        this.megabytes = megabytes;
        this.most = most;
        this.free = new Semaphore(processes, true);
    }

    /** Processes for work that nobody waits for: they leave the processor to those who do. */
    public static PaperWorkers inBackground(int processes, int megabytes, Duration most) {
        return new PaperWorkers(processes, megabytes, most, true);
    }

    /** @throws WorkerFailed when the paper could not be looked into within its bounds */
    public Reading identify(Path file, String fileName) throws IOException {
        return handle(Task.identify(path(file), fileName), NOBODY).reading();
    }

    /**
     * Draws a page as PNG into a file.
     *
     * @throws WorkerFailed when it could not be drawn within its bounds, or there is no such page
     */
    public void draw(Path file, Format format, int page, int width, int turn, Path to) throws IOException {
        handle(Task.draw(path(file), format, page, width, turn, path(to)), NOBODY);
    }

    /**
     * @param from the first page to be read, from 1
     * @param each told of every page as soon as it is read, in order
     * @throws WorkerFailed when a page could not be read within its bounds; pages told before it stay told
     */
    public void read(Path file, Format format, ReadPages.Settings settings, int from, Consumer<PageFacts> each)
            throws IOException {
        handle(Task.read(path(file), format, settings.recognise(), settings.languages(), from), each);
    }

    /** Makes a PDF of the chosen pages. @throws WorkerFailed when that was not possible within the bounds */
    public void copy(List<CopyPages.Chosen> pages, Path to) throws IOException {
        List<Task.Chosen> chosen = pages.stream()
                .map(p -> new Task.Chosen(path(p.file()), p.format(), p.page(), p.turn()))
                .toList();
        handle(Task.copy(chosen, path(to)), NOBODY);
    }

    /** Makes an open copy of a locked PDF. @return false when the password is wrong */
    public boolean unlock(Path file, String password, Path to) throws IOException {
        return handle(Task.unlock(path(file), password, path(to)), NOBODY).outcome() == Report.Outcome.YES;
    }

    /** Makes a PDF/A-2b copy. @throws WorkerFailed when none can be made within the bounds */
    public ArchiveCopy.Made archive(Path file, Format format, Path to) throws IOException {
        Report report = handle(Task.archive(path(file), format, path(to)), NOBODY);
        return report.outcome() == Report.Outcome.YES ? ArchiveCopy.Made.FROM_ITS_PAGES : ArchiveCopy.Made.AS_PICTURES;
    }

    private static String path(Path file) {
        return file.toAbsolutePath().toString();
    }

    private Report handle(Task task, Consumer<PageFacts> pages) throws IOException {
        free.acquireUninterruptibly();
        WorkerProcess worker = null;
        try {
            worker = alive();
            return worker.handle(task, most, watch, pages);
        } finally {
            if (worker != null) {
                putBack(worker);
            }
            free.release();
        }
    }

    private WorkerProcess alive() throws IOException {
        WorkerProcess worker = idle.poll();
        while (worker != null && !worker.isUsable()) {
            worker = idle.poll();
        }
        return worker == null ? WorkerProcess.start(megabytes, yields) : worker;
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
