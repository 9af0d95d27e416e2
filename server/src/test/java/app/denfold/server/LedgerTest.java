package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What a file shows: slots, papers, reasons, standing. */
@ServerTest
class LedgerTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    private static <T> T ofSlot(Api api, UUID file, String requirement, String what) throws Exception {
        List<T> found = api.get("/api/files/{id}/ledger", file)
                .at("$.sections[*].slots[?(@.requirement=='" + requirement + "')]." + what);
        return found.isEmpty() ? null : found.get(0);
    }

    @Test
    void anEmptySlotSaysSinceWhenAndWhy() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Empty", null);
        assertThat(LedgerTest.<String>ofSlot(api, file, "contract", "since"))
                .isEqualTo(TODAY.minusDays(100).toString());
        assertThat(LedgerTest.<List<String>>ofSlot(api, file, "contract", "reasons"))
                .containsExactly("No paper of this type is in the file.");
        assertThat(LedgerTest.<String>ofSlot(api, file, "first-aid", "due"))
                .isEqualTo(TODAY.minusDays(100).plusDays(42).toString());
    }

    @Test
    void aCoveredSlotSaysUntilWhenAndWhatComesNext() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Covered", null);
        LocalDate dated = TODAY.minusDays(30);
        api.fileNewPaper(file, "manual-handling", dated);
        assertThat(LedgerTest.<String>ofSlot(api, file, "manual-handling", "status"))
                .isEqualTo("on-file");
        assertThat(LedgerTest.<String>ofSlot(api, file, "manual-handling", "coveredThrough"))
                .isEqualTo(dated.plusMonths(12).toString());
        assertThat(LedgerTest.<String>ofSlot(api, file, "manual-handling", "nextStatus"))
                .isEqualTo("expiring");
        assertThat(LedgerTest.<String>ofSlot(api, file, "manual-handling", "nextChangeOn"))
                .isEqualTo(dated.plusMonths(12).minusDays(30).toString());
        List<List<Map<String, Object>>> papers = api.get("/api/files/{id}/ledger", file)
                .at("$.sections[*].slots[?(@.requirement=='manual-handling')].papers");
        assertThat(papers.get(0)).singleElement().extracting("counts").isEqualTo(true);
    }

    @Test
    void everyReasonIsASentence() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Reasons", null);
        UUID sentBack = api.fileNewPaper(file, "first-aid", TODAY.minusDays(3));
        api.post("/api/documents/{id}/send-back", Map.of("version", 1, "reason", "Page two is missing"), sentBack);
        api.fileNewPaper(file, "first-aid", TODAY.minusDays(2));
        UUID mistaken = api.fileNewPaper(file, "first-aid", TODAY.minusDays(1));
        api.post("/api/documents/{id}/entered-in-error", Map.of("version", 1, "reason", "Another person's"), mistaken);
        UUID expired = api.fileNewPaper(file, "first-aid", TODAY.minusYears(3));
        api.post("/api/documents/{id}/accept", Map.of("version", 1), expired);
        List<String> reasons = ofSlot(api, file, "first-aid", "reasons");
        assertThat(reasons)
                .hasSize(4)
                .anyMatch(r -> r.contains("was sent back on") && r.contains("“Page two is missing”"))
                .anyMatch(r -> r.contains("waits for review and counts once accepted"))
                .anyMatch(r -> r.contains("was marked as entered in error on"))
                .anyMatch(r -> r.matches("The first aid certificate of .* held until .*\\."))
                .allMatch(r -> r.startsWith("The first aid certificate of ") && r.endsWith("."));
        UUID contract = api.fileNewPaper(file, "contract", TODAY.minusDays(2));
        assertThat(contract).isNotNull();
        assertThat(LedgerTest.<List<String>>ofSlot(api, file, "contract", "reasons"))
                .singleElement()
                .asString()
                .contains("is not signed by employee and director");
    }

    @Test
    void papersThatFillNoSlotAndThoseEnteredInErrorStandApart() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Others", null);
        UUID letter = api.fileNewPaper(file, "letter", TODAY.minusDays(2));
        UUID mistaken = api.fileNewPaper(file, "handbook", TODAY.minusDays(2));
        api.post("/api/documents/{id}/entered-in-error", Map.of("version", 1, "reason", "Blank page"), mistaken);
        List<String> others = api.get("/api/files/{id}/ledger", file).at("$.otherPapers[*].id");
        assertThat(others).containsExactlyInAnyOrder(letter.toString(), mistaken.toString());
        assertThat(api.slot(file, "handbook")).isEqualTo("missing");
    }

    @Test
    void aWaiverSaysWhoWhyAndUntilWhen() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Waived", null);
        Map<String, Object> waiver = new HashMap<>(Map.of(
                "checklist",
                "employees",
                "requirement",
                "contract",
                "reason",
                "Signed on paper, on its way",
                "to",
                TODAY.plusDays(20).toString()));
        assertThat(api.post("/api/files/{id}/waivers", waiver, file).status()).isEqualTo(204);
        assertThat(LedgerTest.<String>ofSlot(api, file, "contract", "status")).isEqualTo("waived");
        assertThat(LedgerTest.<String>ofSlot(api, file, "contract", "coveredThrough"))
                .isEqualTo(TODAY.plusDays(20).toString());
        assertThat(LedgerTest.<List<String>>ofSlot(api, file, "contract", "reasons")
                        .get(0))
                .isEqualTo("Waived by Ottilie Brandmoor: Signed on paper, on its way");
        waiver.put("to", TODAY.minusDays(1).toString());
        assertThat(api.post("/api/files/{id}/waivers", waiver, file).<String>at("$.problems[0].field"))
                .isEqualTo("to");
        waiver.put("requirement", "juggling");
        waiver.remove("to");
        assertThat(api.post("/api/files/{id}/waivers", waiver, file).status()).isEqualTo(422);
    }

    @Test
    void theBoardAgreesWithTheLedger() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newFile("client", "Tabled", null, "Stables");
        for (String type :
                List.of("direct-debit", "ownership", "horse-passport", "flu-vaccination", "vet-authorisation")) {
            api.fileNewPaper(file, type, TODAY.minusDays(3));
        }
        Api.Answer ledger = api.get("/api/files/{id}/ledger", file);
        Api.Answer board = api.get("/api/board?text=tabled&checklist=clients");
        assertThat(board.<Integer>at("$.rows[0].openSlots"))
                .isEqualTo(ledger.<Integer>at("$.openSlots"))
                .isEqualTo(3);
        assertThat(board.<Boolean>at("$.rows[0].clear")).isFalse();
        Map<String, String> letters = board.at("$.letters");
        List<String> cells = board.<String>at("$.rows[0].cells")
                .chars()
                .mapToObj(letter -> letters.get(String.valueOf((char) letter)))
                .filter(status -> !status.equals("not-applicable"))
                .toList();
        List<String> slots = ledger.at("$.sections[*].slots[*].status");
        assertThat(cells).containsExactlyInAnyOrderElementsOf(slots);
        assertThat(api.get("/api/board?text=tabled&kind=employee").<List<String>>at("$.rows[*].id"))
                .doesNotContain(file.toString());
    }

    @Test
    void aNewcomersSlotsFollowAgeAndFacts() throws Exception {
        Api api = practice.administrator();
        Map<String, Object> child = Map.of(
                "kind", "student", "birthDate", TODAY.minusYears(12).toString(), "facts", Map.of("group", "trek"));
        List<String> asked = api.post("/api/coverage/newcomer", child).at("$[*].label");
        assertThat(asked).contains("Guardian consent", "Swimming proof");
        Map<String, Object> adult = Map.of(
                "kind", "student", "birthDate", TODAY.minusYears(30).toString(), "facts", Map.of("group", "Monday"));
        List<String> grown = api.post("/api/coverage/newcomer", adult).at("$[*].label");
        assertThat(grown).doesNotContain("Guardian consent", "Swimming proof").contains("Fees agreement");
    }
}
