package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** What is done with several chosen papers: printed, shared, read with what is known of each. */
@ServerTest
class ChosenPapersTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    @Autowired
    JdbcClient jdbc;

    @Test
    void printedPapersAreOnePdfAndThePrintIsInTheTrail() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Printed", null);
        UUID one = api.fileNewPaper(file, "letter", TODAY.minusDays(3));
        UUID other = api.fileNewPaper(file, "note", TODAY.minusDays(2));
        Api.Answer pdf = api.get("/api/print?documents=" + one + "," + other);
        assertThat(pdf.status()).isEqualTo(200);
        try (PDDocument document = Loader.loadPDF(pdf.bytes())) {
            assertThat(document.getNumberOfPages()).isEqualTo(2);
        }
        assertThat(api.get("/api/files/{id}/trail", file).<List<String>>at("$[?(@.action=='printed')].sentence"))
                .hasSize(2)
                .allMatch(s -> s.startsWith("printed “"));
        Api stranger = practice.colleague("Therapy", true, true);
        assertThat(stranger.get("/api/print?documents=" + one).status()).isEqualTo(404);
        UUID awaited = api.post(
                        "/api/placeholders", Map.of("details", Api.details(file, "invoice", TODAY), "awaited", true))
                .id("$.id");
        assertThat(api.get("/api/print?documents=" + awaited).<String>at("$.code"))
                .isEqualTo("no-pages");
    }

    @Test
    void severalAreSharedAtOnceOrNone() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Sharedmany", null);
        UUID guest = api.post(
                        "/api/files/{id}/guests",
                        Map.of("name", "Ida", "email", TestPractice.newAddress(), "relation", "payer"),
                        file)
                .id("$.accountId");
        UUID one = api.fileNewPaper(file, "letter", TODAY.minusDays(3));
        UUID other = api.fileNewPaper(file, "note", TODAY.minusDays(2));
        UUID wrong = api.fileNewPaper(file, "note", TODAY.minusDays(1));
        api.post("/api/documents/{id}/entered-in-error", Map.of("version", 1, "reason", "Not his"), wrong);
        assertThat(share(api, guest, one, wrong).<String>at("$.code")).isEqualTo("entered-in-error");
        assertThat(api.get("/api/files/{id}/shared", file).<List<?>>at("$.shares"))
                .isEmpty();
        assertThat(share(api, guest, one, other).status()).isEqualTo(201);
        assertThat(api.get("/api/files/{id}/shared", file).<List<String>>at("$.shares[*].documentId"))
                .containsExactlyInAnyOrder(one.toString(), other.toString());
        assertThat(share(api, guest, one, other).<String>at("$.code")).isEqualTo("shared-already");
    }

    private static Api.Answer share(Api api, UUID guest, UUID... papers) throws Exception {
        return api.post("/api/shares", Map.of("accountId", guest, "documents", List.of(papers)));
    }

    @Test
    void eachPaperTellsWhatItsAuthorIsAndTheTimesItFallsInto() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Periods", null);
        LocalDate changed = TODAY.minusDays(10);
        fact(file, 0, "groom", null, changed.minusDays(1));
        fact(file, 1, "instructor", changed, null);
        api.fileNewPaper(file, "letter", TODAY);
        api.fileNewPaper(file, "letter", changed.minusDays(1));
        Api.Answer papers = api.get("/api/files/{id}/papers", file);
        assertThat(papers.<String>at("$[0].authorTitle")).isEqualTo("administrator");
        assertThat(papers.<List<String>>at("$[*].periods[0]")).containsExactly("Role: instructor", "Role: groom");
        assertThat(papers.<Integer>at("$[0].size")).isPositive();
    }

    private void fact(UUID file, int place, String role, LocalDate from, LocalDate to) {
        jdbc.sql("insert into fact (file_id, place, name, value, from_day, to_day) values (?, ?, 'role', ?, ?, ?)")
                .params(file, place, role, from, to)
                .update();
    }
}
