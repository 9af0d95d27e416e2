package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;

/** The visits of a person, and the papers that belong to each. */
@ServerTest
class VisitsTest {

    private static final LocalDate TODAY = LocalDate.now();
    private static final String VISITS = "/api/files/{id}/visits";

    @Autowired
    TestPractice practice;

    private static Map<String, Object> visit(LocalDate day, String words) {
        return Map.of("day", day.toString(), "words", words);
    }

    @Test
    void aPaperBelongsToTheVisitBeforeIt() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Visited", null);
        api.post(VISITS, visit(TODAY.minusDays(20), "first lesson"), file);
        api.post(VISITS, visit(TODAY.plusDays(8), "next lesson"), file);
        api.fileNewPaper(file, "letter", TODAY.minusDays(30));
        api.fileNewPaper(file, "letter", TODAY.minusDays(12));
        Api.Answer papers = api.get("/api/files/{id}/papers", file);
        assertThat(papers.<List<String>>at("$[*].visit"))
                .as("the older paper belongs to none")
                .containsExactly(TODAY.minusDays(20).toString());
        Api.Answer visits = api.get(VISITS, file);
        assertThat(visits.<List<String>>at("$[*].words")).containsExactly("next lesson", "first lesson");
        assertThat(visits.<List<Boolean>>at("$[*].isNext")).containsExactly(true, false);
    }

    @Test
    void aVisitTakenAwayIsTold() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Unvisited", null);
        UUID id = api.post(VISITS, visit(TODAY, "fitting"), file).id("$.id");
        assertThat(api.send(HttpMethod.DELETE, VISITS + "/{visit}", null, file, id)
                        .status())
                .isEqualTo(204);
        assertThat(api.send(HttpMethod.DELETE, VISITS + "/{visit}", null, file, id)
                        .status())
                .isEqualTo(404);
        assertThat(api.get(VISITS, file).<List<Object>>at("$")).isEmpty();
        assertThat(api.get("/api/files/{id}/trail", file).<List<String>>at("$[*].sentence"))
                .contains(
                        "noted the visit of " + TODAY + " (“fitting”)",
                        "removed the visit of " + TODAY + " (“fitting”)");
    }

    @Test
    void whatCannotBeIsRefusedWithItsField() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Notvisited", null);
        for (Map<String, Object> wrong : List.<Map<String, Object>>of(
                Map.of(), visit(TODAY.plusYears(3), "far"), visit(TODAY, "x".repeat(200)))) {
            assertThat(api.post(VISITS, wrong, file).status()).isEqualTo(422);
        }
        assertThat(practice.colleague(null, true, false)
                        .post(VISITS, visit(TODAY, "look"), file)
                        .status())
                .isEqualTo(403);
        assertThat(api.get(VISITS, file).<List<Object>>at("$")).isEmpty();
    }
}
