package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/**
 * Which module writes and which modules read each table, as the code says it. A table has one writer; the exceptions are
 * named. Whoever lets a module into another table has to write it down in {@code tables.txt}.
 */
class TablesTest {

    private static final Path CODE = Path.of("src/main/java/app/denfold/server");
    private static final Path MIGRATIONS = Path.of("src/main/resources/db/migration");

    /** Tables that belong to libraries. */
    private static final Pattern OF_LIBRARIES = Pattern.compile(
            "spring_session.*|scheduled_tasks|event_publication.*|flyway.*|user_entities|user_credentials");

    private static final Pattern CREATED = Pattern.compile("create table (?:if not exists )?(\\w+)");
    private static final Pattern DROPPED = Pattern.compile("drop table (?:if exists )?(\\w+)");
    private static final Pattern RENAMED = Pattern.compile("alter table (\\w+) rename to (\\w+)");
    private static final Pattern ENTITY =
            Pattern.compile("@Entity\\b(?:\\s*@\\w+(?:\\([^)]*\\))?)*\\s*(?:public )?(?:abstract )?class (\\w+)");
    private static final Pattern NAMED_TABLE = Pattern.compile("@(?:Collection)?Table\\(name = \"(\\w+)\"");
    private static final Pattern WRITES = Pattern.compile("(?:insert into|delete from|update) (\\w+)");
    private static final Pattern READS = Pattern.compile("(?:\\bfrom|\\bjoin) (\\w+)");

    private record Source(String module, String text) {}

    @Test
    void eachTableHasOneWriterAndKnownReaders() throws IOException {
        Set<String> tables = tables();
        List<Source> sources = sources();
        Map<String, String> entities = entities(sources);
        Map<String, Set<String>> writers = new TreeMap<>();
        Map<String, Set<String>> readers = new TreeMap<>();
        tables.forEach(t -> {
            writers.put(t, new TreeSet<>());
            readers.put(t, new TreeSet<>());
        });
        for (Source source : sources) {
            owned(source).forEach(t -> note(writers, t, source.module));
            named(WRITES, source, entities).forEach(t -> note(writers, t, source.module));
            named(READS, source, entities).forEach(t -> note(readers, t, source.module));
        }
        String found = tables.stream()
                .map(t -> line(t, writers.get(t), readers.get(t)))
                .collect(Collectors.joining("\n"));
        assertThat(found)
                .isEqualTo(Files.readString(Path.of("src/test/resources/tables.txt"))
                        .strip());
    }

    private static String line(String table, Set<String> writers, Set<String> readers) {
        Set<String> others = new TreeSet<>(readers);
        others.removeAll(writers);
        return table + ": " + String.join(" and ", writers)
                + (others.isEmpty() ? "" : "; read by " + String.join(", ", others));
    }

    private static void note(Map<String, Set<String>> who, String table, String module) {
        who.computeIfPresent(table, (t, modules) -> {
            modules.add(module);
            return modules;
        });
    }

    private static Set<String> tables() throws IOException {
        Set<String> tables = new TreeSet<>();
        try (Stream<Path> scripts = Files.list(MIGRATIONS)) {
            for (Path script : scripts.filter(p -> p.getFileName().toString().startsWith("V"))
                    .sorted(java.util.Comparator.comparingInt(TablesTest::number))
                    .toList()) {
                String sql = Files.readString(script);
                CREATED.matcher(sql).results().forEach(m -> tables.add(m.group(1)));
                DROPPED.matcher(sql).results().forEach(m -> tables.remove(m.group(1)));
                RENAMED.matcher(sql).results().forEach(m -> {
                    tables.remove(m.group(1));
                    tables.add(m.group(2));
                });
            }
        }
        tables.removeIf(t -> OF_LIBRARIES.matcher(t).matches());
        return tables;
    }

    private static int number(Path script) {
        return Integer.parseInt(script.getFileName().toString().replaceAll("^V(\\d+)__.*", "$1"));
    }

    private static List<Source> sources() throws IOException {
        try (Stream<Path> files = Files.walk(CODE)) {
            return files.filter(f -> f.toString().endsWith(".java"))
                    .map(f -> new Source(CODE.relativize(f).getName(0).toString(), code(f)))
                    .toList();
        }
    }

    private static String code(Path file) {
        try {
            return Files.readString(file)
                    .replaceAll("(?s)/\\*.*?\\*/", " ")
                    .replaceAll("(?m)^import .*$", "")
                    .replaceAll("//[^\n]*", " ")
                    .replaceAll("\\s+", " ");
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    /** Names of entities as HQL has them, with their tables. */
    private static Map<String, String> entities(List<Source> sources) {
        Map<String, String> entities = new TreeMap<>();
        for (Source source : sources) {
            Matcher entity = ENTITY.matcher(source.text);
            while (entity.find()) {
                entities.put(entity.group(1), table(source.text, entity));
            }
        }
        return entities;
    }

    private static String table(String text, Matcher entity) {
        Matcher named = Pattern.compile("@Table\\(name = \"(\\w+)\"").matcher(entity.group());
        return named.find() ? named.group(1) : snake(entity.group(1));
    }

    private static String snake(String name) {
        return name.replaceAll("(?<=.)([A-Z])", "_$1").toLowerCase(java.util.Locale.ROOT);
    }

    /** Tables of a source's entities and of their collections. */
    private static List<String> owned(Source source) {
        List<String> owned = new ArrayList<>();
        NAMED_TABLE.matcher(source.text).results().forEach(m -> owned.add(m.group(1)));
        ENTITY.matcher(source.text).results().forEach(m -> owned.add(snake(m.group(1))));
        return owned;
    }

    private static List<String> named(Pattern how, Source source, Map<String, String> entities) {
        return how.matcher(source.text)
                .results()
                .map(m -> m.group(1))
                .map(name -> entities.getOrDefault(name, name))
                .toList();
    }
}
