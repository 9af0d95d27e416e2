package app.denfold.server.marks;

import static app.denfold.server.marks.MarkedPapers.area;
import static app.denfold.server.marks.MarkedPapers.mark;
import static app.denfold.server.marks.MarkedPapers.put;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.people.Teams.Reach;
import app.denfold.server.Api;
import app.denfold.server.Papers;
import app.denfold.server.ServerTest;
import app.denfold.server.TestPractice;
import app.denfold.server.access.Marking;
import app.denfold.server.access.accounts.NewAccount;
import app.denfold.server.access.accounts.Scope;
import java.time.LocalDate;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;

/** Marks on the pages of papers, beside their bytes. */
@ServerTest
class MarksTest {

    private static final LocalDate DAY = LocalDate.now().minusDays(2);

    @Autowired
    TestPractice practice;

    private Api colleague(Marking marking, boolean seesSensitive) throws Exception {
        return practice.signedIn(NewAccount.colleague(
                        TestPractice.newAddress(), "Dilan Ozgune", null, seesSensitive, true)
                .seeing(new Scope(Reach.EVERYBODY, null, Set.of(), seesSensitive, Set.of(), Set.of(), true, marking)));
    }

    @Test
    void marksStandInTheOrderOfThePagesAndAreMovedChangedAndTakenBack() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Marked", null);
        UUID paper = api.fileNewPaper(file, "letter", DAY);
        String before = api.get("/api/documents/{id}", paper).at("$.versions[0].sha256");
        assertThat(put(
                                api,
                                paper,
                                List.of(
                                        mark(
                                                1,
                                                Map.of(
                                                        "kind",
                                                        "ARROW",
                                                        "lines",
                                                        List.of(List.of(
                                                                Map.of("left", 5_000, "top", 8_000),
                                                                Map.of("left", 6_000, "top", 9_000))))),
                                        mark(1, "NOTE", " Ask the yard. ")))
                        .status())
                .isEqualTo(201);
        Api.Answer on = api.get("/api/documents/{id}/versions/1/marks", paper);
        assertThat(on.<List<String>>at("$[*].shape.kind")).containsExactly("NOTE", "ARROW");
        assertThat(on.<String>at("$[0].shape.text")).isEqualTo("Ask the yard.");

        UUID note = on.id("$[0].id");
        Map<String, Object> moved =
                Map.of("kind", "NOTE", "areas", List.of(area(2_000, 9_500, 300, 200)), "text", "Asked.");
        assertThat(api.send(HttpMethod.PUT, "/api/marks/{id}", Map.of("changes", 0, "shape", moved), note)
                        .<String>at("$.shape.text"))
                .isEqualTo("Asked.");
        assertThat(api.send(HttpMethod.PUT, "/api/marks/{id}", Map.of("changes", 0, "shape", moved), note)
                        .status())
                .as("changed from an older state")
                .isEqualTo(409);
        assertThat(api.get("/api/documents/{id}/versions/1/marks", paper).<List<String>>at("$[*].shape.kind"))
                .containsExactly("ARROW", "NOTE");
        assertThat(api.send(HttpMethod.DELETE, "/api/marks/{id}", null, note).status())
                .isEqualTo(204);
        assertThat(api.get("/api/files/{id}/marks", file).<List<String>>at("$[*].mark.shape.kind"))
                .containsExactly("ARROW");
        assertThat(api.get("/api/documents/{id}", paper).<String>at("$.versions[0].sha256"))
                .isEqualTo(before);
        assertThat(api.get("/api/files/{id}/trail", file).body())
                .contains("put a note on", "put an arrow on", "changed the note", "removed the note")
                .doesNotContain("Ask the yard");
    }

    @Test
    void whoMaySeeAndMakeThemIsARight() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newFile("patient", "Markhidden", null, "Therapy");
        UUID paper = api.fileNewPaper(file, "clearance", DAY);
        UUID note = put(api, paper, List.of(mark(1, "NOTE", "Only for us"))).id("$[0].id");
        Api blind = colleague(Marking.NOTHING, true);
        assertThat(blind.get("/api/documents/{id}/versions/1/marks", paper).status())
                .isEqualTo(403);
        assertThat(blind.get("/api/files/{id}/marks", file).status()).isEqualTo(403);
        Api reader = colleague(Marking.SEES, true);
        assertThat(reader.get("/api/documents/{id}/versions/1/marks", paper).<List<?>>at("$"))
                .hasSize(1);
        assertThat(put(reader, paper, List.of(mark(1, "NOTE", "Mine"))).status())
                .isEqualTo(403);
        Api other = colleague(Marking.MAKES, true);
        assertThat(put(other, paper, List.of(mark(1, "NOTE", "Mine"))).status()).isEqualTo(201);
        assertThat(other.send(HttpMethod.DELETE, "/api/marks/{id}", null, note).status())
                .as("somebody else's")
                .isEqualTo(403);
        Api unknowing = colleague(Marking.MAKES, false);
        assertThat(unknowing.get("/api/documents/{id}/versions/1/marks", paper).status())
                .isEqualTo(404);
        assertThat(unknowing.get("/api/files/{id}/marks", file).<List<?>>at("$"))
                .isEmpty();
        assertThat(unknowing
                        .send(HttpMethod.DELETE, "/api/marks/{id}", null, note)
                        .status())
                .isEqualTo(404);
    }

    @Test
    void whatCannotStandOnAPageIsRefusedAndNothingOfItIsKept() throws Exception {
        Api api = practice.administrator();
        UUID paper = api.fileNewPaper(api.newEmployee("Markrefused", null), "letter", DAY);
        Map<String, Object> good = mark(1, "NOTE", "Good");
        for (Map<String, Object> bad : List.of(
                mark(2, "NOTE", "Beyond the last page"),
                mark(0, "NOTE", "Before the first"),
                mark(1, "NOTE", " "),
                mark(1, "STAMP", "x".repeat(200)),
                mark(1, Map.of("kind", "COVER", "areas", List.of(area(9_000, 0, 2_000, 100)))),
                mark(1, Map.of("kind", "COVER", "areas", Collections.nCopies(201, area(0, 0, 10, 10)))))) {
            assertThat(put(api, paper, List.of(good, bad)).status())
                    .as(bad.toString())
                    .isEqualTo(422);
        }
        assertThat(put(api, paper, List.of(mark(1, Map.of("kind", "SCRIBBLE")))).status())
                .isBetween(400, 422);
        assertThat(api.get("/api/documents/{id}/versions/1/marks", paper).<List<?>>at("$"))
                .isEmpty();
        assertThat(api.post("/api/documents/{id}/versions/7/marks", Map.of("marks", List.of(good)), paper)
                        .status())
                .isEqualTo(404);
    }

    @Test
    void aNewerVersionKeepsTheMarksAndSaysThatNobodyLookedWhereTheyStand() throws Exception {
        Api api = practice.administrator();
        UUID paper = api.fileNewPaper(api.newEmployee("Markcarried", null), "letter", DAY);
        put(api, paper, List.of(mark(1, "NOTE", "Still here")));
        api.renew(paper, "newer.pdf", Papers.pdf("A newer one"));
        Api.Answer on = api.get("/api/documents/{id}/versions/2/marks", paper);
        assertThat(on.<Integer>at("$[0].carriedFrom")).isEqualTo(1);
        assertThat(on.<String>at("$[0].shape.text")).isEqualTo("Still here");
        api.send(
                HttpMethod.PUT,
                "/api/marks/{id}",
                Map.of("changes", 0, "shape", on.<Map<String, Object>>at("$[0].shape")),
                on.id("$[0].id"));
        assertThat(api.get("/api/documents/{id}/versions/2/marks", paper).body())
                .doesNotContain("carriedFrom\":");
        assertThat(api.get("/api/documents/{id}/versions/1/marks", paper).<List<?>>at("$"))
                .hasSize(1);
    }

    @Test
    void stampsAndReasonsAreThePracticesOwn() throws Exception {
        Api api = practice.administrator();
        Api.Answer before = api.get("/api/set-up/marks");
        assertThat(api.get("/api/marks/words").<List<String>>at("$.stamps"))
                .anyMatch(s -> s.matches("Received \\d+ \\w+ \\d{4}, OB"));
        Map<String, Object> to =
                Map.of("stamps", List.of(" Paid by {name} ", "", "Paid by {name}"), "reasons", List.of());
        assertThat(api.send(HttpMethod.PUT, "/api/set-up/marks", to).status()).isEqualTo(204);
        assertThat(api.get("/api/marks/words").<List<String>>at("$.stamps"))
                .containsExactly("Paid by Ottilie Brandmoor");
        assertThat(api.send(
                                HttpMethod.PUT,
                                "/api/set-up/marks",
                                Map.of("stamps", List.of("x".repeat(121)), "reasons", List.of()))
                        .status())
                .isEqualTo(422);
        assertThat(practice.colleague(null, true, true)
                        .send(HttpMethod.PUT, "/api/set-up/marks", to)
                        .status())
                .isEqualTo(403);
        api.send(HttpMethod.PUT, "/api/set-up/marks", before.<Map<String, Object>>at("$"));
    }
}
