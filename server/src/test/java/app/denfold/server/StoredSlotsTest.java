package app.denfold.server;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.rules.Document;
import app.denfold.server.access.Actor;
import app.denfold.server.coverage.slots.RecomputeSlots;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.GivenSignature;
import app.denfold.server.practice.PracticeCalendar;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.annotation.Import;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.core.simple.JdbcClient;

/**
 * Slots are a cache: whatever happens to two hundred people, in whatever order, over weeks of days, what is stored
 * equals what is computed afresh.
 */
@ServerTest
@Import(MovableClock.class)
class StoredSlotsTest {

    private static final List<String> TYPES = List.of(
            "first-aid",
            "contract",
            "manual-handling",
            "right-to-work",
            "reference",
            "handbook",
            "passport",
            "driving-licence",
            "tetanus",
            "minibus-licence",
            "safeguarding",
            "background-check");

    @Autowired
    TestPractice practice;

    @Autowired
    MovableClock clock;

    @Autowired
    PracticeCalendar calendar;

    @Autowired
    RecomputeSlots recompute;

    @Autowired
    Documents documents;

    @Autowired
    JdbcClient jdbc;

    private final Random random = new Random(20261125);
    private final List<UUID> files = new ArrayList<>();
    private final List<UUID> papers = new ArrayList<>();
    private Api api;

    @Test
    void storedSlotsEqualFreshlyComputedOnesAcrossDays() throws Exception {
        api = practice.administrator();
        for (int i = 0; i < 200; i++) {
            files.add(newPerson(i));
        }
        equalsFresh("after opening the files");
        for (int round = 0; round < 12; round++) {
            for (int i = 0; i < 40; i++) {
                change();
            }
            if (round % 4 == 1) {
                changeRules(round);
            }
            equalsFresh("after the changes of round " + round);
            clock.pass(1 + random.nextInt(60));
            recompute.roll();
            equalsFresh("after the days of round " + round);
        }
        assertThat(jdbc.sql("select count(distinct status) from slot")
                        .query(Integer.class)
                        .single())
                .as("statuses that occurred")
                .isGreaterThanOrEqualTo(9);
    }

    private UUID newPerson(int i) throws Exception {
        Map<String, Object> person = new HashMap<>(person("Stored" + i));
        person.put("activeFrom", day(-random.nextInt(900)).toString());
        return api.post("/api/files", Map.of("person", person, "evenIfLike", true))
                .id("$.id");
    }

    private Map<String, Object> person(String family) {
        return Map.of(
                "kind",
                "employee",
                "givenName",
                "Tamsin",
                "familyName",
                family,
                "team",
                "Stables",
                "birthDate",
                "1990-02-28",
                "facts",
                facts());
    }

    private Map<String, String> facts() {
        return Map.of(
                "role", random.nextBoolean() ? "instructor" : "groom",
                "drivesMinibus", random.nextBoolean() ? "yes" : "no",
                "worksWithChildren", random.nextBoolean() ? "yes" : "no");
    }

    private LocalDate day(int from) {
        return calendar.today().plusDays(from);
    }

    private <T> T some(List<T> list) {
        return list.get(random.nextInt(list.size()));
    }

    private void change() throws Exception {
        switch (papers.isEmpty() ? 0 : random.nextInt(9)) {
            case 0, 1, 2 -> file();
            case 3 -> api.post("/api/documents/{id}/accept", Map.of("version", 1), some(papers));
            case 4 ->
                api.post(
                        "/api/documents/{id}/send-back",
                        Map.of("version", 1, "reason", "Page two is missing"),
                        some(papers));
            case 5 ->
                api.post(
                        "/api/documents/{id}/entered-in-error",
                        Map.of("version", 1, "reason", "Wrong person"),
                        some(papers));
            case 6 ->
                documents.sign(
                        some(papers),
                        new GivenSignature(random.nextBoolean() ? "employee" : "director", "Bram", day(0)),
                        Actor.system("Bram"),
                        "");
            case 7 -> waive();
            default -> changePerson();
        }
    }

    private void file() {
        String type = some(TYPES);
        LocalDate dated = day(-random.nextInt(1200));
        boolean stated = random.nextBoolean();
        papers.add(documents
                .takeOver(
                        Actor.system("Ottilie Brandmoor"),
                        new app.denfold.server.documents.FilingDetails(
                                some(files), type, dated, null, stated ? dated.plusDays(random.nextInt(1500)) : null),
                        new Documents.Received(someContent(), day(0), "by a test"),
                        Documents.History.none())
                .id());
    }

    private String someContent() {
        return jdbc.sql("select sha256 from content limit 1")
                .query(String.class)
                .optional()
                .orElseGet(this::newContent);
    }

    private String newContent() {
        try {
            api.upload("/api/arrivals", "paper.pdf", Papers.pdf("One for all"), Map.of());
        } catch (Exception impossible) {
            throw new IllegalStateException(impossible);
        }
        return jdbc.sql("select sha256 from content limit 1")
                .query(String.class)
                .single();
    }

    private void waive() throws Exception {
        Map<String, Object> waiver = new HashMap<>(Map.of(
                "checklist",
                "employees",
                "requirement",
                some(List.of("first-aid", "contract", "handbook", "identity")),
                "from",
                day(random.nextInt(40) - 10).toString(),
                "reason",
                "On leave"));
        if (random.nextBoolean()) {
            waiver.put("to", day(40 + random.nextInt(60)).toString());
        }
        assertThat(api.post("/api/files/{id}/waivers", waiver, some(files)).status())
                .isEqualTo(204);
    }

    private void changePerson() throws Exception {
        UUID file = some(files);
        Map<String, Object> person =
                new HashMap<>(person(api.get("/api/files/{id}", file).at("$.familyName")));
        if (random.nextInt(3) == 0) {
            LocalDate left = day(-20 - random.nextInt(300));
            person.put(
                    "spans",
                    List.of(
                            Map.of("from", left.minusDays(400).toString(), "to", left.toString()),
                            Map.of("from", left.plusDays(random.nextInt(60) + 1).toString())));
        }
        int version = api.get("/api/files/{id}", file).at("$.version");
        assertThat(api.send(HttpMethod.PUT, "/api/files/{id}", Map.of("version", version, "person", person), file)
                        .status())
                .isEqualTo(200);
    }

    private void changeRules(int round) throws Exception {
        Map<String, Object> list = SetUpTest.checklist(api, "employees");
        Map<String, Object> definition = SetUpTest.definition(list);
        SetUpTest.requirement(definition, "handbook").put("leadDays", 5 + round);
        SetUpTest.requirement(definition, "first-aid").put("graceDays", round);
        Api.Answer saved = SetUpTest.save(api, list, definition, round == 1 ? null : day(-3));
        assertThat(saved.status()).as(saved.body()).isEqualTo(204);
        await().until(() -> recompute.countOutdated() == 0);
    }

    private void equalsFresh(String when) {
        List<Map<String, Object>> slots = slots();
        List<Map<String, Object>> standings = standings();
        recompute.rebuildAll();
        assertThat(slots()).as(when).isEqualTo(slots);
        assertThat(standings()).as(when).isEqualTo(standings);
    }

    private List<Map<String, Object>> slots() {
        return jdbc.sql("""
                select file_id, checklist, requirement, place, blocking, status, since, covered_through, due, renewal,
                next_change_on, next_status, falls_on, falls_to from slot order by file_id, place
                """).query().listOfRows();
    }

    private List<Map<String, Object>> standings() {
        return jdbc.sql("select * from file_standing order by file_id").query().listOfRows();
    }

    /** What the rules read is what was stored. */
    @Test
    void documentsAreReadForTheRulesAsTheyAreStored() throws Exception {
        api = practice.administrator();
        UUID file = newPerson(999);
        UUID paper = api.fileNewPaper(file, "contract", day(-5));
        documents.sign(paper, new GivenSignature("employee", "Tamsin", day(0)), Actor.system("Tamsin"), "");
        List<Document> read = documents.forRules(List.of(file)).get(file);
        assertThat(read)
                .containsExactly(documents.ofFile(file).stream()
                        .map(d -> Document.dated(d.id().toString(), "contract", day(-5), day(0))
                                .signed(new Document.Signature("employee", day(0))))
                        .findFirst()
                        .orElseThrow());
    }
}
