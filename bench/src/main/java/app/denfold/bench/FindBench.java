package app.denfold.bench;

import app.denfold.server.DenFold;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.accounts.NewAccount;
import app.denfold.server.demo.DemoCatalog;
import app.denfold.server.finding.FindCriteria;
import app.denfold.server.finding.FindPapers;
import app.denfold.server.finding.SuggestPapers;
import app.denfold.server.people.PersonDetails;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeSettings;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import javax.sql.DataSource;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import tools.jackson.databind.json.JsonMapper;

/**
 * Words searched for among many papers of about 400 words, with a filter, and what is offered while typing. The floor is
 * the same question by plain JDBC in the same run.
 */
public final class FindBench {

    private static final int PEOPLE = 2_000;
    private static final int WORDS_A_PAPER = 400;
    private static final int VOCABULARY = 12_000;
    private static final int ASKS = 200;
    private static final List<String> TYPES = List.of("letter", "invoice", "note", "contract", "first-aid", "passport");

    private final DataSource source;
    private final FindPapers find;
    private final SuggestPapers suggest;
    private final PersonFiles files;
    private final Viewer viewer;
    private final List<String> vocabulary;

    private FindBench(ConfigurableApplicationContext server, Viewer viewer) {
        this.source = server.getBean(DataSource.class);
        this.find = server.getBean(FindPapers.class);
        this.suggest = server.getBean(SuggestPapers.class);
        this.files = server.getBean(PersonFiles.class);
        this.viewer = viewer;
        this.vocabulary = vocabulary();
    }

    public static void main(String[] arguments) throws Exception {
        int papers = arguments.length > 0 ? Integer.parseInt(arguments[0]) : 200_000;
        try (ConfigurableApplicationContext server = new SpringApplicationBuilder(DenFold.class)
                .properties(
                        "server.port=0",
                        "denfold.recognition.on=false",
                        "db-scheduler.enabled=false",
                        "spring.main.banner-mode=off")
                .run()) {
            server.getBean(DemoCatalog.class).load();
            server.getBean(PracticeSettings.class)
                    .found("Oakhollin Riding & Therapy Yard", ZoneId.of("Europe/Vienna"), "#3b4f63");
            Viewer viewer = server.getBean(Accounts.class)
                    .open(NewAccount.administrator("bench@oakhollin.example", "Ottilie Brandmoor"));
            FindBench bench = new FindBench(server, viewer);
            bench.generate(papers);
            BenchServer.asOwner().sql("analyze").update();
            bench.search(papers);
            bench.suggestions();
        }
    }

    /** Words of two to four syllables; the more often a word is used the earlier it stands. */
    private static List<String> vocabulary() {
        String[] syllables = {
            "ba", "con", "der", "el", "fi", "gor", "hal", "in", "ka", "lom", "mer", "no", "pas", "rid", "sel", "tu",
            "ver", "wen"
        };
        Random random = new Random(3);
        List<String> words = new ArrayList<>();
        while (words.size() < VOCABULARY) {
            StringBuilder word = new StringBuilder();
            for (int i = 0; i < 2 + random.nextInt(3); i++) {
                word.append(syllables[random.nextInt(syllables.length)]);
            }
            words.add(word.toString());
        }
        return words;
    }

    /** Few words very often, many rarely, as in any language. */
    private String word(Random random) {
        return vocabulary.get((int) (VOCABULARY * Math.pow(random.nextDouble(), 3)));
    }

    private void generate(int papers) throws Exception {
        List<UUID> people = new ArrayList<>();
        for (int i = 0; i < PEOPLE; i++) {
            Random random = new Random(i);
            people.add(files.open(
                            PersonDetails.since(
                                    "employee",
                                    capital(word(random)),
                                    capital(word(random)) + " " + i,
                                    LocalDate.of(1960, 1, 1).plusDays(random.nextInt(15_000)),
                                    null,
                                    i % 2 == 0 ? "Stables" : "Therapy",
                                    LocalDate.now().minusDays(1_000),
                                    Map.of()),
                            true,
                            viewer.actor())
                    .id());
        }
        int half = papers / 2;
        CompletableFuture<Void> first = CompletableFuture.runAsync(() -> insert(people, 0, half));
        insert(people, half, papers);
        first.join();
    }

    private static String capital(String word) {
        return Character.toUpperCase(word.charAt(0)) + word.substring(1);
    }

    private void insert(List<UUID> people, int from, int to) {
        String document = "insert into document (id, version, file_id, type, name, document_date, received_on, source,"
                + " filed_by, created_at) values (?, 0, ?, ?, ?, ?, ?, 'dropped', 'Ottilie Brandmoor', now())";
        String findable = """
                insert into findable (document_id, file_id, types, name, document_date, received_on, stored_at, source,
                  filed_by, media_type, pages, size, state, fields, sha256, is_read, pages_without_text, is_long, is_cut,
                  given_name, family_name, number, kind, team, person_text, words, name_words)
                select ?, p.id, array[?]::varchar[], ?, ?, ?, now(), 'dropped', 'Ottilie Brandmoor', 'application/pdf', 2,
                  40000, 'FILED', '{}', '', true, 0, false, false, p.given_name, p.family_name, p.number, p.kind, p.team,
                  p.search_text, to_tsvector('denfold_plain', t) || to_tsvector('denfold_words', t),
                  to_tsvector('denfold_plain', ?)
                from (values (?)) v(t) join person_file p on p.id = ?
                """;
        try (Connection connection = source.getConnection();
                PreparedStatement one = connection.prepareStatement(document);
                PreparedStatement two = connection.prepareStatement(findable)) {
            connection.setAutoCommit(false);
            for (int i = from; i < to; i++) {
                Random random = new Random(i);
                UUID id = new UUID(random.nextLong(), i);
                UUID person = people.get(random.nextInt(PEOPLE));
                String type = TYPES.get(random.nextInt(TYPES.size()));
                LocalDate dated = LocalDate.now().minusDays(random.nextInt(3_000));
                String name = capital(type) + ", " + dated + ", " + capital(word(random));
                StringBuilder text = new StringBuilder(name);
                for (int w = 0; w < WORDS_A_PAPER; w++) {
                    text.append(' ').append(word(random));
                }
                set(one, id, person, type, name, dated, dated);
                one.addBatch();
                set(two, id, type, name, dated, dated, name, text.toString(), person);
                two.addBatch();
                if (i % 500 == 499 || i == to - 1) {
                    one.executeBatch();
                    two.executeBatch();
                    connection.commit();
                }
            }
        } catch (SQLException failed) {
            throw new IllegalStateException(failed);
        }
    }

    private static void set(PreparedStatement statement, Object... values) throws SQLException {
        for (int i = 0; i < values.length; i++) {
            statement.setObject(i + 1, values[i]);
        }
    }

    private record Question(String words, String type) {}

    private List<Question> questions(int count, int seed) {
        Random random = new Random(seed);
        List<Question> questions = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            questions.add(new Question(word(random) + " " + word(random), TYPES.get(random.nextInt(TYPES.size()))));
        }
        return questions;
    }

    private void search(int papers) throws Exception {
        JsonMapper json = new JsonMapper();
        questions(50, 1).forEach(q -> ask(json, q));
        for (Question question : questions(50, 1)) {
            plain(question);
        }
        double[] ours = new double[ASKS];
        double[] floor = new double[ASKS];
        List<Question> questions = questions(ASKS, 2);
        for (int i = 0; i < ASKS; i++) {
            long begun = System.nanoTime();
            ask(json, questions.get(i));
            ours[i] = (System.nanoTime() - begun) / 1e6;
            begun = System.nanoTime();
            plain(questions.get(i));
            floor[i] = (System.nanoTime() - begun) / 1e6;
        }
        Figures.told("papers", papers, "papers");
        Figures.told("search-median", Figures.median(ours), "ms");
        Figures.atMost("search-95", Figures.percentile95(ours), "ms", 150);
        Figures.told("plain-jdbc-95", Figures.percentile95(floor), "ms");
        Figures.atMost("search-over-plain-jdbc", Figures.percentile95(ours) / Figures.percentile95(floor), "x", 2);
    }

    private FindPapers.FoundPage ask(JsonMapper json, Question question) {
        FindCriteria criteria = json.readValue(
                "{\"words\":\"" + question.words + "\",\"types\":[\"" + question.type + "\"],\"teams\":[\"Stables\"]}",
                FindCriteria.class);
        return find.page(viewer, criteria, "-dated", 0, 50);
    }

    private int plain(Question question) throws SQLException {
        String[] words = question.words.split(" ");
        try (Connection connection = source.getConnection();
                PreparedStatement select = connection.prepareStatement(
                        "select f.document_id, f.file_id, f.given_name, f.family_name, f.number, f.team, f.types, f.name,"
                                + " f.document_date, f.received_on, f.source, f.filed_by, f.pages, f.size from findable f"
                                + " where f.words @@ (plainto_tsquery('denfold_words', ?)"
                                + " && plainto_tsquery('denfold_words', ?)) and f.types && array[?]::varchar[]"
                                + " and f.team = 'Stables' order by f.document_date desc, f.document_id desc limit 51")) {
            set(select, words[0], words[1], question.type);
            int count = 0;
            try (ResultSet rows = select.executeQuery()) {
                while (rows.next()) {
                    count += rows.getString(8).length();
                }
            }
            return count;
        }
    }

    private void suggestions() {
        Random random = new Random(9);
        double[] took = new double[ASKS];
        for (int i = -50; i < ASKS; i++) {
            String typed = word(random);
            String part = typed.substring(0, Math.min(typed.length(), 3 + random.nextInt(3)));
            long begun = System.nanoTime();
            files.find(viewer, part, "", 6);
            suggest.suggest(viewer, part);
            if (i >= 0) {
                took[i] = (System.nanoTime() - begun) / 1e6;
            }
        }
        Figures.told("suggestions-median", Figures.median(took), "ms");
        Figures.atMost("suggestions-95", Figures.percentile95(took), "ms", 100);
    }
}
