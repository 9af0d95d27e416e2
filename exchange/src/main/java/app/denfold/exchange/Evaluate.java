package app.denfold.exchange;

import java.io.BufferedReader;
import java.io.BufferedWriter;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStreamWriter;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;

/**
 * Answers scenarios, one a line, with one line each in the same order; blank lines are passed over. Memory does not
 * grow with their number.
 */
public final class Evaluate {

    private final PrintWriter out;
    private boolean allGood = true;

    private Evaluate(PrintWriter out) {
        this.out = out;
    }

    /** Reads the named files, or standard input; exit status 1 when any scenario could not be answered. */
    public static void main(String[] files) {
        PrintWriter out = new PrintWriter(
                new BufferedWriter(new OutputStreamWriter(System.out, StandardCharsets.UTF_8), 1 << 16));
        boolean good = run(files, out);
        out.flush();
        System.exit(good ? 0 : 1);
    }

    private static boolean run(String[] files, PrintWriter out) {
        Evaluate evaluate = new Evaluate(out);
        try {
            if (files.length == 0) {
                evaluate.all(new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8)));
            }
            for (String file : files) {
                try (BufferedReader lines = Files.newBufferedReader(Path.of(file))) {
                    evaluate.all(lines);
                }
            }
            return evaluate.allGood;
        } catch (NoSuchFileException missing) {
            System.err.println("There is no file " + missing.getFile());
            return false;
        } catch (IOException unreadable) {
            System.err.println("Reading failed: " + unreadable.getMessage());
            return false;
        }
    }

    private void all(BufferedReader lines) throws IOException {
        for (String line = lines.readLine(); line != null; line = lines.readLine()) {
            if (!line.isBlank()) {
                out.println(answer(line));
            }
        }
    }

    private String answer(String line) {
        try {
            return AnswerJson.of(Scenario.parse(line).answer());
        } catch (BadInput bad) {
            allGood = false;
            return AnswerJson.of(bad);
        }
    }

    /** The answer to one scenario: the standing or the error, as a line without its end. */
    static String answerTo(String scenario) {
        return new Evaluate(new PrintWriter(System.out)).answer(scenario);
    }
}
