package app.denfold.paper.drawing;

import app.denfold.paper.Format;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.tika.exception.TikaException;
import org.apache.tika.metadata.Message;
import org.apache.tika.metadata.Metadata;
import org.apache.tika.metadata.TikaCoreProperties;
import org.apache.tika.parser.AutoDetectParser;
import org.apache.tika.parser.ParseContext;
import org.apache.tika.sax.BodyContentHandler;
import org.xml.sax.SAXException;

/** The words of a paper that has no pages of its own, set on pages of equal length. */
public final class TextOfPaper {

    public static final int LINES = 60;
    static final int COLUMNS = 96;
    private static final int MOST_LETTERS = 2_000_000;
    private static final int MOST_BYTES = 20_000_000;
    private static final int MOST_PAGES = 500;

    private TextOfPaper() {}

    /** At least one page, which may be empty; at most {@value #MOST_PAGES}. */
    public static List<String> pages(Path file, Format format) throws IOException {
        return onPages(text(file, format));
    }

    private static String text(Path file, Format format) throws IOException {
        if (format == Format.TEXT || format == Format.CSV || format == Format.XML) {
            return plain(file);
        }
        try (InputStream in = Files.newInputStream(file)) {
            BodyContentHandler words = new BodyContentHandler(MOST_LETTERS);
            Metadata metadata = new Metadata();
            try {
                Parsers.ALL.parse(in, words, metadata, new ParseContext());
            } catch (SAXException tooLong) {
                if (words.toString().isBlank()) {
                    throw new IOException("The words cannot be read", tooLong);
                }
            }
            return head(metadata, format) + words.toString().strip();
        } catch (TikaException broken) {
            throw new IOException("The words cannot be read", broken);
        }
    }

    private static final class Parsers {
        static final AutoDetectParser ALL = new AutoDetectParser();
    }

    private static String head(Metadata metadata, Format format) {
        if (format != Format.EML) {
            return "";
        }
        StringBuilder head = new StringBuilder();
        line(head, "From", metadata.get(Message.MESSAGE_FROM));
        line(head, "To", metadata.get(Message.MESSAGE_TO));
        line(head, "Date", metadata.get(TikaCoreProperties.CREATED));
        line(head, "Subject", metadata.get(TikaCoreProperties.SUBJECT));
        return head.append('\n').toString();
    }

    private static void line(StringBuilder to, String name, String value) {
        if (value != null) {
            to.append(name).append(": ").append(value).append('\n');
        }
    }

    private static String plain(Path file) throws IOException {
        byte[] bytes;
        try (InputStream in = Files.newInputStream(file)) {
            bytes = in.readNBytes(MOST_BYTES);
        }
        if (bytes.length > 1
                && ((bytes[0] == (byte) 0xFF && bytes[1] == (byte) 0xFE)
                        || (bytes[0] == (byte) 0xFE && bytes[1] == (byte) 0xFF))) {
            return new String(bytes, StandardCharsets.UTF_16);
        }
        try {
            CharBuffer text = StandardCharsets.UTF_8
                    .newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .decode(ByteBuffer.wrap(bytes));
            return text.toString().replace("\uFEFF", "");
        } catch (CharacterCodingException older) {
            return new String(bytes, Charset.forName("windows-1252"));
        }
    }

    private static List<String> onPages(String text) {
        List<String> pages = new ArrayList<>();
        List<String> page = new ArrayList<>();
        for (String line : text.replace("\t", "    ").lines().toList()) {
            for (String part : broken(line)) {
                page.add(part);
                if (page.size() == LINES) {
                    pages.add(String.join("\n", page));
                    page.clear();
                    if (pages.size() == MOST_PAGES) {
                        return pages;
                    }
                }
            }
        }
        if (!page.isEmpty() || pages.isEmpty()) {
            pages.add(String.join("\n", page));
        }
        return pages;
    }

    /** Breaks a line at the last blank that fits, or in the middle of a word when there is none. */
    private static List<String> broken(String line) {
        List<String> parts = new ArrayList<>();
        String rest = line.stripTrailing();
        while (rest.length() > COLUMNS) {
            int at = rest.lastIndexOf(' ', COLUMNS);
            at = at < COLUMNS / 2 ? COLUMNS : at;
            parts.add(rest.substring(0, at));
            rest = rest.substring(at).stripLeading();
        }
        parts.add(rest);
        return parts;
    }
}
