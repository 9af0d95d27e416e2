package app.denfold.server;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Papers that leave the wastebasket for good. */
@ServerTest
class DestroyTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    @Autowired
    JdbcClient jdbc;

    @Value("${denfold.content}")
    Path content;

    private Path bytes(String sha256) {
        return content.resolve(sha256.substring(0, 2))
                .resolve(sha256.substring(2, 4))
                .resolve(sha256);
    }

    private static String hash(Api api, UUID paper) throws Exception {
        return api.get("/api/documents/{id}", paper).at("$.versions[0].sha256");
    }

    private static Api.Answer destroy(Api api, UUID paper, String reason) throws Exception {
        return api.post("/api/documents/destroy", Map.of("documents", List.of(paper), "reason", reason));
    }

    @Test
    void nothingIsLeftButTheProofInTheTrail() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Destroyed", null);
        UUID paper = api.fileNewPaper(file, "letter", TODAY.minusDays(2));
        String sha256 = hash(api, paper);
        api.get("/api/documents/{id}/versions/1/pages/1", paper);
        api.post("/api/documents/{id}/comments", Map.of("words", "Old.", "mentioned", List.of()), paper);
        assertThat(destroy(api, paper, "Kept too long").status())
                .as("not in the wastebasket")
                .isEqualTo(404);
        api.post("/api/documents/discard", Map.of("documents", List.of(paper)));
        assertThat(destroy(api, paper, " ").<String>at("$.problems[0].message")).contains("A reason is needed");
        assertThat(destroy(practice.colleague(null, true, true), paper, "Because")
                        .status())
                .isEqualTo(403);
        assertThat(bytes(sha256)).exists();

        assertThat(destroy(api, paper, "Kept too long").status()).isEqualTo(204);
        await().untilAsserted(() -> assertThat(bytes(sha256)).doesNotExist());
        try (var drawn = Files.list(content.resolve("drawn"))) {
            assertThat(drawn.map(p -> p.getFileName().toString())).noneMatch(n -> n.startsWith(sha256));
        }
        assertThat(jdbc.sql("select count(*) from paper_page where sha256 = ?")
                        .param(sha256)
                        .query(Integer.class)
                        .single())
                .isZero();
        assertThat(api.get("/api/files/{id}/wastebasket", file).<List<?>>at("$"))
                .isEmpty();
        assertThat(api.get("/api/documents/{id}", paper).status()).isEqualTo(404);
        assertThat(api.get("/api/files/{id}/trail", file).<List<String>>at("$[*].sentence"))
                .anyMatch(s -> s.contains("for good (“Kept too long”); SHA-256 " + sha256));
        assertThat(api.get("/api/audit/check").body()).matches("\\{\"rows\":\\d+}");
    }

    @Test
    void bytesThatAnotherPaperNeedsStayAndBroughtAgainTheyAreThereAgain() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Halfdestroyed", null);
        UUID paper = api.fileNewPaper(file, "letter", TODAY.minusDays(2));
        UUID copy = UUID.fromString(api.post(
                        "/api/documents/copy",
                        Map.of("documents", List.of(paper), "fileId", api.newEmployee("Copied", null)))
                .at("$[0]"));
        String sha256 = hash(api, paper);
        api.post("/api/documents/discard", Map.of("documents", List.of(paper)));
        destroy(api, paper, "A copy is enough");
        assertThat(bytes(sha256)).exists();
        byte[] again = Files.readAllBytes(bytes(sha256));
        api.post("/api/documents/discard", Map.of("documents", List.of(copy)));
        destroy(api, copy, "None is needed");
        await().untilAsserted(() -> assertThat(bytes(sha256)).doesNotExist());

        UUID arrival = api.upload("/api/arrivals", "again.pdf", again, Map.of()).id("$.id");
        assertThat(bytes(sha256)).exists();
        assertThat(api.file(arrival, file, "letter", TODAY.minusDays(2)).status())
                .isEqualTo(200);
    }

    @Test
    void aSharedAndSignedPaperGoesWithAllThatHangsOnIt() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Hanging", TestPractice.newAddress());
        UUID paper = api.fileNewPaper(file, "contract", TODAY.minusDays(2));
        UUID guest = api.post(
                        "/api/files/{id}/guests",
                        Map.of("name", "Ida", "email", TestPractice.newAddress(), "relation", "payer"),
                        file)
                .id("$.accountId");
        api.post("/api/documents/{id}/shares", Map.of("accountId", guest), paper);
        api.post("/api/documents/discard", Map.of("documents", List.of(paper)));
        assertThat(destroy(api, paper, "Mistake").status()).isEqualTo(204);
        assertThat(api.get("/api/files/{id}/shared", file).<List<?>>at("$.shares"))
                .isEmpty();
    }
}
