package app.denfold.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Papers;
import com.jayway.jsonpath.JsonPath;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.json.JsonMapper;

/**
 * The server, its workers and the database are killed by turns at random moments while people file, move, discard, accept,
 * comment, sign, merge and change rules: every act that was acknowledged stands, once, with its line in the trail, and the
 * trail's chain is whole. The number of kills is {@code -Ddenfold.act-kills}; {@code ./denfold kills} asks for 201.
 */
class EveryActIsKeptTest {

    private static final int KILLS = Integer.getInteger("denfold.act-kills", 6);
    private static final JsonMapper JSON = new JsonMapper();
    private static final LocalDate TODAY = LocalDate.now();

    @TempDir
    Path folder;

    private final Random random = new Random(20_261_128);
    private final AtomicInteger numbers = new AtomicInteger();
    private final AtomicInteger brokenOff = new AtomicInteger();
    private final List<Kept> kept = new CopyOnWriteArrayList<>();
    private final Map<String, AtomicInteger> acknowledged = new ConcurrentHashMap<>();
    private final List<String> failures = new CopyOnWriteArrayList<>();
    private final Map<Victim, Integer> kills = new EnumMap<>(Victim.class);
    private final AtomicInteger ruleAsked = new AtomicInteger();
    private final AtomicInteger ruleKept = new AtomicInteger();
    private final Map<String, String> types = new ConcurrentHashMap<>();
    private volatile boolean over;

    /** When the server or the database was last ended or came back: what is answered about then may be a failure. */
    private volatile long disturbedAt = System.nanoTime();

    private enum Victim {
        SERVER,
        WORKER,
        DATABASE
    }

    /** What a query answers once an act was acknowledged. */
    private record Kept(String act, String query, String answer) {}

    private interface Act {
        void once(HttpSession session) throws Exception;
    }

    @BeforeEach
    void foldersCanBeWalkedThrough() {
        assertThat(folder.toFile().setExecutable(true, false)).isTrue();
    }

    @Test
    void whateverIsKilledWhatWasAcknowledgedStands() throws Exception {
        ServerProcess server = new ServerProcess(folder).withoutRecognition();
        ExecutorService people = Executors.newCachedThreadPool();
        try (server) {
            server.start();
            setUpTypes(HttpSession.signIn(server.address(), "ottilie@oakhollin.example"));
            disturbedAt = System.nanoTime();
            for (Act act : List.<Act>of(
                    this::comment,
                    this::move,
                    this::discard,
                    this::accept,
                    this::sign,
                    this::merge,
                    this::changeRule)) {
                people.submit(() -> repeat(server, act));
            }
            for (int kill = 0; kill < KILLS && failures.isEmpty(); kill++) {
                awaitMoreActs();
                TimeUnit.MILLISECONDS.sleep(random.nextInt(1_500));
                kill(server, Victim.values()[kill % Victim.values().length]);
            }
            awaitMoreActs();
            over = true;
            people.shutdown();
            assertThat(people.awaitTermination(90, TimeUnit.SECONDS)).isTrue();
            assertThat(failures).isEmpty();
            everythingAcknowledgedStands(server);
        } finally {
            over = true;
            people.shutdownNow();
        }
        assertThat(acknowledged.keySet())
                .contains("filed", "comment", "move", "discard", "accept", "sign", "merge", "rule");
        System.out.printf(
                "figure kills %s acknowledged %s broken-off %d compared %d%n",
                kills, acknowledged, brokenOff.get(), kept.size());
    }

    private void kill(ServerProcess server, Victim victim) throws Exception {
        switch (victim) {
            case SERVER -> {
                disturbedAt = Long.MAX_VALUE;
                server.kill();
                server.start();
                disturbedAt = System.nanoTime();
            }
            case WORKER -> {
                for (int i = 0; i < 400 && !server.killWorker(random); i++) {
                    TimeUnit.MILLISECONDS.sleep(25);
                }
            }
            case DATABASE -> {
                disturbedAt = Long.MAX_VALUE;
                server.killDatabase();
                disturbedAt = System.nanoTime();
            }
        }
        kills.merge(victim, 1, Integer::sum);
    }

    /** Until people got on with their work again, so that each kill meets work. */
    private void awaitMoreActs() throws InterruptedException {
        int before = kept.size();
        long latest = System.nanoTime() + TimeUnit.MINUTES.toNanos(4);
        while (kept.size() < before + 10 && failures.isEmpty()) {
            if (System.nanoTime() > latest) {
                failures.add("Nothing was acknowledged for four minutes.");
            }
            TimeUnit.MILLISECONDS.sleep(20);
        }
    }

    private Void repeat(ServerProcess server, Act act) throws InterruptedException {
        HttpSession session = null;
        while (!over && failures.isEmpty()) {
            try {
                if (session == null) {
                    session = HttpSession.signIn(server.address(), "ottilie@oakhollin.example");
                }
                act.once(session);
            } catch (Exception | AssertionError cutShort) {
                boolean disturbed = System.nanoTime() - disturbedAt < TimeUnit.SECONDS.toNanos(20);
                if (!disturbed && !over) {
                    failures.add(cutShort.toString());
                }
                brokenOff.incrementAndGet();
                session = null;
                TimeUnit.MILLISECONDS.sleep(200);
            }
        }
        return null;
    }

    // --- what people do; each act is noted only once it was acknowledged ---

    /** What is refused is a fault whenever it happens; that something is away is none while something was killed. */
    private HttpResponse<String> done(HttpResponse<String> answer) {
        if (answer.statusCode() >= 400 && answer.statusCode() < 500) {
            failures.add(answer.statusCode() + " " + answer.uri() + " " + answer.body());
        }
        assertThat(answer.statusCode()).as(answer.body()).isLessThan(300);
        return answer;
    }

    private String post(HttpSession session, String path, Map<String, ?> body) throws Exception {
        return done(session.post(path, JSON.writeValueAsString(body))).body();
    }

    private void stands(String act, String query, Object answer) {
        kept.add(new Kept(act, query, answer.toString()));
    }

    private void happened(String act) {
        acknowledged.computeIfAbsent(act, a -> new AtomicInteger()).incrementAndGet();
    }

    private static String line(String action, String column, String id) {
        return "select count(*) from audit_event where action = '" + action + "' and " + column + " = '" + id + "'";
    }

    private void setUpTypes(HttpSession session) throws Exception {
        for (String name : List.of("reviewed", "signed", "ruled")) {
            types.put(name, "kept-" + name);
            saveType(session, name, 0, "Kept " + name);
        }
    }

    private void saveType(HttpSession session, String name, int version, String label) throws Exception {
        List<Map<String, String>> signers =
                name.equals("signed") ? List.of(Map.of("role", "director", "label", "Director")) : List.of();
        Map<String, Object> type = Map.of(
                "version",
                version,
                "label",
                label,
                "section",
                "safety",
                "validity",
                Map.of("rule", "open"),
                "namingPattern",
                "{type}, {document date}",
                "signers",
                signers,
                "needsReview",
                name.equals("reviewed"),
                "sensitive",
                false,
                "synonyms",
                List.of());
        done(session.put("/api/set-up/document-types/" + types.get(name), JSON.writeValueAsString(type)));
    }

    private String newFile(HttpSession session) throws Exception {
        return JsonPath.read(newFile(session, numbers.incrementAndGet()), "$.id");
    }

    private String newFile(HttpSession session, int number) throws Exception {
        Map<String, Object> person = Map.of(
                "kind",
                "employee",
                "givenName",
                "Tamsin",
                "familyName",
                "Kept" + number,
                "team",
                "Stables",
                "birthDate",
                "1994-03-09",
                "facts",
                Map.of());
        return post(session, "/api/files", Map.of("person", person, "evenIfLike", true));
    }

    private String newPaper(HttpSession session, String file, String type) throws Exception {
        int number = numbers.incrementAndGet();
        String arrival = JsonPath.read(
                done(session.upload("/api/arrivals", "kept " + number + ".pdf", Papers.pdf("Kept number " + number)))
                        .body(),
                "$.id");
        stands("received", "select count(*) from arrival where id = '" + arrival + "'", 1);
        Map<String, Object> details = Map.of(
                "fileId", file, "type", type, "documentDate", TODAY.minusDays(1).toString());
        String document = JsonPath.read(
                post(session, "/api/arrivals/" + arrival + "/filing", Map.of("version", 0, "details", details)),
                "$.documentId");
        stands(
                "filed",
                "select count(*) from document_version where document_id = '" + document + "' and place = 0",
                1);
        stands("filed", line("filed", "document_id", document), 1);
        happened("filed");
        return document;
    }

    private void comment(HttpSession session) throws Exception {
        String document = newPaper(session, newFile(session), "letter");
        for (int i = 0; i < 5; i++) {
            String words = "Kept comment " + numbers.incrementAndGet();
            post(session, "/api/documents/" + document + "/comments", Map.of("words", words, "mentioned", List.of()));
            stands("comment", "select count(*) from comment where words = '" + words + "'", 1);
            happened("comment");
        }
    }

    private void move(HttpSession session) throws Exception {
        String document = newPaper(session, newFile(session), "letter");
        String target = newFile(session);
        post(session, "/api/documents/move", Map.of("documents", List.of(document), "fileId", target));
        stands("move", "select file_id from document where id = '" + document + "'", target);
        stands("move", line("moved-here", "document_id", document), 1);
        happened("move");
    }

    private void discard(HttpSession session) throws Exception {
        String document = newPaper(session, newFile(session), "letter");
        post(session, "/api/documents/discard", Map.of("documents", List.of(document)));
        stands("discard", "select discarded_at is not null from document where id = '" + document + "'", "true");
        stands("discard", line("discarded", "document_id", document), 1);
        happened("discard");
    }

    private void accept(HttpSession session) throws Exception {
        String document = newPaper(session, newFile(session), types.get("reviewed"));
        post(session, "/api/documents/accept", Map.of("documents", List.of(Map.of("id", document, "version", 1))));
        stands("accept", "select accepted_on is not null from document where id = '" + document + "'", "true");
        stands("accept", line("accepted", "document_id", document), 1);
        happened("accept");
    }

    private void sign(HttpSession session) throws Exception {
        String document = newPaper(session, newFile(session), types.get("signed"));
        Map<String, Object> start =
                Map.of("version", 1, "signers", List.of(Map.of("role", "director", "signer", "Bram Ostervelt")));
        String signing = JsonPath.read(post(session, "/api/documents/" + document + "/desk-signings", start), "$.id");
        stands("sign", "select count(*) from desk_signing where id = '" + signing + "'", 1);
        post(
                session,
                "/api/desk-signings/" + signing + "/signatures",
                Map.of("role", "director", "signature", Map.of("typed", "Bram Ostervelt")));
        stands(
                "sign",
                "select s.state || ' ' || s.sealed || ' ' || count(v.*) from desk_signing s join document_version v"
                        + " on v.document_id = s.document_id where s.id = '" + signing + "' group by s.id",
                "COMPLETE true 2");
        happened("sign");
    }

    /** Two files just made, told by the versions that were answered. */
    private void merge(HttpSession session) throws Exception {
        int number = numbers.incrementAndGet();
        String one = newFile(session, number);
        String other = newFile(session, number);
        String stays = JsonPath.read(one, "$.id");
        String gone = JsonPath.read(other, "$.id");
        post(
                session,
                "/api/merges",
                Map.of(
                        "kept",
                        stays,
                        "gone",
                        gone,
                        "keptVersion",
                        JsonPath.read(one, "$.version"),
                        "goneVersion",
                        JsonPath.read(other, "$.version"),
                        "fromGone",
                        List.of()));
        stands("merge", "select merged_into from person_file where id = '" + gone + "'", stays);
        stands("merge", line("merged-away", "file_id", gone), 1);
        happened("merge");
    }

    private void changeRule(HttpSession session) throws Exception {
        List<Integer> version = JsonPath.read(
                session.get("/api/set-up/document-types"), "$[?(@.code=='" + types.get("ruled") + "')].version");
        int number = ruleAsked.incrementAndGet();
        saveType(session, "ruled", version.get(0), "Kept rule " + number);
        ruleKept.set(number);
        happened("rule");
        TimeUnit.MILLISECONDS.sleep(100);
    }

    // --- what is compared ---

    private void everythingAcknowledgedStands(ServerProcess server) throws Exception {
        List<String> lost = lost(server);
        for (int i = 0; i < 240 && !lost.isEmpty(); i++) {
            TimeUnit.MILLISECONDS.sleep(500);
            lost = lost(server);
        }
        assertThat(lost).as("acknowledged and not so").isEmpty();
        String label = server.rows("select label from document_type where code = '" + types.get("ruled") + "'")
                .get(0)
                .get(0);
        assertThat(Integer.parseInt(label.substring("Kept rule ".length()))).isBetween(ruleKept.get(), ruleAsked.get());
        HttpSession session = HttpSession.signIn(server.address(), "ottilie@oakhollin.example");
        assertThat(session.get("/api/audit/check")).doesNotContain("brokenAt").contains("rows");
        assertThat(server.rows("select words from comment where words like 'Kept comment%' group by 1"
                        + " having count(*) > 1"))
                .isEmpty();
        assertThat(server.rows("select d.id from document d left join document_version v on v.document_id = d.id"
                        + " where v.document_id is null and not d.awaited and d.source not like 'noted%'"
                        + " and exists (select 1 from arrival a where a.document_id = d.id)"))
                .as("papers without bytes")
                .isEmpty();
    }

    private List<String> lost(ServerProcess server) throws SQLException {
        List<String> lost = new ArrayList<>();
        for (int from = 0; from < kept.size(); from += 200) {
            List<Kept> some = kept.subList(from, Math.min(kept.size(), from + 200));
            StringBuilder all = new StringBuilder();
            for (int i = 0; i < some.size(); i++) {
                all.append(i == 0 ? "" : " union all ")
                        .append("select ")
                        .append(i)
                        .append(", (")
                        .append(some.get(i).query())
                        .append(")::text");
            }
            for (List<String> row : server.rows(all.toString())) {
                Kept one = some.get(Integer.parseInt(row.get(0)));
                if (!row.get(1).equals(one.answer())) {
                    lost.add(one + " but " + row.get(1));
                }
            }
        }
        return lost;
    }
}
