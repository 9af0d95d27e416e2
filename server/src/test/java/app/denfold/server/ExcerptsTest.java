package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;

/** Text picked from papers, kept with where it stands. */
@ServerTest
class ExcerptsTest {

    @Autowired
    TestPractice practice;

    private static Api.Answer keep(Api api, UUID paper, int page, String words) throws Exception {
        return api.post(
                "/api/documents/{id}/excerpts",
                Map.of("version", 1, "page", page, "words", words, "note", "for the insurer"),
                paper);
    }

    @Test
    void anExcerptTellsWhereItStandsAndGoesWithItsPaper() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Excerpted", null);
        UUID paper = api.fileNewPaper(file, "letter", LocalDate.now().minusDays(2));
        UUID excerpt = keep(api, paper, 1, "  We confirm the booking. ").id("$.id");
        Api.Answer kept = api.get("/api/files/{id}/excerpts", file);
        assertThat(kept.<String>at("$[0].words")).isEqualTo("We confirm the booking.");
        assertThat(kept.<String>at("$[0].paper")).startsWith("Letter, ");
        assertThat(kept.<Integer>at("$[0].page")).isEqualTo(1);

        UUID other = api.newEmployee("Excerptmoved", null);
        api.post("/api/documents/move", Map.of("documents", List.of(paper), "fileId", other));
        assertThat(api.get("/api/files/{id}/excerpts", file).<List<?>>at("$")).isEmpty();
        assertThat(api.get("/api/files/{id}/excerpts", other).<List<?>>at("$")).hasSize(1);
        Api colleague = practice.colleague("Stables", true, true);
        assertThat(colleague
                        .send(HttpMethod.DELETE, "/api/excerpts/{id}", null, excerpt)
                        .status())
                .isEqualTo(403);
        assertThat(api.send(HttpMethod.DELETE, "/api/excerpts/{id}", null, excerpt)
                        .status())
                .isEqualTo(204);
    }

    @Test
    void excerptsOfPapersOneMayNotSeeStayHiddenAndWhatCannotBeIsRefused() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newFile("patient", "Excerpthidden", null, "Therapy");
        UUID paper = api.fileNewPaper(file, "clearance", LocalDate.now().minusDays(2));
        keep(api, paper, 1, "Fit to ride.");
        Api blind = practice.colleague("Therapy", false, true);
        assertThat(blind.get("/api/files/{id}/excerpts", file).<List<?>>at("$")).isEmpty();
        assertThat(keep(blind, paper, 1, "Seen?").status()).isEqualTo(404);
        assertThat(keep(api, paper, 2, "Beyond the last page").status()).isEqualTo(404);
        assertThat(keep(api, paper, 1, " ").status()).isEqualTo(422);
        assertThat(keep(api, paper, 1, "x".repeat(4_001)).status()).isEqualTo(422);
    }
}
