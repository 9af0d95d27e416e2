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

    @Test
    void whoFilesSaysWhoReviewsAndOnlyThatColleagueDecides() throws Exception {
        Api api = practice.administrator();
        Api reviewer = practice.colleague(null, true, true);
        Api another = practice.colleague(null, true, true);
        UUID file = api.newEmployee("Reviewedby", null);
        String me = reviewer.get("/api/session").at("$.id");
        UUID arrival = api.upload("/api/arrivals", "c.pdf", Papers.pdf("Course " + UUID.randomUUID()), Map.of())
                .id("$.id");
        Map<String, Object> details = new HashMap<>(Api.details(file, "first-aid", LocalDate.now()));
        details.put("reviewer", me);
        UUID paper = api.post("/api/arrivals/{id}/filing", Map.of("version", 0, "details", details), arrival)
                .id("$.documentId");

        assertThat(api.get("/api/documents/{id}", paper).<List<String>>at("$.reviewers"))
                .containsExactly("Dilan Ozgune");
        String mine = "$..[?(@.documentId=='" + paper + "')]";
        assertThat(reviewer.get("/api/today").<List<Object>>at(mine)).isNotEmpty();
        assertThat(another.get("/api/today").<List<Object>>at(mine)).isEmpty();
        assertThat(another.post("/api/documents/{id}/accept", Map.of("version", 1), paper)
                        .status())
                .isEqualTo(403);
        await().until(() -> api.post("/api/find", Map.of("reviewer", me)).<List<String>>at("$.papers[*].id").stream()
                .anyMatch(paper.toString()::equals));
        assertThat(reviewer.post("/api/documents/{id}/accept", Map.of("version", 1), paper)
                        .status())
                .isEqualTo(204);

        details.put("type", "letter");
        Api.Answer noReview = api.post(
                "/api/arrivals/{id}/preview",
                details,
                api.upload("/api/arrivals", "d.pdf", Papers.pdf("Letter " + UUID.randomUUID()), Map.of())
                        .id("$.id"));
        assertThat(noReview.<String>at("$.problems[0].field")).isEqualTo("reviewer");
    }
}
