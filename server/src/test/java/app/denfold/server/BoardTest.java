package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** The board: narrowed, sorted, counted, on any day, and never telling more than the viewer may know. */
@ServerTest
class BoardTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    /** Three clients of a name nobody else has: one open, one clear for a year, one clear without end. */
    private record Trio(Api api, String name, UUID open, UUID year, UUID endless) {}

    private Trio trio(String name) throws Exception {
        Api api = practice.administrator();
        UUID open = api.newFile("client", name + "open", null, "Stables");
        UUID year = api.newFile("client", name + "year", null, "Stables");
        UUID endless = api.newFile("client", name + "zero", null, "Office");
        for (UUID file : List.of(year, endless)) {
            for (String list : List.of(
                    "livery-agreement",
                    "ownership",
                    "horse-passport",
                    "horse-insurance",
                    "flu-vaccination",
                    "vet-authorisation",
                    "direct-debit",
                    "passport")) {
                waive(api, file, list, file == year ? TODAY.plusDays(200) : null);
            }
        }
        return new Trio(api, name, open, year, endless);
    }

    private static void waive(Api api, UUID file, String requirement, LocalDate to) throws Exception {
        Map<String, Object> body = new HashMap<>(Map.of(
                "checklist",
                "clients",
                "requirement",
                requirement,
                "reason",
                "A test",
                "from",
                TODAY.minusDays(300).toString()));
        if (to != null) {
            body.put("to", to.toString());
        }
        api.post("/api/files/{id}/waivers", body, file);
    }

    private static List<String> ids(Api.Answer board) {
        return board.at("$.rows[*].id");
    }

    @Test
    void clearThroughSortsTheOpenFirstAndTheEndlessLast() throws Exception {
        Trio t = trio("Sorted");
        List<String> order = List.of(t.open.toString(), t.year.toString(), t.endless.toString());
        Api.Answer board = t.api.get("/api/board?text=sorted&sort=clear");
        assertThat(ids(board)).isEqualTo(order);
        assertThat(board.<String>at("$.rows[1].clearThrough"))
                .isEqualTo(TODAY.plusDays(200).toString());
        assertThat(ids(t.api.get("/api/board?text=sorted&sort=clear&turned=true")))
                .containsExactly(order.get(2), order.get(1), order.get(0));
        assertThat(ids(t.api.get("/api/board?text=sorted&sort=clear&offset=1&limit=1")))
                .containsExactly(order.get(1));
        assertThat(t.api.get("/api/board?sort=shoes").status()).isEqualTo(422);
    }

    @Test
    void filtersNarrowTheFilesAndTheCounts() throws Exception {
        Trio t = trio("Narrowed");
        assertThat(ids(t.api.get("/api/board?text=narrowed&team=Office"))).containsExactly(t.endless.toString());
        assertThat(ids(t.api.get("/api/board?text=narrowed&open=true"))).containsExactly(t.open.toString());
        assertThat(ids(t.api.get("/api/board?text=narrowed&status=waived")))
                .containsExactlyInAnyOrder(t.year.toString(), t.endless.toString());
        assertThat(ids(t.api.get("/api/board?text=narrowed&kind=patient"))).isEmpty();
        assertThat(ids(t.api.get("/api/board?text=narrowed&checklist=patients")))
                .isEmpty();
        assertThat(t.api.get("/api/board?status=purple").status()).isEqualTo(422);
        Api.Answer counts = t.api.get("/api/board/counts?text=narrowed");
        assertThat(counts.<Integer>at("$.files")).isEqualTo(3);
        assertThat(counts.<Integer>at("$.clear")).isEqualTo(2);
        assertThat(counts.<Integer>at("$.statuses.waived")).isEqualTo(16);
        assertThat(counts.<Integer>at("$.statuses.missing"))
                .isEqualTo(t.api.get("/api/board/counts?text=narrowed&checklist=clients")
                        .at("$.statuses.missing"));
        assertThat(t.api.get("/api/board/teams").<List<String>>at("$")).contains("Stables", "Office");
    }

    @Test
    void aPastDayIsShownAsItStoodAndAsItWasKnown() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newFile("client", "Pastly", null, "Stables");
        api.fileNewPaper(file, "ownership", TODAY.minusDays(20));
        LocalDate then = TODAY.minusDays(10);
        assertThat(status(api, file, "?asOf=" + then)).isEqualTo("on-file");
        assertThat(status(api, file, "?known=then&asOf=" + then)).isEqualTo("missing");
        assertThat(status(api, file, "?asOf=" + TODAY.minusDays(30))).isEqualTo("missing");
        String board = "/api/board?text=pastly&checklist=clients&asOf=" + then;
        assertThat(cell(api.get(board), "ownership")).isEqualTo("on-file");
        assertThat(cell(api.get(board + "&known=then"), "ownership")).isEqualTo("missing");
        assertThat(ids(api.get(board + "&sort=clear&status=on-file"))).containsExactly(file.toString());
        assertThat(ids(api.get(board + "&status=on-file&known=then"))).isEmpty();
        assertThat(api.get("/api/board/counts?text=pastly&asOf=" + then).<Integer>at("$.statuses.on-file"))
                .isEqualTo(1);
    }

    private static String status(Api api, UUID file, String query) throws Exception {
        return api.get("/api/files/{id}/slots/clients/ownership" + query, file).at("$.status");
    }

    private static String cell(Api.Answer board, String requirement) {
        List<String> columns = board.at("$.columns[*].requirement");
        String cells = board.at("$.rows[0].cells");
        return board.at("$.letters." + cells.charAt(columns.indexOf(requirement)));
    }

    @Test
    void nothingChangesForSomeoneWhoLooksAtThePast() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newFile("client", "Untouched", null, "Stables");
        Api past = api.lookingAt(TODAY.minusDays(5));
        Map<String, Object> waiver = Map.of("checklist", "clients", "requirement", "ownership", "reason", "x");
        Api.Answer refused = past.post("/api/files/{id}/waivers", waiver, file);
        assertThat(refused.<String>at("$.code")).isEqualTo("in-the-past");
        assertThat(past.get("/api/files/{id}", file).status()).isEqualTo(200);
        assertThat(api.slot(file, "ownership")).isEqualTo("missing");
    }

    @Test
    void theForecastCountsEachFallInItsWeekAndListsWho() throws Exception {
        Trio t = trio("Falling");
        Api.Answer weeks = t.api.get("/api/board/forecast?text=falling");
        List<Integer> due = weeks.at("$[*].due");
        List<Integer> lapses = weeks.at("$[*].lapses");
        assertThat(due).hasSize(26);
        assertThat(due.stream().mapToInt(i -> i).sum()
                        + lapses.stream().mapToInt(i -> i).sum())
                .as("waivers of 200 days end within 26 weeks of seven days only when 200 < 182")
                .isZero();
        UUID soon = t.api.newFile("client", "Fallingsoon", null, "Stables");
        t.api.fileNewPaper(soon, "flu-vaccination", TODAY.minusMonths(12).plusDays(9));
        Api.Answer then = t.api.get("/api/board/forecast?text=fallingsoon");
        assertThat(then.<List<Integer>>at("$[*].lapses").get(1)).isEqualTo(1);
        String from = then.at("$[1].from");
        String to = then.at("$[1].to");
        Api.Answer who = t.api.get("/api/board/falling?text=fallingsoon&from=" + from + "&to=" + to);
        assertThat(who.<List<String>>at("$[*].name")).containsExactly("Tamsin Fallingsoon");
        assertThat(who.<String>at("$[0].label")).isEqualTo("Flu vaccination");
        assertThat(who.<String>at("$[0].on")).isEqualTo(TODAY.plusDays(10).toString());
    }

    @Test
    void theBoardGoesOutAsCsvWithoutFormulas() throws Exception {
        Api api = practice.administrator();
        api.newFile("client", "=Exported+1", null, "Stables");
        Api.Answer csv = api.get("/api/board/csv?text=exported&checklist=clients");
        List<String> lines = csv.body().lines().toList();
        assertThat(lines).hasSize(2);
        assertThat(lines.get(0))
                .startsWith(
                        "Number,Name,Kind,Team,Clear,Clear through,Open slots,\"Open, not visible to you\",Clients: ");
        assertThat(lines.get(1))
                .contains("Tamsin =Exported+1,Client,Stables,no,,")
                .contains("missing");
    }

    @Test
    void whatAViewerMayNotSeeIsNeitherShownNorCounted() throws Exception {
        Api admin = practice.administrator();
        UUID file = admin.newFile("patient", "Hiddenly", null, "Therapy");
        admin.fileNewPaper(file, "privacy-notice", TODAY.minusDays(2));
        Api reception = practice.colleague(null, false, true);
        assertThat(reception.get("/api/board?text=hiddenly&kind=patient").<List<String>>at("$.columns[*].requirement"))
                .contains("privacy-notice")
                .doesNotContain("clearance", "neck-xray");
        int seen = reception.get("/api/board/counts?text=hiddenly").at("$.statuses.missing");
        int all = admin.get("/api/board/counts?text=hiddenly").at("$.statuses.missing");
        assertThat(seen).isLessThan(all);
        assertThat(reception
                        .get("/api/files/{id}/slots/patients/clearance", file)
                        .status())
                .isEqualTo(404);
        Api other = practice.colleague("Office", true, true);
        assertThat(ids(other.get("/api/board?text=hiddenly"))).isEmpty();
        assertThat(other.get("/api/board/counts?text=hiddenly").<Integer>at("$.files"))
                .isZero();
        assertThat(other.get("/api/board/teams").<List<String>>at("$")).containsOnly("Office");
    }

    @Test
    void linesShowEachSlotOverTime() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newFile("client", "Lined", null, "Stables");
        api.fileNewPaper(file, "flu-vaccination", TODAY.minusMonths(12).plusDays(9));
        String query = "?from=" + TODAY.minusDays(60) + "&to=" + TODAY.plusDays(60);
        Api.Answer lines = api.get("/api/files/{id}/lines" + query, file);
        List<String> statuses =
                lines.at("$.sections[*].lines[?(@.requirement=='flu-vaccination')].stretches[*].status");
        assertThat(statuses).startsWith("on-file", "expiring").contains("lapsed");
        assertThat(lines.<List<String>>at("$.sections[*].lines[?(@.requirement=='flu-vaccination')].papers[*].name"))
                .hasSize(1);
        assertThat(api.get("/api/files/{id}/lines?from=2026-01-02&to=2026-01-01", file)
                        .status())
                .isEqualTo(422);
        assertThat(api.get("/api/files/{id}/lines?from=1900-01-02&to=2026-01-01", file)
                        .status())
                .isEqualTo(422);
    }
}
