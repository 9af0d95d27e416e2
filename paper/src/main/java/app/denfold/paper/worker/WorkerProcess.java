package app.denfold.paper.worker;

import app.denfold.paper.PageFacts;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** One worker process and the pipe to it. Used by one thread at a time. */
final class WorkerProcess implements AutoCloseable {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    /** What {@code -XX:+ExitOnOutOfMemoryError} ends with. */
    private static final int OUT_OF_MEMORY = 3;

    private static final Path NICE = Path.of("/usr/bin/nice");

    private final Process process;
    private final Writer tasks;
    private final BufferedReader answers;
    private int handled;

    /** Set while a task is under way: a process left in the middle of one is of no more use. */
    private boolean busy;

    private WorkerProcess(Process process) {
        this.process = process;
        this.tasks = process.outputWriter(StandardCharsets.UTF_8);
        this.answers = new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
    }

    /**
     * @param megabytes how much memory the process may use for what it reads
     * @param yields whether it, and what it starts, leaves the processor to others who want it
     */
    static WorkerProcess start(int megabytes, boolean yields) throws IOException {
        List<String> command = new ArrayList<>();
        if (yields && Files.isExecutable(NICE)) {
            command.addAll(List.of(NICE.toString(), "-n", "12"));
        }
        command.add(Path.of(System.getProperty("java.home"), "bin", "java").toString());
        command.addAll(List.of(
                "-Xmx" + megabytes + "m",
                "-Xss1m",
                "-XX:+UseSerialGC",
                "-XX:TieredStopAtLevel=1",
                "-XX:+ExitOnOutOfMemoryError",
                "-Xshare:auto",
                "-Djava.awt.headless=true",
                "-cp",
                System.getProperty("java.class.path"),
                PaperWorker.class.getName()));
        return new WorkerProcess(new ProcessBuilder(command)
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start());
    }

    /**
     * @param most after so long without an answer the process is ended
     * @param pages told of each page as it is read
     * @throws WorkerFailed when the task failed; the process may have ended with it
     */
    Report handle(Task task, Duration most, ScheduledExecutorService watch, Consumer<PageFacts> pages)
            throws WorkerFailed {
        handled++;
        busy = true;
        AtomicBoolean late = new AtomicBoolean();
        Alarm alarm = new Alarm(watch, most, () -> {
            late.set(true);
            process.destroyForcibly();
        });
        try {
            tasks.write(JSON.writeValueAsString(task));
            tasks.write('\n');
            tasks.flush();
            for (String line = answers.readLine(); line != null; line = answers.readLine()) {
                Report report = JSON.readValue(line, Report.class);
                if (report.kind() == Report.Kind.FAILED) {
                    busy = false;
                    throw new WorkerFailed(String.valueOf(report.words()));
                }
                if (report.kind() == Report.Kind.DONE) {
                    busy = false;
                    return report;
                }
                alarm.again();
                PageFacts page = report.page();
                if (page != null) {
                    pages.accept(page);
                }
            }
        } catch (WorkerFailed failed) {
            throw failed;
        } catch (IOException | JacksonException broken) {
            // the pipe broke: the process has ended, and how it did tells why
        } finally {
            alarm.cancel();
        }
        throw new WorkerFailed(why(late.get(), most));
    }

    private String why(boolean late, Duration most) {
        if (late) {
            return "reading it took longer than " + most.toSeconds() + " seconds";
        }
        try {
            // its pipe breaks a moment before it has ended, and only then does it tell how
            return process.waitFor(10, TimeUnit.SECONDS) && process.exitValue() == OUT_OF_MEMORY
                    ? "reading it needed more memory than a paper may take"
                    : "reading it broke off";
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            return "reading it was stopped";
        } finally {
            process.destroyForcibly();
        }
    }

    /** How many tasks it was given. */
    int handled() {
        return handled;
    }

    boolean isUsable() {
        return !busy && process.isAlive();
    }

    @Override
    public void close() {
        process.destroyForcibly();
    }

    /** Rings unless it is set again or cancelled in time. */
    private static final class Alarm {
        private final ScheduledExecutorService watch;
        private final Duration after;
        private final Runnable ring;
        private ScheduledFuture<?> set;

        Alarm(ScheduledExecutorService watch, Duration after, Runnable ring) {
            this.watch = watch;
            this.after = after;
            this.ring = ring;
            this.set = watch.schedule(ring, after.toMillis(), TimeUnit.MILLISECONDS);
        }

        void again() {
            set.cancel(false);
            set = watch.schedule(ring, after.toMillis(), TimeUnit.MILLISECONDS);
        }

        void cancel() {
            set.cancel(false);
        }
    }
}
