package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.annotation.Import;

/** Decisions on papers keep their days, so that a past day can be asked about as it was known then. */
@ServerTest
@Import(MovableClock.class)
class DecisionsTest {

    @Autowired
    TestPractice practice;

    @Autowired
    MovableClock clock;

    @Autowired
    app.denfold.server.practice.PracticeCalendar calendar;

    private static String status(Api api, UUID file, String query) throws Exception {
        return api.get("/api/files/{id}/slots/employees/first-aid" + query, file)
                .at("$.status");
    }

    private static String asKnownOn(LocalDate day) {
        return "?known=then&asOf=" + day;
    }

    @Test
    void aPaperSentBackAndLaterAcceptedRemembersBoth() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Decided", null);
        LocalDate received = calendar.today();
        UUID paper = api.fileNewPaper(file, "first-aid", received.minusDays(3));
        clock.pass(2);
        LocalDate sentBack = calendar.today();
        api.post("/api/documents/{id}/send-back", Map.of("version", 1, "reason", "Page two is missing"), paper);
        assertThat(api.get("/api/documents/{id}", paper).<String>at("$.sentBackReason"))
                .isEqualTo("Page two is missing");
        clock.pass(3);
        LocalDate accepted = calendar.today();
        api.post("/api/documents/{id}/accept", Map.of("version", 1), paper);
        Map<String, Object> now = api.get("/api/documents/{id}", paper).at("$");
        assertThat(now).doesNotContainKeys("sentBackOn", "sentBackReason").containsKey("acceptedBy");

        assertThat(status(api, file, asKnownOn(received))).isEqualTo("in-review");
        assertThat(status(api, file, asKnownOn(sentBack))).isEqualTo("sent-back");
        assertThat(status(api, file, asKnownOn(accepted))).isEqualTo("on-file");
        assertThat(status(api, file, "?asOf=" + sentBack)).as("as known now").isEqualTo("on-file");
    }

    @Test
    void aPaperEnteredInErrorLaterStoodThereBefore() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Mistaken", null);
        LocalDate filed = calendar.today();
        UUID paper = api.fileNewPaper(file, "handbook", filed.minusDays(1));
        clock.pass(1);
        api.post("/api/documents/{id}/entered-in-error", Map.of("version", 1, "reason", "Another person's"), paper);
        Api.Answer then = api.get("/api/files/{id}/ledger" + asKnownOn(filed), file);
        assertThat(then.<List<String>>at("$.sections[*].slots[?(@.requirement=='handbook')].papers[*].state"))
                .containsExactly("FILED");
        Api.Answer now = api.get("/api/files/{id}/ledger", file);
        assertThat(now.<List<String>>at("$.otherPapers[*].state")).containsExactly("ENTERED_IN_ERROR");
        assertThat(now.<List<String>>at("$.sections[*].slots[?(@.requirement=='handbook')].status"))
                .containsExactly("missing");
    }

    @Test
    void aWaiverCountsFromTheDayItWasRecorded() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Waivedlater", null);
        LocalDate before = calendar.today();
        clock.pass(4);
        api.post(
                "/api/files/{id}/waivers",
                Map.of(
                        "checklist", "employees",
                        "requirement", "handbook",
                        "from", before.minusDays(10).toString(),
                        "reason", "Old hand"),
                file);
        String slot = "/api/files/{id}/slots/employees/handbook";
        assertThat(api.get(slot + asKnownOn(before), file).<String>at("$.status"))
                .isEqualTo("missing");
        Api.Answer now = api.get(slot + "?asOf=" + before, file);
        assertThat(now.<String>at("$.status")).isEqualTo("waived");
        assertThat(now.<List<String>>at("$.reasons")).anyMatch(r -> r.contains("Old hand"));
    }

    @Test
    void theDayAheadIsAskedWithWhatIsKnownToday() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Aheadly", null);
        UUID paper = api.fileNewPaper(file, "first-aid", calendar.today().minusDays(3));
        api.post("/api/documents/{id}/accept", Map.of("version", 1), paper);
        assertThat(status(api, file, asKnownOn(calendar.today().plusYears(3)))).isEqualTo("lapsed");
        assertThat(status(api, file, "")).isEqualTo("on-file");
    }
}
