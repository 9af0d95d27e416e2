package app.denfold.server;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.access.accounts.Accounts;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;

/** What colleagues say about papers, and who is to look. */
@ServerTest
class CommentsTest {

    @Autowired
    TestPractice practice;

    @Autowired
    Accounts accounts;

    private static Api.Answer say(Api api, UUID paper, String words, UUID... mentioned) throws Exception {
        return api.post("/api/documents/{id}/comments", Map.of("words", words, "mentioned", List.of(mentioned)), paper);
    }

    @Test
    void whoIsMentionedGetsAMailAndFindsThePaperInTodayUntilHeLooked() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Commented", null);
        UUID paper = api.fileNewPaper(file, "letter", LocalDate.now().minusDays(2));
        Api colleague = practice.colleague("Stables", true, true);
        Api.Answer me = colleague.get("/api/session");
        say(api, paper, "Is this the right year?", me.id("$.id"));
        assertThat(colleague.get("/api/today").<List<String>>at("$.dueToday[?(@.action=='comment')].note"))
                .singleElement()
                .asString()
                .contains("Is this the right year?");
        await().untilAsserted(() -> assertThat(TestMail.to(me.at("$.email")))
                .singleElement()
                .asString()
                .contains("mentions you"));
        say(colleague, paper, " It is. ");
        assertThat(api.get("/api/documents/{id}/comments", paper).<List<String>>at("$[*].words"))
                .containsExactly("Is this the right year?", "It is.");
        colleague.post("/api/documents/{id}/comments/seen", null, paper);
        assertThat(colleague.get("/api/today").<List<?>>at("$.dueToday[?(@.action=='comment')]"))
                .isEmpty();
        assertThat(api.get("/api/files/{id}/trail", file).<List<String>>at("$[*].sentence"))
                .anyMatch(s -> s.startsWith("commented on “Letter"));
    }

    @Test
    void onlyThoseWhoMaySeeThePaperAreMentionedAndOnlyTheWriterRemoves() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Uncommented", null);
        UUID paper = api.fileNewPaper(file, "letter", LocalDate.now().minusDays(2));
        UUID stranger =
                practice.colleague("Therapy", true, true).get("/api/session").id("$.id");
        assertThat(say(api, paper, "Look.", stranger).<String>at("$.problems[0].message"))
                .endsWith("may not see this paper.");
        assertThat(say(api, paper, "  ").status()).isEqualTo(422);
        assertThat(say(api, paper, "x".repeat(2001)).status()).isEqualTo(422);
        assertThat(api.get("/api/documents/{id}/comments", paper).<List<?>>at("$"))
                .isEmpty();
        UUID comment = say(api, paper, "Mine.").id("$[0].id");
        Api colleague = practice.colleague("Stables", true, true);
        assertThat(colleague.get("/api/documents/{id}/comments", paper).<Boolean>at("$[0].mayRemove"))
                .isFalse();
        assertThat(colleague
                        .send(HttpMethod.DELETE, "/api/comments/{id}", null, comment)
                        .status())
                .isEqualTo(403);
        assertThat(api.send(HttpMethod.DELETE, "/api/comments/{id}", null, comment)
                        .status())
                .isEqualTo(204);
    }
}
