package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.paper.copies.ArchiveCopy;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Papers in files: their names, looks and downloads, decisions, and what can no longer be done. */
@ServerTest
class DocumentsTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    @Test
    void twoPapersOfOneDayGetTwoNames() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Named", null);
        UUID first = api.fileNewPaper(file, "note", TODAY);
        UUID second = api.fileNewPaper(file, "note", TODAY);
        assertThat(api.get("/api/documents/{id}", first).<String>at("$.name"))
                .isEqualTo("Note, " + TODAY + ", Named T");
        assertThat(api.get("/api/documents/{id}", second).<String>at("$.name"))
                .isEqualTo("Note, " + TODAY + ", Named T (2)");
    }

    @Test
    void theNameSaysWhatIsMissingAndForgetsItWhenItIsThere() throws Exception {
        Api api = practice.administrator();
        UUID document = api.fileNewPaper(api.newEmployee("Pending", null), "first-aid", TODAY.minusDays(1));
        assertThat(api.get("/api/documents/{id}", document).<String>at("$.name"))
                .endsWith(", to review");
        api.post("/api/documents/{id}/send-back", Map.of("version", 1, "reason", "blurred"), document);
        assertThat(api.get("/api/documents/{id}", document).<String>at("$.name"))
                .endsWith(", sent back");
        api.post("/api/documents/{id}/accept", Map.of("version", 1), document);
        Api.Answer accepted = api.get("/api/documents/{id}", document);
        assertThat(accepted.<String>at("$.name")).endsWith("Pending T");
        assertThat(accepted.<String>at("$.acceptedBy")).isEqualTo("Ottilie Brandmoor");
        assertThat(accepted.body()).doesNotContain("sentBackReason");
    }

    @Test
    void pagesAreShownAndLooksAreNotedOnce() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Paged", null);
        UUID document = api.fileNewPaper(file, "letter", TODAY);
        for (String width : List.of("160", "900", "1400")) {
            byte[] png = api.get("/api/documents/{id}/versions/1/pages/1?width=" + width, document)
                    .bytes();
            assertThat(png).startsWith(0x89, 'P', 'N', 'G');
        }
        assertThat(api.get("/api/documents/{id}/versions/1/pages/1?width=901", document)
                        .status())
                .isEqualTo(422);
        assertThat(api.get("/api/documents/{id}/versions/1/pages/2", document).status())
                .isEqualTo(404);
        assertThat(api.get("/api/documents/{id}/versions/2/pages/1", document).status())
                .isEqualTo(404);
        assertThat(api.get("/api/documents/{id}/versions/0/content", document).status())
                .isEqualTo(404);
        List<String> actions = api.get("/api/files/{id}/trail", file).at("$[*].action");
        assertThat(actions).filteredOn("looked"::equals).hasSize(1);
    }

    @Test
    void aDownloadIsTheOriginalByteForByteAndIsNoted() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Downloaded", null);
        byte[] bytes = Papers.pdf("to the byte");
        UUID arrival = api.upload("/api/arrivals", "a.pdf", bytes, Map.of("fileId", file, "type", "letter"))
                .id("$.id");
        assertThat(api.get("/api/arrivals").<List<String>>at("$[?(@.id=='" + arrival + "')].personName"))
                .containsExactly("Tamsin Downloaded");
        UUID document = api.file(arrival, file, "letter", TODAY).id("$.documentId");
        assertThat(api.get("/api/documents/{id}/versions/1/content", document).bytes())
                .isEqualTo(bytes);
        List<String> trail = api.get("/api/files/{id}/trail", file).at("$[*].sentence");
        assertThat(trail.get(0)).isEqualTo("downloaded “Letter, " + TODAY + ", Downloaded T”, version 1");
    }

    @Test
    void decisionsNeedAReasonAndAPaperEnteredInErrorStaysAsItIs() throws Exception {
        Api api = practice.administrator();
        UUID document = api.fileNewPaper(api.newEmployee("Decided", null), "first-aid", TODAY);
        for (String action : List.of("send-back", "entered-in-error")) {
            assertThat(api.post("/api/documents/{id}/" + action, Map.of("version", 1, "reason", " "), document)
                            .status())
                    .isEqualTo(422);
        }
        api.post("/api/documents/{id}/entered-in-error", Map.of("version", 1, "reason", "Wrong file"), document);
        for (String action : List.of("accept", "send-back", "entered-in-error")) {
            Api.Answer again =
                    api.post("/api/documents/{id}/" + action, Map.of("version", 1, "reason", "again"), document);
            assertThat(again.<String>at("$.code")).as(action).isEqualTo("entered-in-error");
        }
        Map<String, Object> signers =
                Map.of("version", 1, "signers", List.of(Map.of("role", "employee", "signer", "A")));
        assertThat(api.post("/api/documents/{id}/desk-signings", signers, document)
                        .status())
                .isEqualTo(409);
    }

    @Test
    void aFilingOnWhichSomethingWasBuiltIsNotUndone() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Builton", null);
        UUID arrival = api.upload("/api/arrivals", "a.pdf", Papers.pdf("built on"), Map.of())
                .id("$.id");
        UUID document = api.file(arrival, file, "first-aid", TODAY).id("$.documentId");
        api.post("/api/documents/{id}/accept", Map.of("version", 1), document);
        Api.Answer undone = api.post("/api/arrivals/undo-filing", Map.of("papers", List.of(arrival)));
        assertThat(undone.<String>at("$.code")).isEqualTo("built-on");
        assertThat(api.get("/api/documents/{id}", document).status()).isEqualTo(200);
        assertThat(api.get("/api/arrivals").<List<String>>at("$[*].id")).doesNotContain(arrival.toString());
    }

    @Test
    void papersAreSetAsideTakenUpAndDiscardedWithReasons() throws Exception {
        Api api = practice.administrator();
        UUID arrival = api.upload("/api/arrivals", "odd.pdf", Papers.pdf("odd one"), Map.of())
                .id("$.id");
        assertThat(api.post("/api/arrivals/{id}/set-aside", Map.of("reason", ""), arrival)
                        .status())
                .isEqualTo(422);
        assertThat(api.post("/api/arrivals/{id}/discard", Map.of("reason", "x"), arrival)
                        .status())
                .isEqualTo(409);
        assertThat(api.post("/api/arrivals/{id}/set-aside", Map.of("reason", "Ask Bram"), arrival)
                        .status())
                .isEqualTo(204);
        assertThat(api.get("/api/arrivals").<List<String>>at("$[?(@.id=='" + arrival + "')].reason"))
                .containsExactly("Ask Bram");
        assertThat(api.post("/api/arrivals/{id}/take-up", null, arrival).status())
                .isEqualTo(204);
        api.post("/api/arrivals/{id}/set-aside", Map.of("reason", "Ask Bram again"), arrival);
        assertThat(api.post("/api/arrivals/{id}/discard", Map.of("reason", "An advertisement"), arrival)
                        .status())
                .isEqualTo(204);
        assertThat(api.get("/api/arrivals").<List<String>>at("$[*].id")).doesNotContain(arrival.toString());
        assertThat(api.get("/api/arrivals/{id}/content", arrival).status()).isEqualTo(404);
    }

    @Test
    void arrivalsAreForThoseWhoSeeEveryTeam() throws Exception {
        Api admin = practice.administrator();
        UUID plain = admin.upload("/api/arrivals", "p.pdf", Papers.pdf("plain"), Map.of())
                .id("$.id");
        UUID file = admin.newFile("patient", "Sensitive", null, "Therapy");
        UUID secret = admin.upload(
                        "/api/arrivals", "s.pdf", Papers.pdf("secret"), Map.of("fileId", file, "type", "referral"))
                .id("$.id");
        Api receptionist = practice.colleague(null, false, true);
        assertThat(receptionist.get("/api/arrivals").<List<String>>at("$[*].id"))
                .contains(plain.toString())
                .doesNotContain(secret.toString());
        assertThat(receptionist.get("/api/arrivals/{id}/pages/1", secret).status())
                .isEqualTo(404);
        Api instructor = practice.colleague("Riding school", true, true);
        assertThat(instructor.get("/api/arrivals").<List<String>>at("$[*].id")).isEmpty();
        assertThat(instructor
                        .upload("/api/arrivals", "x.pdf", Papers.pdf("x"), Map.of())
                        .status())
                .isEqualTo(403);
        assertThat(instructor
                        .upload("/api/arrivals", "x.pdf", Papers.pdf("x"), Map.of("fileId", file))
                        .status())
                .isEqualTo(404);
    }

    @Test
    void anArchiveCopyIsMadeOnceAndThePaperStaysAsItIs() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Archived", null);
        UUID document = api.fileNewPaper(file, "letter", LocalDate.now());
        String before = api.get("/api/documents/{id}", document).at("$.versions[0].sha256");
        Api.Answer copy = api.get("/api/documents/{id}/versions/1/archive", document);
        assertThat(copy.status()).isEqualTo(200);
        Path pdf = Files.write(Files.createTempFile("copy", ".pdf"), copy.bytes());
        assertThat(ArchiveCopy.holds(pdf)).isTrue();
        Files.delete(pdf);
        assertThat(api.get("/api/documents/{id}/versions/1/archive", document).bytes())
                .isEqualTo(copy.bytes());
        Api.Answer after = api.get("/api/documents/{id}", document);
        assertThat(after.<List<String>>at("$.versions[*].sha256")).containsExactly(before);
        assertThat(api.get("/api/documents/{id}/versions/2/archive", document).status())
                .isEqualTo(404);
    }
}
