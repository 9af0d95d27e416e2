package app.denfold.e2e;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Papers;
import com.jayway.jsonpath.JsonPath;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.MessageDigest;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.json.JsonMapper;

/**
 * A real server process is killed at random moments while papers are uploaded, picked up, split and filed: every paper
 * that was acknowledged, or that left its folder, is there exactly once, and work that was begun goes on. The number of
 * kills is {@code -Ddenfold.kills}.
 */
class NothingIsLostTest {

    private static final int KILLS = Integer.getInteger("denfold.kills", 3);
    private static final int ACKNOWLEDGED = Integer.getInteger("denfold.acknowledged", 200);
    private static final JsonMapper JSON = new JsonMapper();
    private static final String DESK = "Office desk";

    @TempDir
    Path folder;

    private final Random random = new Random(20_261_125);
    private final AtomicInteger numbers = new AtomicInteger();
    private final Map<String, String> uploaded = new ConcurrentHashMap<>();
    private final Map<String, String> pickedUp = new ConcurrentHashMap<>();
    private final Map<String, String> filed = new ConcurrentHashMap<>();
    private final AtomicInteger splits = new AtomicInteger();
    private final AtomicInteger brokenOff = new AtomicInteger();
    private final List<String> failures = new CopyOnWriteArrayList<>();
    private volatile boolean killed;

    /** Work that is repeated until the server is killed. */
    private interface Work {
        void once(HttpSession session) throws Exception;
    }

    @Test
    void whateverWasUnderWayWhenItWasKilled() throws Exception {
        try (ServerProcess server = new ServerProcess(folder).withoutRecognition()) {
            server.start();
            Instant begun = Instant.now();
            for (int kill = 1; kill <= KILLS; kill++) {
                workUntilKilled(server, ACKNOWLEDGED * kill / KILLS);
                server.start();
                everyAcknowledgedPaperIsThereOnce(server);
            }
            pickupsDrain(server);
            everyAcknowledgedPaperIsThereOnce(server);
            everyPaperThatLeftItsFolderIsThereOnce(server);
            everyFilingIsWhole(server, begun);
            everySplitKeepsAllPages(server);
            everyRowPointsToItsBytes(server);
        }
        assertThat(filed).as("filings acknowledged").isNotEmpty();
        assertThat(splits.get()).as("stacks split").isPositive();
        assertThat(brokenOff.get()).as("requests under way when it was killed").isPositive();
        System.out.printf(
                "figure kills %d uploaded %d picked-up %d filed %d split %d broken-off %d%n",
                KILLS, uploaded.size(), pickedUp.size(), filed.size(), splits.get(), brokenOff.get());
    }

    private void workUntilKilled(ServerProcess server, int uploadsAtLeast) throws Exception {
        killed = false;
        ExecutorService pool = Executors.newFixedThreadPool(4);
        for (Work work : List.<Work>of(this::upload, this::upload, this::splitOrFile, this::saveIntoPickup)) {
            pool.submit(() -> repeat(server, work));
        }
        long latest = System.nanoTime() + TimeUnit.MINUTES.toNanos(4);
        while (uploaded.size() < uploadsAtLeast && failures.isEmpty() && System.nanoTime() < latest) {
            TimeUnit.MILLISECONDS.sleep(20);
        }
        TimeUnit.MILLISECONDS.sleep(random.nextInt(1_500));
        server.kill();
        killed = true;
        pool.shutdown();
        assertThat(pool.awaitTermination(4, TimeUnit.MINUTES)).isTrue();
        assertThat(failures).isEmpty();
        assertThat(uploaded.size()).isGreaterThanOrEqualTo(uploadsAtLeast);
    }

    private Void repeat(ServerProcess server, Work work) throws Exception {
        try {
            HttpSession session = HttpSession.signIn(server.address(), "ottilie@oakhollin.example");
            while (!killed) {
                work.once(session);
            }
        } catch (IOException cutShort) {
            brokenOff.incrementAndGet();
        } catch (Exception | AssertionError failed) {
            failures.add(failed.toString());
        }
        return null;
    }

    private static byte[] paper(int number) throws IOException {
        return number % 3 == 0
                ? Papers.pages(List.of("Paper number " + number, "its second page", "its third page"))
                : Papers.pdf("Paper number " + number);
    }

    private void upload(HttpSession session) throws Exception {
        int number = numbers.incrementAndGet();
        byte[] paper = paper(number);
        HttpResponse<String> answer = session.upload("/api/arrivals", "paper " + number + ".pdf", paper);
        assertThat(answer.statusCode()).as(answer.body()).isEqualTo(201);
        uploaded.put(JsonPath.read(answer.body(), "$.id"), sha256(paper));
    }

    private void saveIntoPickup(HttpSession session) throws Exception {
        int number = numbers.incrementAndGet();
        byte[] paper = paper(number);
        Path desk = Files.createDirectories(folder.resolve("pickup").resolve(DESK));
        String name = "pickup_" + number + ".pdf";
        Path part = Files.write(desk.resolve(name + ".part"), paper);
        pickedUp.put(name, sha256(paper));
        Files.move(part, desk.resolve(name), StandardCopyOption.ATOMIC_MOVE);
        TimeUnit.MILLISECONDS.sleep(150);
        session.get("/api/practice");
    }

    /** Splits a stack of three pages, or files a paper of one, whichever waits first. */
    private void splitOrFile(HttpSession session) throws Exception {
        String list = session.get("/api/arrivals");
        List<Map<String, Object>> waiting =
                JsonPath.read(list, "$[?(@.state=='WAITING' && @.fileName=~/(paper|pickup_).*[0-9]\\.pdf/)]");
        if (waiting.isEmpty()) {
            TimeUnit.MILLISECONDS.sleep(100);
            return;
        }
        Map<String, Object> arrival = waiting.get(random.nextInt(waiting.size()));
        List<?> pages = (List<?>) arrival.get("pages");
        String id = (String) arrival.get("id");
        if (pages.size() == 3) {
            Map<String, Object> split = Map.of("version", arrival.get("version"), "after", 1);
            HttpResponse<String> answer =
                    session.post("/api/arrivals/" + id + "/split", JSON.writeValueAsString(split));
            splits.addAndGet(answer.statusCode() < 300 ? 1 : 0);
            return;
        }
        String person = JsonPath.<List<String>>read(session.get("/api/board?text=korhola"), "$.rows[*].id")
                .get(0);
        Map<String, Object> details = Map.of(
                "fileId",
                person,
                "type",
                "letter",
                "documentDate",
                LocalDate.now().toString());
        Map<String, Object> filing = Map.of("version", arrival.get("version"), "details", details);
        HttpResponse<String> answer = session.post("/api/arrivals/" + id + "/filing", JSON.writeValueAsString(filing));
        if (answer.statusCode() < 300) {
            filed.put(id, JsonPath.read(answer.body(), "$.documentId"));
        }
    }

    private void pickupsDrain(ServerProcess server) {
        Path desk = server.pickup().resolve(DESK);
        await().untilAsserted(() -> {
            try (var left = Files.list(desk)) {
                assertThat(left.filter(f -> f.toString().endsWith(".pdf"))).isEmpty();
            }
        });
    }

    private void everyAcknowledgedPaperIsThereOnce(ServerProcess server) throws Exception {
        Map<String, Integer> count = new HashMap<>();
        for (List<String> row :
                server.rows("select sha256, count(*)::text from arrival where batch_id is null group by 1")) {
            count.put(row.get(0), Integer.parseInt(row.get(1)));
        }
        for (String sha256 : uploaded.values()) {
            assertThat(count).as(sha256).containsEntry(sha256, 1);
        }
    }

    private void everyPaperThatLeftItsFolderIsThereOnce(ServerProcess server) throws Exception {
        List<String> taken = new ArrayList<>();
        server.rows(
                        "select file_name, sha256 from arrival where source = 'PICKUP' and batch_id is null and brought_by = '"
                                + DESK + "' and file_name ~ '^pickup_[0-9]+[.]pdf$'")
                .forEach(r -> taken.add(r.get(0) + " " + r.get(1)));
        List<String> finished = pickedUp.entrySet().stream()
                .filter(e -> !Files.exists(server.pickup().resolve(DESK).resolve(e.getKey() + ".part")))
                .map(e -> e.getKey() + " " + e.getValue())
                .toList();
        assertThat(taken).containsExactlyInAnyOrderElementsOf(finished);
    }

    private void everyFilingIsWhole(ServerProcess server, Instant begun) throws Exception {
        Map<String, String> documentOf = new HashMap<>();
        server.rows("select id::text, document_id::text from arrival where state = 'FILED'")
                .forEach(r -> documentOf.put(r.get(0), r.get(1)));
        assertThat(documentOf).containsAllEntriesOf(filed);
        assertThat(documentOf.values()).doesNotHaveDuplicates();
        List<List<String>> documents = server.rows("select id::text, count(*)::text from document d "
                + "join document_version v on v.document_id = d.id group by 1");
        assertThat(documents.stream().map(r -> r.get(0)).toList()).containsAll(documentOf.values());
        List<List<String>> alone = server.rows("select d.id::text, d.name from document d where d.created_at > '"
                + begun + "' and not exists (select 1 from arrival a where a.document_id = d.id)");
        assertThat(alone).as("documents of no arrival").isEmpty();
    }

    private void everySplitKeepsAllPages(ServerProcess server) throws Exception {
        List<List<String>> lost = server.rows("""
                select b.id::text, count(p.page)::text from arrival b
                left join arrival a on a.batch_id = b.id and a.state <> 'JOINED'
                left join lateral jsonb_array_elements(a.pages::jsonb) as p(page) on true
                where b.state = 'SPLIT' and b.file_name ~ '[0-9]+[.]pdf$' and (b.file_name like 'paper %' or b.file_name like 'pickup\\_%')
                  and b.brought_by in ('Ottilie Brandmoor', 'Office desk')
                  and exists (select 1 from content c where c.sha256 = b.sha256 and c.pages = 3)
                group by 1 having count(p.page) <> 3
                """);
        assertThat(lost).as("stacks whose parts do not hold each page once").isEmpty();
    }

    private void everyRowPointsToItsBytes(ServerProcess server) throws Exception {
        for (List<String> row : server.rows("select sha256, size::text from content")) {
            String sha256 = row.get(0);
            Path file = server.content()
                    .resolve(sha256.substring(0, 2))
                    .resolve(sha256.substring(2, 4))
                    .resolve(sha256);
            byte[] bytes = Files.readAllBytes(file);
            assertThat(bytes).hasSize(Integer.parseInt(row.get(1)));
            assertThat(sha256(bytes)).isEqualTo(sha256);
        }
    }

    private static String sha256(byte[] bytes) throws Exception {
        return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
    }
}
