package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What waits for one person. */
@ServerTest
class TodayTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    private static List<String> labels(Api api, String group, UUID file) throws Exception {
        return api.get("/api/today").at("$." + group + "[?(@.fileId=='" + file + "')].slots[*].label");
    }

    @Test
    void openSlotsOfOnePersonAreOneLine() throws Exception {
        Api api = practice.colleague("Todayteam", true, true);
        UUID file = practice.administrator().newFile("client", "Overdue", null, "Todayteam");
        List<Object> lines = api.get("/api/today").at("$.overdue[?(@.fileId=='" + file + "')]");
        assertThat(lines).hasSize(1);
        assertThat(labels(api, "overdue", file)).contains("Proof of ownership", "Horse passport");
    }

    @Test
    void aPaperThatWaitsForReviewIsThereUntilItIsAccepted() throws Exception {
        Api admin = practice.administrator();
        Api api = practice.colleague("Reviewteam", true, true);
        UUID file = admin.newFile("employee", "Reviewed", null, "Reviewteam");
        UUID paper = admin.fileNewPaper(file, "first-aid", TODAY.minusDays(2));
        Api.Answer today = api.get("/api/today");
        assertThat(today.<List<String>>at("$.dueToday[?(@.action=='review')].documentId"))
                .containsExactly(paper.toString());
        assertThat(labels(api, "dueToday", file)).containsExactly("First aid certificate");
        api.post("/api/documents/{id}/accept", Map.of("version", 1), paper);
        assertThat(api.get("/api/today").<List<String>>at("$.dueToday[?(@.action=='review')].documentId"))
                .isEmpty();
    }

    @Test
    void whatRunsOutWithinAWeekStandsUnderThisWeek() throws Exception {
        Api admin = practice.administrator();
        Api api = practice.colleague("Weekteam", true, true);
        UUID file = admin.newFile("client", "Ending", null, "Weekteam");
        admin.fileNewPaper(file, "flu-vaccination", TODAY.minusMonths(12).plusDays(4));
        assertThat(labels(api, "thisWeek", file)).containsExactly("Flu vaccination");
        List<String> days = api.get("/api/today").at("$.thisWeek[?(@.fileId=='" + file + "')].day");
        assertThat(days).containsExactly(TODAY.plusDays(4).toString());
    }

    @Test
    void eachSeesOnlyWhatHeMaySee() throws Exception {
        Api admin = practice.administrator();
        UUID patient = admin.newFile("patient", "Privately", null, "Therapyteam");
        UUID secret = admin.fileNewPaper(patient, "clearance", TODAY.minusDays(2));
        Api reception = practice.colleague("Therapyteam", false, true);
        assertThat(reception.get("/api/today").<List<String>>at("$.dueToday[*].documentId"))
                .doesNotContain(secret.toString());
        assertThat(labels(reception, "overdue", patient))
                .doesNotContain("Referral letter")
                .contains("Privacy notice");
        Api stranger = practice.colleague("Otherteam", true, true);
        assertThat(labels(stranger, "overdue", patient)).isEmpty();
        assertThat(stranger.get("/api/today").<List<Object>>at("$.dueToday[?(@.action=='file')]"))
                .as("unfiled papers are for those who see every team")
                .isEmpty();
    }

    @Test
    void theTrailLeavesOutPapersThatMayNotBeSeen() throws Exception {
        Api admin = practice.administrator();
        UUID patient = admin.newFile("patient", "Trailed", null, "Therapyteam");
        UUID secret = admin.fileNewPaper(patient, "clearance", TODAY.minusDays(2));
        UUID plain = admin.fileNewPaper(patient, "privacy-notice", TODAY.minusDays(2));
        Api reception = practice.colleague("Therapyteam", false, true);
        assertThat(reception.get("/api/files/{id}/trail", patient).<List<String>>at("$[*].documentId"))
                .contains(plain.toString())
                .doesNotContain(secret.toString());
        assertThat(admin.get("/api/files/{id}/trail", patient).<List<String>>at("$[*].documentId"))
                .contains(secret.toString());
    }

    @Test
    void newsIsWhatOthersDidSinceTheLastVisit() throws Exception {
        Api admin = practice.administrator();
        assertThat(admin.get("/api/today").<Map<String, Object>>at("$")).doesNotContainKey("lastVisit");
        assertThat(admin.get("/api/today").<List<Object>>at("$.news")).isEmpty();
    }
}
