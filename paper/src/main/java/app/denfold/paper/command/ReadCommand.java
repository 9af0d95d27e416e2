package app.denfold.paper.command;

import app.denfold.core.dates.DayOrder;
import app.denfold.core.dates.PageDates;
import app.denfold.core.dates.PaperDate;
import app.denfold.paper.reading.PageFacts;
import app.denfold.paper.reading.ReadPages;
import app.denfold.paper.reading.ReadPaper;
import app.denfold.paper.reading.Reading;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * Reads papers as the server does and prints one JSON object for each; or with {@code --lines} the days in texts, one JSON
 * string and one object a line.
 */
public final class ReadCommand {

    /** All was read. */
    static final int READ = 0;

    /** Something could not be read; what and why was told. */
    static final int LEFT = 1;

    /** It was not called as it can be. */
    static final int USAGE = 2;

    private static final String USED =
            "Used so: read [--order day|month] [--received DAY] [--languages eng+deu] FILE…, with - for"
                    + " standard input; or read --lines [--order day|month] [--received DAY]";

    private final JsonMapper json = new JsonMapper();
    private final InputStream in;
    private final PrintStream out;
    private final PrintStream err;
    private @Nullable DayOrder order;
    private @Nullable LocalDate received;
    private String languages = "eng";

    ReadCommand(InputStream in, PrintStream out, PrintStream err) {
        this.in = in;
        this.out = out;
        this.err = err;
    }

    public static void main(String[] arguments) throws IOException {
        PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
        System.exit(new ReadCommand(System.in, out, System.err).run(List.of(arguments)));
    }

    /** @return the exit code: 0 when all was read, 1 when something could not be, 2 when the arguments make no sense */
    int run(List<String> arguments) throws IOException {
        List<String> files = new ArrayList<>();
        boolean isLines = false;
        try {
            for (int i = 0; i < arguments.size(); i++) {
                switch (arguments.get(i)) {
                    case "--lines" -> isLines = true;
                    case "--order" -> order = order(value(arguments, ++i));
                    case "--received" -> received = LocalDate.parse(value(arguments, ++i));
                    case "--languages" -> languages = value(arguments, ++i);
                    default -> files.add(file(arguments.get(i)));
                }
            }
        } catch (IllegalArgumentException | DateTimeParseException wrong) {
            err.println(wrong.getMessage() + ". " + USED);
            return USAGE;
        }
        if (isLines != files.isEmpty()) {
            err.println(USED);
            return USAGE;
        }
        return isLines ? lines() : files(files);
    }

    private static String file(String argument) {
        if (argument.startsWith("--")) {
            throw new IllegalArgumentException("There is no option " + argument);
        }
        return argument;
    }

    private static String value(List<String> arguments, int at) {
        if (at >= arguments.size()) {
            throw new IllegalArgumentException("Something is missing after " + arguments.get(at - 1));
        }
        return arguments.get(at);
    }

    private static DayOrder order(String word) {
        return switch (word) {
            case "day" -> DayOrder.DAY_FIRST;
            case "month" -> DayOrder.MONTH_FIRST;
            default -> throw new IllegalArgumentException("The order is day or month, not " + word);
        };
    }

    private int lines() throws IOException {
        BufferedReader lines = new BufferedReader(new InputStreamReader(in, StandardCharsets.UTF_8));
        int code = READ;
        int number = 0;
        for (String line = lines.readLine(); line != null; line = lines.readLine()) {
            number++;
            if (line.isBlank()) {
                continue;
            }
            try {
                String text = json.readValue(line, String.class);
                out.println(json.writeValueAsString(Map.of("dates", dates(text, null))));
            } catch (JacksonException noString) {
                err.println("line " + number + ": this is no JSON string");
                out.println(json.writeValueAsString(Map.of("dates", List.of())));
                code = LEFT;
            }
        }
        return code;
    }

    private int files(List<String> files) throws IOException {
        int code = READ;
        for (String file : files) {
            Path copy = file.equals("-") ? taken() : Path.of(file);
            try {
                code = Math.max(code, read(file, copy));
            } catch (IOException unread) {
                err.println(file + ": cannot be read: " + unread.getMessage());
                code = LEFT;
            } finally {
                if (file.equals("-")) {
                    Files.deleteIfExists(copy);
                }
            }
        }
        return code;
    }

    private Path taken() throws IOException {
        Path copy = Files.createTempFile("paper", "");
        Files.copy(in, copy, StandardCopyOption.REPLACE_EXISTING);
        return copy;
    }

    private int read(String name, Path file) throws IOException {
        if (!Files.isRegularFile(file) || !Files.isReadable(file)) {
            err.println(name + ": there is no such file, or it may not be read");
            return LEFT;
        }
        Reading reading = ReadPaper.read(file, name.equals("-") ? "" : String.valueOf(file.getFileName()));
        Map<String, @Nullable Object> told = new LinkedHashMap<>();
        told.put("file", name);
        told.put("format", format(reading));
        List<Object> pages = new ArrayList<>();
        List<Object> dates = new ArrayList<>();
        told.put("pages", pages);
        told.put("dates", dates);
        String why = reading.why().orElse(null);
        if (reading instanceof Reading.Readable readable) {
            try {
                ReadPages.each(file, readable.format(), new ReadPages.Settings(true, languages), 1, page -> {
                    pages.add(page(page));
                    dates.addAll(dates(page.text(), page.number()));
                });
            } catch (IOException | RuntimeException broken) {
                why = "It could not be read to its end: " + broken.getMessage();
            }
        }
        told.put("set_aside", why);
        out.println(json.writeValueAsString(told));
        if (why != null) {
            err.println(name + ": " + why);
        }
        return why == null ? READ : LEFT;
    }

    private static @Nullable String format(Reading reading) {
        if (reading instanceof Reading.Readable readable) {
            return readable.format().name();
        }
        return reading instanceof Reading.SetAside aside ? aside.format().name() : null;
    }

    private static Map<String, @Nullable Object> page(PageFacts page) {
        List<Object> codes = new ArrayList<>();
        for (int i = 0; i < page.codes().size(); i++) {
            Map<String, Object> code = new LinkedHashMap<>();
            code.put("kind", page.codeKinds().get(i));
            code.put("value", page.codes().get(i));
            codes.add(code);
        }
        Map<String, @Nullable Object> told = new LinkedHashMap<>();
        told.put("page", page.number());
        told.put("text", page.text());
        told.put("readable", page.textFrom() != PageFacts.TextFrom.NONE);
        told.put("blank", page.blank());
        told.put("confidence", page.confidence());
        told.put("turned", page.turn());
        told.put("codes", codes);
        return told;
    }

    private List<Object> dates(String text, @Nullable Integer page) {
        List<Object> told = new ArrayList<>();
        for (PaperDate date : PageDates.in(text, order, received)) {
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("day", date.day().toString());
            one.put("role", date.role().name().toLowerCase(Locale.ROOT));
            one.put("sure", date.sure());
            one.put("quote", date.quote());
            if (page != null) {
                one.put("page", page);
            }
            told.add(one);
        }
        return told;
    }
}
