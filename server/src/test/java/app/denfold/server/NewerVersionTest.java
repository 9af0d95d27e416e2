package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What was decided on a paper holds for the version that was shown, and for no bytes that came later. */
@ServerTest
class NewerVersionTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    private static void renew(Api api, UUID paper) throws Exception {
        assertThat(api.renew(paper, "other.pdf", Papers.pdf("Other bytes " + UUID.randomUUID()))
                        .status())
                .isEqualTo(204);
    }

    @Test
    void otherBytesWaitForReviewAgainAndTheOldAcceptanceStaysKnown() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Renewed", null);
        UUID paper = api.fileNewPaper(file, "first-aid", TODAY.minusDays(3));
        assertThat(api.post("/api/documents/{id}/accept", Map.of("version", 1), paper)
                        .status())
                .isEqualTo(204);
        assertThat(api.slot(file, "first-aid")).isEqualTo("on-file");
        renew(api, paper);
        assertThat(api.slot(file, "first-aid")).isEqualTo("in-review");
        Api.Answer now = api.get("/api/documents/{id}", paper);
        assertThat(now.<String>at("$.name")).contains("to review");
        assertThat(now.body()).doesNotContain("acceptedOn");
        assertThat(api.post("/api/documents/{id}/accept", Map.of("version", 2), paper)
                        .status())
                .isEqualTo(204);
        assertThat(api.slot(file, "first-aid")).isEqualTo("on-file");
    }

    @Test
    void nothingIsDecidedOnAVersionThatIsNoLongerTheNewest() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Outrun", null);
        UUID paper = api.fileNewPaper(file, "first-aid", TODAY.minusDays(3));
        renew(api, paper);
        Map<String, Object> old = Map.of("version", 1, "reason", "blurred");
        for (String decision : List.of("accept", "send-back", "entered-in-error")) {
            Api.Answer refused = api.post("/api/documents/{id}/" + decision, old, paper);
            assertThat(refused.status()).as(decision).isEqualTo(409);
            assertThat(refused.<String>at("$.code")).isEqualTo("newer-version");
            assertThat(refused.<String>at("$.detail")).contains("newer version", "look at it first");
        }
        List<Map<String, Object>> shown = List.of(Map.of("id", paper, "version", 1));
        assertThat(api.post("/api/documents/accept", Map.of("documents", shown)).<String>at("$.code"))
                .isEqualTo("newer-version");
        assertThat(api.post("/api/documents/send-back", Map.of("documents", shown, "reason", "no"))
                        .<String>at("$.code"))
                .isEqualTo("newer-version");
        assertThat(api.slot(file, "first-aid")).isEqualTo("in-review");
    }

    @Test
    void aSignatureIsNotGivenOnOtherBytesThanThoseShownAndDoesNotGoOverToThem() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Signedold", null);
        UUID paper = api.fileNewPaper(file, "contract", TODAY.minusDays(3));
        Map<String, Object> signers = Map.of(
                "version",
                1,
                "signers",
                List.of(
                        Map.of("role", "employee", "signer", "Tamsin Signedold"),
                        Map.of("role", "director", "signer", "Bram Ostervelt")));
        UUID signing =
                api.post("/api/documents/{id}/desk-signings", signers, paper).id("$.id");
        sign(api, signing, "employee", 200);
        renew(api, paper);
        assertThat(sign(api, signing, "director", 409)).isEqualTo("newer-version");
        assertThat(api.post("/api/desk-signings/{id}/withdraw", null, signing).status())
                .isEqualTo(204);
        Api.Answer now = api.get("/api/documents/{id}", paper);
        assertThat(now.<List<Object>>at("$.unsignedBy")).hasSize(2);
        assertThat(api.post("/api/documents/{id}/desk-signings", signers, paper).<String>at("$.code"))
                .isEqualTo("newer-version");
    }

    private static String sign(Api api, UUID signing, String role, int status) throws Exception {
        Api.Answer answer = api.post(
                "/api/desk-signings/{id}/signatures",
                Map.of(
                        "role",
                        role,
                        "signature",
                        Map.of("typed", role.equals("director") ? "Bram Ostervelt" : "Tamsin Signedold")),
                signing);
        assertThat(answer.status()).isEqualTo(status);
        return status == 200 ? "" : answer.at("$.code");
    }

    @Test
    void detailsOfSeveralAreNotChangedOverSomebodyElsesChange() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Raced", null);
        List<UUID> both = List.of(
                api.fileNewPaper(file, "letter", TODAY.minusDays(5)),
                api.fileNewPaper(file, "note", TODAY.minusDays(4)));
        List<Map<String, Object>> seen = api.seen(both);
        Map<String, Object> first = Map.of("documents", seen, "details", Map.of("description", "mine"));
        assertThat(api.post("/api/documents/details", first).status()).isEqualTo(200);
        Map<String, Object> second = Map.of("documents", seen, "details", Map.of("description", "theirs"));
        Api.Answer refused = api.post("/api/documents/details", second);
        assertThat(refused.<String>at("$.code")).isEqualTo("changed-meanwhile");
        assertThat(api.get("/api/documents/{id}", both.get(0)).<String>at("$.description"))
                .isEqualTo("mine");
    }

    @Test
    void whatIsDecidedOnAPaperIsToldAsItStoodOnADayBefore() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Asitstood", null);
        UUID paper = api.fileNewPaper(file, "first-aid", TODAY.minusDays(3));
        api.post("/api/documents/{id}/accept", Map.of("version", 1), paper);
        renew(api, paper);
        List<String> ledger = api.get("/api/files/{id}/ledger", file)
                .at("$.sections[*].slots[?(@.requirement=='first-aid')].reasons[*]");
        assertThat(ledger).singleElement().asString().contains("waits for review");
    }
}
