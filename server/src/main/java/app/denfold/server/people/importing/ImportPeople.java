package app.denfold.server.people.importing;

import app.denfold.server.access.Viewer;
import app.denfold.server.people.PersonCheck;
import app.denfold.server.people.PersonDetails;
import app.denfold.server.people.PersonFile;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.people.kinds.FactDefinition;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.people.kinds.PersonKind;
import app.denfold.server.problems.Refusal;
import jakarta.annotation.Nullable;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CharsetDecoder;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.commons.csv.CSVException;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Makes files from a list of people in comma-separated values. Says line by line what happens and why a line is
 * refused, before anything does; then takes all good lines or none.
 */
@Service
public class ImportPeople {

    static final int MOST_LINES = 5_000;
    private static final int MOST_SHOWN = 500;
    private static final String KIND = "kind";
    private static final String FAMILY = "family name";
    private static final List<String> COLUMNS =
            List.of(KIND, "given name", FAMILY, "birth date", "mail", "team", "active from");

    private final PersonFiles files;
    private final Kinds kinds;
    private final PersonCheck check;

    ImportPeople(PersonFiles files, Kinds kinds, PersonCheck check) {
        this.files = files;
        this.kinds = kinds;
        this.check = check;
    }

    /**
     * @param line in the list, its header being line 1
     * @param outcome {@code new}, {@code exists} or {@code refused}
     * @param words why it is refused, or which file the person has
     */
    record PeopleLine(
            int line, String name, String outcome, @Nullable String words) {}

    /** @param lines those refused first, then those that exist, then the new ones; {@value #MOST_SHOWN} at most */
    public record PeopleImport(boolean applied, int fresh, int existing, int refused, List<PeopleLine> lines) {}

    private record Read(PeopleLine line, @Nullable PersonDetails details) {}

    /**
     * @param bytes a list in comma-separated values, or address cards (vCard)
     * @param kind of the files that cards become; null for a list, which says it line by line
     * @throws Refusal when the list as a whole cannot be read; then nothing is taken
     */
    @Transactional
    public PeopleImport take(Viewer viewer, byte[] bytes, @Nullable String kind, boolean apply) {
        viewer.requireAdministrator();
        String text = text(bytes);
        List<Read> read = read(VCards.isOne(text) ? VCards.asList(text, kind) : text);
        List<Read> fresh =
                read.stream().filter(r -> r.line.outcome().equals("new")).toList();
        if (apply) {
            fresh.forEach(r -> files.open(Objects.requireNonNull(r.details), true, viewer.actor()));
        }
        List<PeopleLine> lines = new ArrayList<>();
        for (String outcome : List.of("refused", "exists", "new")) {
            read.stream()
                    .map(Read::line)
                    .filter(l -> l.outcome().equals(outcome))
                    .forEach(lines::add);
        }
        int refused =
                (int) lines.stream().filter(l -> l.outcome().equals("refused")).count();
        return new PeopleImport(
                apply,
                fresh.size(),
                read.size() - fresh.size() - refused,
                refused,
                lines.size() > MOST_SHOWN ? lines.subList(0, MOST_SHOWN) : lines);
    }

    private static String text(byte[] bytes) {
        CharsetDecoder strict = StandardCharsets.UTF_8
                .newDecoder()
                .onMalformedInput(CodingErrorAction.REPORT)
                .onUnmappableCharacter(CodingErrorAction.REPORT);
        ByteBuffer in = ByteBuffer.wrap(bytes);
        try {
            String text = strict.decode(in).toString();
            return text.startsWith("\uFEFF") ? text.substring(1) : text;
        } catch (CharacterCodingException wrong) {
            int line = 1;
            for (int i = 0; i < in.position(); i++) {
                line += bytes[i] == '\n' ? 1 : 0;
            }
            throw Refusal.invalid(
                    "file", "Line " + line + " is not UTF-8. Save the list as “CSV UTF-8” and try again.");
        }
    }

    private List<Read> read(String text) {
        long count = text.lines().filter(l -> !l.isBlank()).count();
        if (count > MOST_LINES + 1) {
            throw Refusal.invalid(
                    "file",
                    "The list has " + (count - 1) + " lines; at most " + MOST_LINES
                            + " are taken at once. Split it and take the parts one after the other.");
        }
        char separator = text.lines().findFirst().orElse("").contains(";") ? ';' : ',';
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setDelimiter(separator)
                .setTrim(true)
                .setIgnoreEmptyLines(true)
                .get();
        try (CSVParser parser = format.parse(new StringReader(text))) {
            List<CSVRecord> records = parser.getRecords();
            if (records.isEmpty()) {
                throw Refusal.invalid("file", "The list is empty. Its first line names the columns: " + known() + ".");
            }
            List<String> header = header(records.get(0));
            Set<String> names = new HashSet<>();
            List<Read> result = new ArrayList<>();
            int line = 1;
            for (CSVRecord record : records.subList(1, records.size())) {
                result.add(read(++line, header, record, names));
            }
            return result;
        } catch (CSVException broken) {
            throw Refusal.invalid("file", "The list cannot be read: " + broken.getMessage());
        } catch (UncheckedIOException | IOException broken) {
            throw Refusal.invalid("file", "The list cannot be read; a quotation mark may be missing its end.");
        }
    }

    private String known() {
        return String.join(", ", COLUMNS) + ", and the facts of your kinds by their names";
    }

    private List<String> header(CSVRecord first) {
        Set<String> facts = kinds.all().stream()
                .flatMap(k -> k.facts().stream())
                .flatMap(f -> java.util.stream.Stream.of(small(f.name()), small(f.label())))
                .collect(Collectors.toSet());
        List<String> header = new ArrayList<>();
        for (String column : first) {
            String name = small(column);
            if (!COLUMNS.contains(name) && !facts.contains(name)) {
                throw Refusal.invalid(
                        "file",
                        "Line 1 names a column “" + column + "”, which is unknown. Known are: " + known() + ".");
            }
            if (header.contains(name)) {
                throw Refusal.invalid("file", "Line 1 names the column “" + column + "” twice.");
            }
            header.add(name);
        }
        for (String needed : List.of(KIND, FAMILY)) {
            if (!header.contains(needed)) {
                throw Refusal.invalid("file", "Line 1 lacks the column “" + needed + "”. Known are: " + known() + ".");
            }
        }
        return header;
    }

    private static String small(String text) {
        return text.strip().toLowerCase(Locale.ROOT);
    }

    private Read read(int line, List<String> header, CSVRecord record, Set<String> before) {
        Map<String, String> values = new LinkedHashMap<>();
        for (int i = 0; i < Math.min(header.size(), record.size()); i++) {
            if (!record.get(i).isEmpty()) {
                values.put(header.get(i), record.get(i));
            }
        }
        String name = (values.getOrDefault("given name", "") + " " + values.getOrDefault(FAMILY, "")).strip();
        try {
            if (record.size() != header.size()) {
                throw Refusal.invalid(
                        "line", "has " + record.size() + " values where line 1 names " + header.size() + " columns");
            }
            PersonDetails details = details(values);
            List<PersonFile> like = files.like(details);
            if (!like.isEmpty()) {
                return new Read(
                        new PeopleLine(
                                line,
                                name,
                                "exists",
                                "has the file " + like.get(0).number()),
                        details);
            }
            if (!before.add(small(name) + details.birthDate())) {
                throw Refusal.invalid("line", "the same person stands in an earlier line");
            }
            return new Read(new PeopleLine(line, name, "new", null), details);
        } catch (Refusal refusal) {
            return new Read(new PeopleLine(line, name, "refused", refusal.getMessage()), null);
        }
    }

    private PersonDetails details(Map<String, String> values) {
        if (!values.containsKey(FAMILY)) {
            throw Refusal.invalid(FAMILY, "the family name is missing");
        }
        PersonKind kind = kind(values.getOrDefault(KIND, ""));
        Map<String, String> facts = new LinkedHashMap<>();
        for (FactDefinition fact : kind.facts()) {
            String value = values.getOrDefault(small(fact.label()), values.get(small(fact.name())));
            if (value != null) {
                facts.put(fact.name(), stored(fact, value));
            }
        }
        PersonDetails details = PersonDetails.since(
                kind.code(),
                values.getOrDefault("given name", ""),
                values.get(FAMILY),
                day(values, "birth date"),
                mail(values.get("mail")),
                values.get("team"),
                day(values, "active from"),
                facts);
        check.check(details, kind);
        return details;
    }

    private PersonKind kind(String word) {
        return kinds.all().stream()
                .filter(k -> k.code().equalsIgnoreCase(word)
                        || k.label().equalsIgnoreCase(word)
                        || k.plural().equalsIgnoreCase(word))
                .findFirst()
                .orElseThrow(() -> Refusal.invalid(KIND, "“" + word + "” is no kind of file"));
    }

    private static String stored(FactDefinition fact, String value) {
        return switch (fact.form()) {
            case YES_NO ->
                switch (small(value)) {
                    case "yes", "true", "1", "y" -> "yes";
                    case "no", "false", "0", "n" -> "no";
                    default -> value;
                };
            case CHOICE ->
                fact.choices().stream()
                        .filter(c -> c.equalsIgnoreCase(value))
                        .findFirst()
                        .orElse(value);
            default -> value;
        };
    }

    private static @Nullable LocalDate day(Map<String, String> values, String column) {
        String text = values.get(column);
        try {
            return text == null ? null : LocalDate.parse(text);
        } catch (DateTimeParseException wrong) {
            throw Refusal.invalid(column, "“" + text + "” is no day; write the " + column + " as 2026-11-25");
        }
    }

    private static @Nullable String mail(@Nullable String text) {
        if (text != null && !text.matches("[^@\\s]+@[^@\\s]+\\.[^@\\s]+")) {
            throw Refusal.invalid("mail", "“" + text + "” is no mail address");
        }
        return text;
    }
}
