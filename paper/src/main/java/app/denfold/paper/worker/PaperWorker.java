package app.denfold.paper.worker;

import app.denfold.paper.ArchiveCopy;
import app.denfold.paper.CopyPages;
import app.denfold.paper.Format;
import app.denfold.paper.PageImage;
import app.denfold.paper.ReadPages;
import app.denfold.paper.ReadPaper;
import app.denfold.paper.Unlock;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Objects;
import tools.jackson.databind.json.JsonMapper;

/** The worker process: does one task after the other, as they come on its standard input, and ends with it. */
public final class PaperWorker {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final PrintStream answers;

    private PaperWorker(PrintStream answers) {
        this.answers = answers;
    }

    public static void main(String[] arguments) throws IOException {
        PrintStream answers = new PrintStream(System.out, false, StandardCharsets.UTF_8);
        // libraries that print must not come between the answers
        System.setOut(System.err);
        PaperWorker worker = new PaperWorker(answers);
        try (BufferedReader tasks = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8))) {
            for (String line = tasks.readLine(); line != null; line = tasks.readLine()) {
                worker.answer(worker.report(JSON.readValue(line, Task.class)));
            }
        }
    }

    private void answer(Report report) {
        answers.println(JSON.writeValueAsString(report));
        if (answers.checkError()) {
            // nobody listens any more: the server was killed
            Runtime.getRuntime().halt(1);
        }
    }

    private Report report(Task task) {
        try {
            return done(task);
        } catch (IOException | RuntimeException broken) {
            return Report.failed(String.valueOf(broken.getMessage()));
        } catch (StackOverflowError endless) {
            return Report.failed("its parts are nested without end");
        }
    }

    private Report done(Task task) throws IOException {
        switch (task.what()) {
            case IDENTIFY -> {
                return Report.of(ReadPaper.read(file(task), String.valueOf(task.name())));
            }
            case DRAW ->
                Files.write(to(task), PageImage.png(file(task), format(task), task.page(), task.width(), task.turn()));
            case READ ->
                ReadPages.each(
                        file(task),
                        format(task),
                        new ReadPages.Settings(task.recognise(), String.valueOf(task.languages())),
                        task.page(),
                        page -> answer(Report.page(page)));
            case COPY ->
                CopyPages.to(
                        to(task),
                        Objects.requireNonNull(task.pages()).stream()
                                .map(p -> new CopyPages.Chosen(Path.of(p.file()), p.format(), p.page(), p.turn()))
                                .toList());
            case ARCHIVE -> {
                ArchiveCopy.Made made = ArchiveCopy.to(to(task), file(task), format(task));
                return Report.done(made == ArchiveCopy.Made.FROM_ITS_PAGES);
            }
            case UNLOCK -> {
                return Report.done(Unlock.to(to(task), file(task), String.valueOf(task.password())));
            }
        }
        return Report.done(true);
    }

    private static Path file(Task task) {
        return Path.of(Objects.requireNonNull(task.file()));
    }

    private static Path to(Task task) {
        return Path.of(Objects.requireNonNull(task.to()));
    }

    private static Format format(Task task) {
        return Objects.requireNonNull(task.format());
    }
}
