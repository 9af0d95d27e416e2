package app.denfold.server.content;

import app.denfold.paper.Format;
import app.denfold.server.problems.Refusal;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What stands for a paper of which there are no pages here: it is awaited, or its original lives on paper somewhere.
 *
 * @param words where the original lies, or whence it is awaited; empty when nothing is said
 */
public record Placeholder(boolean awaited, String words) {

    private static final int LONGEST = 200;

    public static Placeholder awaited(@Nullable String words) {
        return new Placeholder(true, line("words", words));
    }

    /** @throws Refusal when no place is given */
    public static Placeholder onPaper(@Nullable String place) {
        Placeholder placed = new Placeholder(false, line("words", place));
        if (placed.words.isEmpty()) {
            throw Refusal.invalid("words", "Say where the original lies, such as “office, cabinet 3”.");
        }
        return placed;
    }

    private static String line(String field, @Nullable String words) {
        String line = words == null ? "" : words.replaceAll("\\s+", " ").strip();
        if (line.length() > LONGEST) {
            throw Refusal.invalid(field, "Up to " + LONGEST + " letters, please.");
        }
        return line;
    }

    public Format format() {
        return awaited ? Format.AWAITED : Format.ON_PAPER;
    }

    /** How it is stored: what it is, then the words. */
    public byte[] written() {
        String what = awaited ? "Awaited" : "The original lies on paper";
        return (what + "\r\n" + words + "\r\n").getBytes(StandardCharsets.UTF_8);
    }

    static Placeholder read(Format format, byte[] written) {
        List<String> lines = new String(written, StandardCharsets.UTF_8).lines().toList();
        return new Placeholder(format == Format.AWAITED, lines.size() < 2 ? "" : lines.get(1));
    }
}
