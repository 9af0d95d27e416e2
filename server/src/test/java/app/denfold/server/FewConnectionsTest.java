package app.denfold.server;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.context.TestPropertySource;

/**
 * With two connections for everything, each piece of work must do with one at a time: a second one taken while the first is
 * held would wait for another that waits likewise.
 */
@ServerTest
@TestPropertySource(
        properties = {"spring.datasource.hikari.maximum-pool-size=2", "spring.datasource.hikari.minimum-idle=1"})
class FewConnectionsTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    @Test
    void sixteenAtOnceWaitForNobodyForever() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Fewconnections", null);
        UUID paper = api.fileNewPaper(file, "contract", TODAY.minusDays(2));
        List<Callable<Integer>> work = new ArrayList<>();
        for (int i = 0; i < 16; i++) {
            String name = "few" + i + ".pdf";
            work.add(() -> api.get("/api/files/{id}", file).status());
            work.add(() ->
                    api.get("/api/documents/{id}/versions/1/pages/1", paper).status());
            work.add(() -> api.upload("/api/arrivals", name, Papers.pdf(name), Map.of())
                    .status());
            work.add(() -> api.get("/api/today").status());
        }
        work.add(() -> {
            UUID signing = api.post(
                            "/api/documents/{id}/desk-signings",
                            Map.of(
                                    "version",
                                    1,
                                    "signers",
                                    List.of(Map.of("role", "employee", "signer", "Tamsin Fewconnections"))),
                            paper)
                    .id("$.id");
            return api.post(
                            "/api/desk-signings/{id}/signatures",
                            Map.of("role", "employee", "signature", Map.of("typed", "Tamsin Fewconnections")),
                            signing)
                    .status();
        });
        work.add(() -> {
            UUID old = api.fileNewPaper(file, "letter", TODAY.minusDays(9));
            api.post("/api/documents/discard", Map.of("documents", List.of(old)));
            return api.post("/api/documents/destroy", Map.of("documents", List.of(old), "reason", "kept too long"))
                            .status()
                    - 4;
        });
        ExecutorService pool = Executors.newFixedThreadPool(16);
        List<Integer> answers = new ArrayList<>();
        for (Future<Integer> done : pool.invokeAll(work)) {
            answers.add(done.get());
        }
        pool.shutdown();
        assertThat(answers).containsOnly(200, 201);
        await().untilAsserted(
                        () -> assertThat(api.get("/api/documents/{id}", paper).<List<Object>>at("$.versions"))
                                .hasSize(2));
    }
}
