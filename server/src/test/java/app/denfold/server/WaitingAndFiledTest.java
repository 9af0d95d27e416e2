package app.denfold.server;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.access.Actor;
import app.denfold.server.arrivals.Arrival;
import app.denfold.server.arrivals.ReceivedPaper;
import app.denfold.server.arrivals.receiving.Arrivals;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionTemplate;

/** What is known of a paper after it was filed: who did it, and how it is taken back. */
@ServerTest
class WaitingAndFiledTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    @Autowired
    Arrivals arrivals;

    @Autowired
    JdbcClient jdbc;

    @Autowired
    TransactionTemplate transactions;

    private static UUID drop(Api api) throws Exception {
        return api.upload("/api/arrivals", "letter.pdf", Papers.pdf("Letter " + UUID.randomUUID()), Map.of())
                .id("$.id");
    }

    private static Api.Answer fileTogether(Api api, UUID file, List<UUID> papers) throws Exception {
        List<Map<String, Object>> chosen = new ArrayList<>();
        papers.forEach(id -> chosen.add(Map.of("id", id, "version", 0)));
        return api.post(
                "/api/arrivals/filing",
                Map.of("papers", chosen, "details", Api.details(file, "letter", TODAY.minusDays(2))));
    }

    @Test
    void severalFiledAtOnceAreTakenBackTogetherOrNotAtAll() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Together", null);
        List<UUID> papers = List.of(drop(api), drop(api), drop(api));
        List<String> filed = fileTogether(api, file, papers).at("$[*].documentId");

        api.renew(UUID.fromString(filed.get(1)), "better.pdf", Papers.pdf("A better scan"));
        Api.Answer builtOn = api.post("/api/arrivals/undo-filing", Map.of("papers", papers));
        assertThat(builtOn.<String>at("$.code")).isEqualTo("built-on");
        for (String document : filed) {
            assertThat(api.get("/api/documents/{id}", document).status()).isEqualTo(200);
        }

        List<UUID> others = List.of(drop(api), drop(api));
        fileTogether(api, file, others);
        assertThat(api.post("/api/arrivals/undo-filing", Map.of("papers", others))
                        .status())
                .isEqualTo(204);
        assertThat(api.get("/api/arrivals").<List<String>>at("$[*].id"))
                .contains(others.get(0).toString(), others.get(1).toString());
    }

    @Test
    void theLastFilingOfAnAccountIsKnownAfterTheBrowserForgotIt() throws Exception {
        Api api = practice.administrator();
        Api other = practice.administrator();
        UUID file = api.newEmployee("Forgotten", null);
        assertThat(api.get("/api/arrivals/last-filing").body()).isEqualTo("{}");

        UUID first = drop(api);
        api.file(first, file, "letter", TODAY.minusDays(5));
        List<UUID> two = List.of(drop(api), drop(api));
        fileTogether(api, file, two);
        UUID another = drop(other);
        other.file(another, file, "letter", TODAY.minusDays(3));

        assertThat(api.get("/api/arrivals/last-filing").<List<String>>at("$.last.papers"))
                .containsExactlyInAnyOrder(two.get(0).toString(), two.get(1).toString());
        api.post("/api/arrivals/undo-filing", Map.of("papers", two));
        assertThat(api.get("/api/arrivals/last-filing").<List<String>>at("$.last.papers"))
                .as("the one before it")
                .containsExactly(first.toString());
        assertThat(other.get("/api/arrivals/last-filing").<List<String>>at("$.last.papers"))
                .containsExactly(another.toString());
    }

    @Test
    void whoFiledOrDiscardedAPaperIsToldToThoseWhoMayKnow() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Toldof", null);
        UUID paper = drop(api);
        assertThat(api.get("/api/arrivals/{id}/outcome", paper).body()).doesNotContain("byName");
        String document = api.file(paper, file, "letter", TODAY.minusDays(2)).at("$.documentId");

        Api colleague = practice.colleague(null, true, true);
        Api.Answer filed = colleague.get("/api/arrivals/{id}/outcome", paper);
        assertThat(filed.<String>at("$.state")).isEqualTo("FILED");
        assertThat(filed.<String>at("$.byName")).isEqualTo("Ottilie Brandmoor");
        assertThat(filed.<String>at("$.documentId")).isEqualTo(document);
        assertThat(filed.<String>at("$.documentName")).startsWith("Letter");

        UUID unwanted = drop(api);
        api.post("/api/arrivals/{id}/set-aside", Map.of("reason", "Advertising"), unwanted);
        colleague.post("/api/arrivals/{id}/discard", Map.of("reason", "Advertising, not kept"), unwanted);
        Api.Answer gone = api.get("/api/arrivals/{id}/outcome", unwanted);
        assertThat(gone.<String>at("$.state")).isEqualTo("DISCARDED");
        assertThat(gone.<String>at("$.byName")).isEqualTo("Dilan Ozgune");
        assertThat(gone.<String>at("$.reason")).isEqualTo("Advertising, not kept");
    }

    /** Whoever makes a paper findable holds the person and then asks for the paper; whoever deletes it does the same. */
    @ParameterizedTest
    @ValueSource(strings = {"undo", "destroy"})
    void whoeverDeletesAPaperHoldsItsPersonFirst(String way) throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Held" + way, null);
        UUID paper = drop(api);
        UUID document = api.file(paper, file, "letter", TODAY.minusDays(2)).id("$.documentId");
        if (way.equals("destroy")) {
            api.post("/api/documents/discard", Map.of("documents", List.of(document)));
        }
        ExecutorService pool = Executors.newSingleThreadExecutor();
        try {
            Future<Api.Answer> deleted = transactions.execute(t -> {
                jdbc.sql("select id from person_file where id = ? for share")
                        .param(file)
                        .query(UUID.class)
                        .single();
                Future<Api.Answer> begun = pool.submit(() -> way.equals("undo")
                        ? api.post("/api/arrivals/undo-filing", Map.of("papers", List.of(paper)))
                        : api.post(
                                "/api/documents/destroy",
                                Map.of("documents", List.of(document), "reason", "Not ours")));
                await().until(() -> jdbc.sql("select count(*) from pg_locks where not granted")
                                .query(Integer.class)
                                .single()
                        > 0);
                assertThat(jdbc.sql("select id from document where id = ? for key share nowait")
                                .param(document)
                                .query(UUID.class)
                                .single())
                        .isEqualTo(document);
                return begun;
            });
            assertThat(deleted.get().status()).isEqualTo(204);
        } finally {
            pool.shutdown();
        }
    }

    @Test
    void theMailAPaperCameWithIsReadAfterFilingByThoseWhoMaySeeThePaper() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Mailed", null);
        Path bytes = Files.write(Files.createTempFile("mailed", ".pdf"), Papers.pdf("A clearance by mail"));
        UUID arrival = arrivals.receive(new ReceivedPaper(
                bytes,
                "clearance.pdf",
                Arrival.Source.MAIL,
                Actor.system("mailbox"),
                null,
                null,
                null,
                "ruth@post.example",
                "Here is the clearance. Regards, Ruth",
                null));
        UUID document = api.file(arrival, file, "clearance", TODAY.minusDays(2)).id("$.documentId");
        Files.delete(bytes);
        Api.Answer came = api.get("/api/arrivals/of-document/{id}", document);
        assertThat(came.<List<String>>at("$[*].message")).containsExactly("Here is the clearance. Regards, Ruth");
        assertThat(came.<List<String>>at("$[*].sender")).containsExactly("ruth@post.example");
        assertThat(practice.colleague(null, false, true)
                        .get("/api/arrivals/of-document/{id}", document)
                        .body())
                .isEqualTo("[]");
    }

    @Test
    void onlyColleaguesWhoMaySeeAPaperAreOfferedAndWhatLiesWithOneIsCounted() throws Exception {
        Api api = practice.administrator();
        Api sees = practice.colleague(null, true, true);
        Api doesNot = practice.colleague(null, false, true);
        UUID file = api.newEmployee("Offeredto", null);
        UUID document = api.fileNewPaper(file, "clearance", TODAY.minusDays(1));
        List<String> offered = api.get("/api/colleagues?documentId=" + document).at("$[*].id");
        assertThat(offered)
                .contains(sees.get("/api/session").<String>at("$.id"))
                .doesNotContain(doesNot.get("/api/session").<String>at("$.id"));
        assertThat(api.get("/api/colleagues").<List<String>>at("$[*].id"))
                .contains(doesNot.get("/api/session").<String>at("$.id"));

        assertThat(sees.get("/api/waiting-counts").<Integer>at("$.handedOver")).isZero();
        api.post(
                "/api/documents/{id}/hand-overs",
                Map.of("to", sees.get("/api/session").<String>at("$.id"), "note", "Please call them"),
                document);
        assertThat(sees.get("/api/waiting-counts").<Integer>at("$.handedOver")).isEqualTo(1);
        assertThat(sees.get("/api/hand-overs/mine").<List<String>>at("$[*].note"))
                .containsExactly("Please call them");
    }

    @Test
    void whatColleaguesAddedToAPaperIsNotLostByTakingItsFilingBack() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Addedto", null);
        UUID commented = drop(api);
        UUID handed = drop(api);
        String first = api.file(commented, file, "letter", TODAY).at("$.documentId");
        String second = api.file(handed, file, "letter", TODAY).at("$.documentId");
        api.post(
                "/api/documents/{id}/comments",
                Map.of("words", "Page two is upside down", "mentioned", List.of()),
                first);
        api.post(
                "/api/documents/{id}/hand-overs",
                Map.of(
                        "to",
                        practice.colleague(null, true, true).get("/api/session").<String>at("$.id")),
                second);
        for (UUID paper : List.of(commented, handed)) {
            assertThat(api.post("/api/arrivals/undo-filing", Map.of("papers", List.of(paper)))
                            .<String>at("$.code"))
                    .isEqualTo("built-on");
        }
        assertThat(api.get("/api/documents/{id}/comments", first).<List<String>>at("$[*].words"))
                .containsExactly("Page two is upside down");
    }
}
