package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.coverage.slots.RecomputeSlots;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.core.simple.JdbcClient;

/** From the paper that comes in to the slot that it fills, and all that can be wrong on the way. */
@ServerTest
class FilingTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    @Autowired
    JdbcClient jdbc;

    @Autowired
    RecomputeSlots recompute;

    @Test
    void aFiledPaperFillsItsSlotAsThePreviewSaid() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Previewed", null);
        UUID arrival = api.upload("/api/arrivals", "scan.pdf", Papers.pdf("First aid"), Map.of())
                .id("$.id");
        Api.Answer preview =
                api.post("/api/arrivals/{id}/preview", Api.details(file, "first-aid", TODAY.minusDays(10)), arrival);
        assertThat(preview.<String>at("$.name"))
                .isEqualTo("First aid certificate, " + TODAY.minusDays(10) + ", Previewed T, to review");
        assertThat(preview.<String>at("$.slots[0].before.status")).isEqualTo("missing");
        assertThat(preview.<String>at("$.slots[0].after.status")).isEqualTo("in-review");
        assertThat(preview.<String>at("$.slots[0].accepted.status")).isEqualTo("on-file");

        UUID document =
                api.file(arrival, file, "first-aid", TODAY.minusDays(10)).id("$.documentId");
        assertThat(api.slot(file, "first-aid")).isEqualTo("in-review");
        assertThat(api.post("/api/documents/{id}/accept", Map.of("version", 1), document)
                        .status())
                .isEqualTo(204);
        assertThat(api.slot(file, "first-aid")).isEqualTo("on-file");
        assertThat(api.get("/api/documents/{id}", document).<String>at("$.name"))
                .doesNotContain("to review");
        assertThat(api.post(
                                "/api/documents/{id}/entered-in-error",
                                Map.of("version", 1, "reason", "Wrong person"),
                                document)
                        .status())
                .isEqualTo(204);
        assertThat(api.slot(file, "first-aid")).isEqualTo("missing");
        List<String> trail = api.get("/api/files/{id}/trail", file).at("$[*].action");
        assertThat(trail).containsSubsequence("entered-in-error", "accepted", "filed", "file-opened");
    }

    @Test
    void aPaperThatIsSeveralThingsFillsTheSlotOfEach() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Severally", null);
        UUID arrival = api.upload("/api/arrivals", "licence.pdf", Papers.pdf("Licence, letter"), Map.of())
                .id("$.id");
        Map<String, Object> details = new HashMap<>(Api.details(file, "handbook", TODAY.minusDays(10)));
        details.put("furtherTypes", List.of("first-aid", "handbook", "first-aid"));
        details.put("fields", Map.of("Certificate number", "F-118"));
        Api.Answer preview = api.post("/api/arrivals/{id}/preview", details, arrival);
        assertThat(preview.<List<String>>at("$.slots[*].after.status"))
                .containsExactlyInAnyOrder("on-file", "in-review");
        UUID document = api.post("/api/arrivals/{id}/filing", Map.of("version", 0, "details", details), arrival)
                .id("$.documentId");
        assertThat(api.slot(file, "handbook")).isEqualTo("on-file");
        assertThat(api.slot(file, "first-aid")).isEqualTo("in-review");
        Api.Answer filed = api.get("/api/documents/{id}", document);
        assertThat(filed.<List<String>>at("$.furtherTypes[*].label")).containsExactly("First aid certificate");
        assertThat(filed.<String>at("$.name")).startsWith("Handbook receipt").endsWith("to review");
        // stored slots agree, read for many files at once
        recompute.rebuildAll();
        assertThat(jdbc.sql("select count(*) from slot where file_id = ? and status in ('ON_FILE', 'IN_REVIEW')")
                        .param(file)
                        .query(Long.class)
                        .single())
                .isEqualTo(2);
        api.post("/api/documents/{id}/accept", Map.of("version", 1), document);
        assertThat(api.slot(file, "first-aid")).isEqualTo("on-file");
    }

    @Test
    void oneSensitiveTypeOfSeveralHidesThePaperAndAWrongOneIsToldAtItsField() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Guarded", null);
        UUID arrival =
                api.upload("/api/arrivals", "a.pdf", Papers.pdf("a"), Map.of()).id("$.id");
        Map<String, Object> details = new HashMap<>(Api.details(file, "handbook", TODAY.minusDays(10)));
        details.put("furtherTypes", List.of("tetanus"));
        Api groom = practice.colleague(null, false, true);
        refuses(groom, arrival, details, "furtherTypes", "does not handle");
        UUID document = api.post("/api/arrivals/{id}/filing", Map.of("version", 0, "details", details), arrival)
                .id("$.documentId");
        assertThat(groom.get("/api/documents/{id}", document).status()).isEqualTo(404);
        assertThat(groom.get("/api/files/{id}/ledger", file).body()).doesNotContain(document.toString());
        assertThat(groom.get("/api/files/{id}/trail", file).body()).doesNotContain(document.toString());
        assertThat(groom.get("/api/today", file).body()).doesNotContain(document.toString());
    }

    @Test
    void daysThatCannotBeAreToldAtTheirField() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Days", null);
        UUID arrival =
                api.upload("/api/arrivals", "a.pdf", Papers.pdf("a"), Map.of()).id("$.id");
        refuses(
                api,
                arrival,
                details(file, "documentDate", TODAY.plusDays(1).toString()),
                "documentDate",
                "after today");
        refuses(api, arrival, details(file, "documentDate", "1831-05-01"), "documentDate", "1831");
        refuses(api, arrival, details(file, "documentDate", "2026-02-30"), "details.documentDate", "cannot be read");
        Map<String, Object> early =
                details(file, "statedExpiry", TODAY.minusDays(40).toString());
        refuses(api, arrival, early, "statedExpiry", "before it starts");
        Map<String, Object> nobody = details(file, "fileId", UUID.randomUUID().toString());
        assertThat(api.post("/api/arrivals/{id}/filing", Map.of("version", 0, "details", nobody), arrival)
                        .status())
                .isEqualTo(404);
        assertThat(api.file(arrival, file, "letter", TODAY).status()).isEqualTo(200);
    }

    private static Map<String, Object> details(UUID file, String field, String value) {
        Map<String, Object> details = new java.util.HashMap<>(Api.details(file, "letter", TODAY.minusDays(30)));
        details.put(field, value);
        return details;
    }

    private static void refuses(Api api, UUID arrival, Map<String, Object> details, String field, String words)
            throws Exception {
        Api.Answer answer = api.post("/api/arrivals/{id}/filing", Map.of("version", 0, "details", details), arrival);
        assertThat(answer.status()).isEqualTo(422);
        assertThat(answer.<String>at("$.problems[0].field")).isEqualTo(field);
        assertThat(answer.<String>at("$.problems[0].message")).contains(words);
    }

    @Test
    void badFilesAreRefusedOrSetAsideAndNothingIsLost() throws Exception {
        Api api = practice.administrator();
        Api.Answer wrongName = api.upload("/api/arrivals", "contract.pdf", Papers.png(), Map.of());
        assertThat(wrongName.status()).isEqualTo(422);
        assertThat(wrongName.<String>at("$.problems[0].message")).contains("not what its name says");
        assertThat(api.upload("/api/arrivals", "e.pdf", new byte[0], Map.of()).<String>at("$.detail"))
                .contains("empty");
        UUID locked = api.upload("/api/arrivals", "locked.pdf", Papers.lockedPdf(), Map.of())
                .id("$.id");
        UUID broken = api.upload(
                        "/api/arrivals",
                        "broken.pdf",
                        "%PDF-1.4 and no more".getBytes(StandardCharsets.UTF_8),
                        Map.of())
                .id("$.id");
        Api.Answer list = api.get("/api/arrivals");
        for (UUID id : List.of(locked, broken)) {
            assertThat(list.<List<String>>at("$[?(@.id=='" + id + "')].state")).containsExactly("SET_ASIDE");
            assertThat(api.post("/api/arrivals/{id}/take-up", null, id).status())
                    .isEqualTo(409);
            assertThat(api.get("/api/arrivals/{id}/content", id).bytes()).isNotEmpty();
        }
        assertThat(api.file(locked, api.newEmployee("Locked", null), "letter", TODAY)
                        .status())
                .isEqualTo(409);
    }

    @Test
    void twoPeopleNeverFileTheSamePaperTwiceAndAFilingCanBeUndone() throws Exception {
        Api one = practice.administrator();
        Api two = practice.administrator();
        UUID file = one.newEmployee("Undone", null);
        UUID arrival = one.upload("/api/arrivals", "a.pdf", Papers.pdf("twice"), Map.of())
                .id("$.id");
        assertThat(one.file(arrival, file, "handbook", TODAY).status()).isEqualTo(200);
        assertThat(two.file(arrival, file, "handbook", TODAY).<String>at("$.detail"))
                .contains("filed meanwhile");
        assertThat(one.slot(file, "handbook")).isEqualTo("on-file");
        assertThat(one.post("/api/arrivals/undo-filing", Map.of("papers", List.of(arrival)))
                        .status())
                .isEqualTo(204);
        assertThat(one.slot(file, "handbook")).isEqualTo("missing");
        assertThat(one.get("/api/arrivals").<List<String>>at("$[?(@.id=='" + arrival + "')].state"))
                .containsExactly("WAITING");
    }

    @Test
    void aPersonTwiceIsAskedAbout() throws Exception {
        Api api = practice.administrator();
        Map<String, Object> person = Map.of(
                "kind",
                "client",
                "givenName",
                "Kofi",
                "familyName",
                "Twice",
                "birthDate",
                "1990-05-05",
                "facts",
                Map.of());
        assertThat(api.post("/api/files", Map.of("person", person, "evenIfLike", false))
                        .status())
                .isEqualTo(201);
        Api.Answer again = api.post("/api/files", Map.of("person", person, "evenIfLike", false));
        assertThat(again.status()).isEqualTo(409);
        assertThat(again.<String>at("$.code")).isEqualTo("person-exists");
        assertThat(api.post("/api/files", Map.of("person", person, "evenIfLike", true))
                        .status())
                .isEqualTo(201);
    }

    @Test
    void peopleAreFoundByAnyPartAndWithATypingError() throws Exception {
        Api api = practice.administrator();
        UUID id = api.newFile("client", "Trélissac-Øst", null, "Stables");
        String number = api.get("/api/files/{id}", id).at("$.number");
        for (String text : List.of(
                "trelissac",
                "ost",
                "TRÉLI",
                number,
                number.substring(2),
                "1994-03-09",
                "trelisac",
                "tamsin trelissac")) {
            assertThat(api.get("/api/files/found?text={t}&most=50", text).<List<String>>at("$[*].id"))
                    .as(text)
                    .contains(id.toString());
        }
        assertThat(api.get("/api/files/found?text={t}", "%_!").<List<String>>at("$[*].id"))
                .isEmpty();
    }

    @Test
    void rightsNarrowWhatIsSeen() throws Exception {
        Api admin = practice.administrator();
        UUID own = admin.newFile("employee", "Ownteam", null, "Riding school");
        UUID other = admin.newFile("employee", "Otherteam", null, "Office");
        UUID secret = admin.fileNewPaper(own, "tetanus", TODAY.minusDays(3));
        Api instructor = practice.colleague("Riding school", false, true);
        assertThat(instructor.get("/api/files/{id}", own).status()).isEqualTo(200);
        assertThat(instructor.get("/api/files/{id}", other).status()).isEqualTo(404);
        assertThat(instructor.get("/api/board?text=otherteam").<List<String>>at("$.rows[*].id"))
                .isEmpty();
        assertThat(instructor.get("/api/documents/{id}", secret).status()).isEqualTo(404);
        assertThat(instructor.slot(own, "tetanus")).isEqualTo("not-applicable");
        assertThat(instructor.get("/api/document-types").<List<String>>at("$[*].code"))
                .doesNotContain("tetanus");
        Api auditor = practice.colleague(null, true, false);
        assertThat(auditor.get("/api/files/{id}", other).status()).isEqualTo(200);
        assertThat(auditor.post("/api/documents/{id}/entered-in-error", Map.of("version", 1, "reason", "x"), secret)
                        .status())
                .isEqualTo(403);
        assertThat(auditor.upload("/api/arrivals", "a.pdf", Papers.pdf("a"), Map.of())
                        .status())
                .isEqualTo(403);
    }

    @Test
    void aChangedFactHoldsFromTodayAndALateSaverIsTold() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Facts", null);
        assertThat(api.slot(file, "instructor-licence")).isEqualTo("not-applicable");
        int version = api.get("/api/files/{id}", file).at("$.version");
        Map<String, Object> person = Map.of(
                "kind",
                "employee",
                "givenName",
                "Tamsin",
                "familyName",
                "Facts",
                "facts",
                Map.of("role", "instructor"));
        Map<String, Object> change = Map.of("version", version, "person", person);
        assertThat(api.send(HttpMethod.PUT, "/api/files/{id}", change, file).status())
                .isEqualTo(200);
        assertThat(api.slot(file, "instructor-licence")).isEqualTo("missing");
        assertThat(api.send(HttpMethod.PUT, "/api/files/{id}", change, file).<String>at("$.code"))
                .isEqualTo("changed-meanwhile");
    }
}
