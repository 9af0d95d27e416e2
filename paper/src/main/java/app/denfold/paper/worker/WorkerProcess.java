package app.denfold.paper.worker;

import app.denfold.paper.reading.PageFacts;
import app.denfold.paper.sealing.Signer;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** One worker process, its folder, and the pipe to it. Used by one thread at a time. */
final class WorkerProcess implements AutoCloseable {

    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Path NICE = Path.of("/usr/bin/nice");

    private final Process process;
    private final WorkFolder folder;
    private final Writer tasks;
    private final BufferedReader answers;
    private int handled;

    /** Set while a task is under way: a process left in the middle of one is of no more use. */
    private boolean busy;

    private WorkerProcess(Process process, WorkFolder folder) {
        this.process = process;
        this.folder = folder;
        this.tasks = process.outputWriter(StandardCharsets.UTF_8);
        this.answers = new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
    }

    /**
     * @param megabytes how much memory the process may use for what it reads
     * @param yields whether it, and what it starts, leaves the processor to others who want it
     */
    static WorkerProcess start(Sandbox sandbox, int megabytes, boolean yields) throws IOException {
        WorkFolder folder = sandbox.folder();
        List<String> command = new ArrayList<>();
        if (yields && Files.isExecutable(NICE)) {
            command.addAll(List.of(NICE.toString(), "-n", "12"));
        }
        command.add(Sandbox.javaCommand());
        command.addAll(List.of(
                "-Xmx" + megabytes + "m",
                "-Xss1m",
                "-XX:+UseSerialGC",
                "-XX:TieredStopAtLevel=1",
                "-XX:+ExitOnOutOfMemoryError",
                "-XX:-UsePerfData",
                "-Xshare:auto",
                "-Djava.awt.headless=true",
                "-Djava.io.tmpdir=" + folder.path(),
                "-cp",
                Sandbox.classPath(),
                PaperWorker.class.getName()));
        try {
            return new WorkerProcess(sandbox.confined(folder, command).start(), folder);
        } catch (IOException failed) {
            folder.close();
            throw failed;
        }
    }

    /** A task whose files are named as the process finds them. */
    interface Making {
        Task in(WorkFolder folder, Path output) throws IOException;
    }

    /**
     * @param to where what the process makes is to lie; null when it makes nothing
     * @param most after so long without an answer the process is ended
     * @param pages told of each page as it is read
     * @throws WorkerFailed when the task failed, or took too long
     * @throws WorkerEnded when the process ended in the middle of it
     */
    Report handle(
            Making making,
            @Nullable Path to,
            Duration most,
            ScheduledExecutorService watch,
            Consumer<PageFacts> pages,
            Signer signer)
            throws IOException, WorkerEnded {
        handled++;
        busy = true;
        Path output = folder.output();
        Task task = making.in(folder, output);
        AtomicBoolean late = new AtomicBoolean();
        Alarm alarm = new Alarm(watch, most, () -> {
            late.set(true);
            process.destroyForcibly();
        });
        try {
            say(JSON.writeValueAsString(task));
            Report last = listen(alarm, pages, signer);
            if (last != null) {
                return finished(last, output, to);
            }
        } finally {
            alarm.cancel();
        }
        if (late.get()) {
            throw new WorkerFailed("reading it took longer than " + most.toSeconds() + " seconds");
        }
        throw new WorkerEnded(status());
    }

    /** @return the last answer; null when the pipe broke before it */
    private @Nullable Report listen(Alarm alarm, Consumer<PageFacts> pages, Signer signer) throws IOException {
        for (String line = line(); line != null; line = line()) {
            Report report;
            try {
                report = JSON.readValue(line, Report.class);
            } catch (JacksonException cutOff) {
                return null;
            }
            switch (report.kind()) {
                case DONE, FAILED -> {
                    return report;
                }
                case SIGN -> say(JSON.writeValueAsString(signer.sign(Objects.requireNonNull(report.toSign()))));
                case STAMP -> say(JSON.writeValueAsString(signer.stamp(Objects.requireNonNull(report.toSign()))));
                case PAGE -> pages.accept(Objects.requireNonNull(report.page()));
            }
            alarm.again();
        }
        return null;
    }

    private void say(String line) {
        try {
            tasks.write(line);
            tasks.write('\n');
            tasks.flush();
        } catch (IOException ended) {
            // how it ended is told once nothing more comes from it
        }
    }

    private @Nullable String line() {
        try {
            return answers.readLine();
        } catch (IOException ended) {
            return null;
        }
    }

    private Report finished(Report last, Path output, @Nullable Path to) throws IOException {
        busy = false;
        try {
            if (last.kind() == Report.Kind.FAILED) {
                throw new WorkerFailed(String.valueOf(last.words()));
            }
            if (to != null && Files.exists(output, LinkOption.NOFOLLOW_LINKS)) {
                folder.take(output, to);
            }
            return last;
        } finally {
            folder.clear();
        }
    }

    private int status() {
        try {
            // its pipe breaks a moment before it has ended, and only then does it tell how
            return process.waitFor(10, TimeUnit.SECONDS) ? process.exitValue() : -1;
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
            return -1;
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
        process.descendants().forEach(ProcessHandle::destroyForcibly);
        process.destroyForcibly();
        try {
            process.waitFor(5, TimeUnit.SECONDS);
            folder.close();
        } catch (IOException left) {
            throw new UncheckedIOException(left);
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
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
