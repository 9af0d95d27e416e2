package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import java.time.LocalDate;
import java.util.Date;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.test.web.servlet.MockMvc;

/** Calendars are read here by another library than the one that writes them. */
@ServerTest
class CalendarsTest {

    @Autowired
    TestPractice practice;

    @Autowired
    MockMvc mvc;

    private ICalendar read(String address) throws Exception {
        Api.Answer answer = Api.nobody(mvc).get(address.replaceAll("^https?://[^/]+", ""));
        assertThat(answer.status()).isEqualTo(200);
        List<ICalendar> read = Biweekly.parse(answer.body()).all();
        assertThat(read).hasSize(1);
        assertThat(read.get(0).validate(biweekly.ICalVersion.V2_0).getWarnings())
                .isEmpty();
        return read.get(0);
    }

    private static VEvent event(ICalendar calendar, String requirement) {
        return calendar.getEvents().stream()
                .filter(e -> e.getUid().getValue().contains("-" + requirement + "@"))
                .findFirst()
                .orElseThrow();
    }

    private static LocalDate day(VEvent event) {
        Date start = event.getDateStart().getValue();
        return LocalDate.ofInstant(start.toInstant(), java.time.ZoneId.systemDefault());
    }

    @Test
    void anEventMovesWithItsDayAndIsCancelledWhenMet() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Calendared, \"quoted\"; 🐴", null);
        String address = api.post("/api/calendars", Map.of("reach", "FILE", "fileId", file))
                .at("$.address");
        ICalendar first = read(address);
        VEvent due = event(first, "handbook");
        assertThat(due.getUid().getValue()).startsWith("due-" + file);
        assertThat(due.getSummary().getValue())
                .isEqualTo("Handbook receipt of Tamsin Calendared, \"quoted\"; 🐴 is due");
        assertThat(due.getSequence().getValue()).isZero();
        assertThat(due.getDateStart().getValue().hasTime()).isFalse();

        LocalDate dated = LocalDate.now().minusDays(10);
        UUID handbook = api.fileNewPaper(file, "handbook", dated);
        UUID tetanus = api.fileNewPaper(file, "tetanus", dated);
        ICalendar second = read(address);
        assertThat(event(second, "handbook").getStatus().getValue()).isEqualTo("CANCELLED");
        assertThat(event(second, "handbook").getSequence().getValue()).isEqualTo(1);
        assertThat(event(second, "handbook").getUid()).isEqualTo(due.getUid());
        VEvent lapse = event(second, "tetanus");
        assertThat(day(lapse)).isEqualTo(dated.plusYears(10));
        assertThat(lapse.getTransparency().getValue()).isEqualTo("TRANSPARENT");

        api.send(
                HttpMethod.PUT,
                "/api/documents/{id}/details",
                Map.of("version", 0, "details", Api.details(file, "tetanus", dated.minusDays(30))),
                tetanus);
        api.post("/api/documents/{id}/entered-in-error", Map.of("version", 1, "reason", "not hers"), handbook);
        ICalendar third = read(address);
        assertThat(event(third, "handbook").getStatus().getValue()).isEqualTo("CONFIRMED");
        assertThat(event(third, "handbook").getSequence().getValue()).isEqualTo(2);
        assertThat(read(address).getEvents().stream().map(e -> e.getSequence().getValue()))
                .as("read twice, nothing changes")
                .containsExactlyElementsOf(third.getEvents().stream()
                        .map(e -> e.getSequence().getValue())
                        .toList());
    }

    @Test
    void oneWhoMayNotKnowOfAPaperNeitherSeesItsEventNorCancelsItForOthers() throws Exception {
        Api api = practice.administrator();
        UUID patient = api.newFile("patient", "Twofeeds", null, "Twofeeds");
        String all = api.post("/api/calendars", Map.of("reach", "TEAM", "team", "Twofeeds"))
                .at("$.address");
        String few = practice.colleague("Twofeeds", false, false)
                .post("/api/calendars", Map.of("reach", "MINE"))
                .at("$.address");
        assertThat(event(read(all), "clearance").getStatus().getValue()).isEqualTo("CONFIRMED");
        assertThat(Api.nobody(mvc).get(few.replaceAll("^https?://[^/]+", "")).body())
                .doesNotContain("clearance");
        assertThat(event(read(all), "clearance").getSequence().getValue()).isZero();

        api.fileNewPaper(patient, "clearance", LocalDate.now().minusDays(2));
        assertThat(event(read(all), "clearance").getStatus().getValue())
                .as("handed in, so no longer due")
                .isEqualTo("CANCELLED");
    }

    @Test
    void anAddressTellsWhatItsOwnerMaySeeUntilItIsEnded() throws Exception {
        Api api = practice.administrator();
        UUID patient = api.newFile("patient", "Hiddenone", null, "Therapy");
        UUID stables = api.newEmployee("Stablehand", null);
        Api colleague = practice.colleague("Stables", false, false);
        String mine = colleague.post("/api/calendars", Map.of("reach", "MINE")).at("$.address");
        String body =
                Api.nobody(mvc).get(mine.replaceAll("^https?://[^/]+", "")).body();
        assertThat(body).contains(stables.toString()).doesNotContain(patient.toString());
        assertThat(colleague
                        .post("/api/calendars", Map.of("reach", "FILE", "fileId", patient))
                        .status())
                .isEqualTo(404);
        assertThat(colleague.post("/api/calendars", Map.of("reach", "TEAM")).status())
                .isEqualTo(422);
        String team = api.post("/api/calendars", Map.of("reach", "TEAM", "team", "Therapy"))
                .at("$.address");
        assertThat(Api.nobody(mvc).get(team.replaceAll("^https?://[^/]+", "")).body())
                .contains(patient.toString())
                .doesNotContain(stables.toString());
        List<String> ids = colleague.get("/api/calendars").at("$[*].id");
        assertThat(api.send(HttpMethod.DELETE, "/api/calendars/{id}", null, UUID.fromString(ids.get(0)))
                        .status())
                .as("it is not hers")
                .isEqualTo(404);
        colleague.send(HttpMethod.DELETE, "/api/calendars/{id}", null, UUID.fromString(ids.get(0)));
        assertThat(Api.nobody(mvc).get(mine.replaceAll("^https?://[^/]+", "")).status())
                .isEqualTo(404);
        assertThat(Api.nobody(mvc).get("/api/calendar-feeds/guess/papers.ics").status())
                .isEqualTo(404);
        assertThat(api.get("/api/files/{id}/calendar", patient).body()).startsWith("BEGIN:VCALENDAR");
    }
}
