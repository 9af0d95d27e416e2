package app.denfold.server;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;

/** Papers wait for review with the person their type names. */
@ServerTest
class ReviewTest {

    private static final String TYPE = "rider-assessment";

    @Autowired
    TestPractice practice;

    private static int nameReviewer(Api api, UUID reviewer) throws Exception {
        List<Map<String, Object>> found = api.get("/api/set-up/document-types").at("$[?(@.code=='" + TYPE + "')]");
        Map<String, Object> type = new HashMap<>(found.get(0));
        type.remove("code");
        type.put("reviewer", reviewer);
        return api.send(HttpMethod.PUT, "/api/set-up/document-types/{code}", type, TYPE)
                .status();
    }

    @Test
    void aPaperWaitsWithTheNamedPersonAndOnlyTheyOrAnAdministratorDecide() throws Exception {
        Api api = practice.administrator();
        Api head = practice.colleague("Riding school", true, true);
        Api other = practice.colleague("Riding school", true, true);
        UUID reviewer = head.get("/api/session").id("$.id");
        assertThat(nameReviewer(api, reviewer)).isEqualTo(204);
        UUID file = api.newFile("student", "Reviewed", null, "Riding school");
        UUID paper = api.fileNewPaper(file, TYPE, LocalDate.now().minusDays(2));
        UUID second = api.fileNewPaper(file, TYPE, LocalDate.now().minusDays(1));

        assertThat(reviews(head)).contains(paper.toString());
        assertThat(reviews(other)).doesNotContain(paper.toString());
        assertThat(reviews(api)).doesNotContain(paper.toString());
        Api.Answer seen = other.get("/api/documents/{id}", paper);
        assertThat(seen.<List<String>>at("$.reviewers")).containsExactly("Dilan Ozgune");
        assertThat(seen.<Boolean>at("$.mayReview")).isFalse();
        Api.Answer refused = other.post("/api/documents/{id}/accept", Map.of("version", 1), paper);
        assertThat(refused.status()).isEqualTo(403);
        assertThat(refused.<String>at("$.detail")).contains("waits for review with Dilan Ozgune");
        assertThat(other.post("/api/documents/send-back", Map.of("documents", api.shown(paper), "reason", "No"))
                        .status())
                .isEqualTo(403);
        await().untilAsserted(() -> assertThat(
                        api.post("/api/find", Map.of("reviewer", reviewer)).<List<String>>at("$.papers[*].id"))
                .containsExactlyInAnyOrder(paper.toString(), second.toString()));
        assertThat(head.post("/api/documents/{id}/accept", Map.of("version", 1), paper)
                        .status())
                .isEqualTo(204);
        assertThat(api.post("/api/documents/{id}/accept", Map.of("version", 1), second)
                        .status())
                .isEqualTo(204);
        nameReviewer(api, null);
    }

    private static List<String> reviews(Api api) throws Exception {
        return api.get("/api/today").at("$.dueToday[?(@.action=='review')].documentId");
    }

    @Test
    void nobodyIsNamedWhoCouldNotDecide() throws Exception {
        Api api = practice.administrator();
        UUID onlyLooks =
                practice.colleague(null, true, false).get("/api/session").id("$.id");
        assertThat(nameReviewer(api, onlyLooks)).isEqualTo(422);
        assertThat(nameReviewer(api, UUID.randomUUID())).isEqualTo(422);
    }
}
