package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;

/** Whatever is wrong with a request, it is told in a sentence, never in names of parameters, classes or fields. */
@ServerTest
class RefusalWordsTest {

    @Autowired
    TestPractice practice;

    private static void isSentence(Api.Answer answer) {
        assertThat(answer.status()).isBetween(400, 499);
        String words = answer.at("$.detail");
        assertThat(words)
                .matches("\\p{Lu}.*[.?]")
                .doesNotContainPattern(
                        "[a-z][A-Z]|\\[\\d|java|Failed to|Required|parameter|null|must not be|[Ee]xception|'\\w+'");
        List<String> messages = answer.at("$.problems[*].message");
        assertThat(messages).allSatisfy(m -> assertThat(m).matches("\\p{Lu}.*[.?]"));
        assertThat(answer.<String>at("$.code")).isNotBlank();
    }

    @Test
    void whatTheFrameworkRefusesIsToldInOurWords() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Worded", null);
        isSentence(api.get("/api/files/not-an-id"));
        isSentence(api.get("/api/documents/7"));
        isSentence(api.get("/api/no-such-thing"));
        isSentence(api.get("/api/files/{id}/ledger?asOf=yesterday", file));
        isSentence(api.get("/api/outsiders/found"));
        isSentence(api.get("/api/cover-sheets?fileId=7"));
        isSentence(api.send(HttpMethod.DELETE, "/api/practice", null));
        isSentence(api.send(HttpMethod.PUT, "/api/files", Map.of()));
        isSentence(api.post("/api/files", "this is no JSON"));
        isSentence(api.post("/api/files", null));
        isSentence(api.post("/api/arrivals", Map.of()));
    }

    @Test
    void fieldsThatLackSomethingAreNamedAsPeopleSayThem() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Fielded", null);
        UUID document = api.fileNewPaper(file, "contract", java.time.LocalDate.now());
        Api.Answer signers = api.post(
                "/api/documents/{id}/desk-signings",
                Map.of(
                        "version",
                        1,
                        "signers",
                        List.of(
                                Map.of("role", "employee", "signer", "Tamsin Fielded"),
                                Map.of("role", "director", "signer", ""))),
                document);
        isSentence(signers);
        assertThat(signers.<String>at("$.detail"))
                .isEqualTo("The signer in line 2 of the signers is needed: who signs?");
        isSentence(api.post("/api/arrivals/undo-filing", Map.of("papers", List.of())));
        isSentence(api.post("/api/arrivals/sent", Map.of()));
        isSentence(api.post("/api/documents/accept", Map.of()));
        isSentence(api.send(HttpMethod.PUT, "/api/set-up/practice/days", Map.of("zone", "Europe/Vienna")));
        isSentence(api.post("/api/files/{id}/waivers", Map.of(), file));
        isSentence(api.post("/api/files", Map.of("person", Map.of("kind", "employee", "birthDate", "2026-13-01"))));
    }
}
