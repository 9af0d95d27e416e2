package app.denfold.paper.worker;

import app.denfold.paper.sealing.Signer;
import java.io.BufferedReader;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import tools.jackson.databind.json.JsonMapper;

/** The worker process: does one task after the other, as they come on its standard input, and ends with it. */
public final class PaperWorker implements Task.Conversation {

    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final BufferedReader tasks;
    private final PrintStream answers;

    private PaperWorker(BufferedReader tasks, PrintStream answers) {
        this.tasks = tasks;
        this.answers = answers;
    }

    public static void main(String[] arguments) throws IOException {
        PrintStream answers = new PrintStream(System.out, false, StandardCharsets.UTF_8);
        // libraries that print must not come between the answers
        System.setOut(System.err);
        try (BufferedReader tasks = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8))) {
            PaperWorker worker = new PaperWorker(tasks, answers);
            for (String line = tasks.readLine(); line != null; line = tasks.readLine()) {
                worker.tell(worker.report(JSON.readValue(line, Task.class)));
            }
        }
    }

    @Override
    public void tell(Report report) {
        answers.println(JSON.writeValueAsString(report));
        if (answers.checkError()) {
            // nobody listens any more: the server was killed
            Runtime.getRuntime().halt(1);
        }
    }

    @Override
    public Signer signer() {
        return new Signer() {
            @Override
            public byte[] sign(byte[] bytes) throws IOException {
                return asked(Report.sign(bytes));
            }

            @Override
            public byte[] stamp(byte[] request) throws IOException {
                return asked(Report.stamp(request));
            }
        };
    }

    private byte[] asked(Report question) throws IOException {
        tell(question);
        String line = tasks.readLine();
        if (line == null) {
            throw new EOFException("nobody answered");
        }
        return JSON.readValue(line, byte[].class);
    }

    private Report report(Task task) {
        try {
            return task.done(this);
        } catch (IOException | RuntimeException broken) {
            return Report.failed(String.valueOf(broken.getMessage()));
        } catch (StackOverflowError endless) {
            return Report.failed("its parts are nested without end");
        }
    }
}
