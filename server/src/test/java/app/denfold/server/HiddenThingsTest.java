package app.denfold.server;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import com.jayway.jsonpath.JsonPath;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.http.HttpMethod;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/**
 * Whatever somebody may not know of stands in no answer of the API, whichever address is asked: rows, counts, names, mails,
 * lines of the trail and events. Every address that can be read is asked, also those that nobody thought of here.
 */
@ServerTest
class HiddenThingsTest {

    /** Words that stand in nothing but what is hidden. */
    private static final String MARK = "zebrafish";

    /** What the practice files at all is nobody's secret. */
    private static final Set<String> OF_THE_PRACTICE =
            Set.of("/api/openapi", "/api/document-types", "/api/letter-names");

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    @Autowired
    MockMvc mvc;

    @Autowired
    @Qualifier("requestMappingHandlerMapping")
    RequestMappingHandlerMapping mappings;

    /** A patient with papers of a sensitive type, in every state in which papers can be told of. */
    private record Patient(UUID file, UUID letter, List<UUID> papers, UUID guest, String number) {}

    private static void done(Api.Answer answer) {
        assertThat(answer.status()).as(answer.body()).isLessThan(300);
    }

    private Patient patient(Api api) throws Exception {
        String type = "hidden-" + UUID.randomUUID().toString().substring(0, 8);
        Map<String, Object> details = new HashMap<>(Map.of(
                "version",
                0,
                "label",
                "The " + MARK + " report " + type,
                "section",
                "health",
                "validity",
                Map.of("rule", "open"),
                "namingPattern",
                "{type}",
                "needsReview",
                false,
                "sensitive",
                true,
                "synonyms",
                List.of(),
                "signers",
                List.of(),
                "fields",
                List.of()));
        done(api.send(HttpMethod.PUT, "/api/set-up/document-types/{code}", details, type));
        UUID file =
                api.newFile("patient", "Hiddenly" + UUID.randomUUID().toString().substring(0, 6), null, "Therapy");
        UUID other = api.newFile("patient", "Elsewhere", null, "Therapy");
        UUID letter = api.fileNewPaper(file, "letter", TODAY.minusDays(2));
        List<UUID> papers = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            papers.add(api.fileNewPaper(file, type, TODAY.minusDays(3 + i)));
        }
        Api colleague = practice.colleague(null, true, true);
        UUID to = colleague.get("/api/session").id("$.id");
        for (UUID paper : papers) {
            done(api.post(
                    "/api/documents/{id}/comments",
                    Map.of("words", "The " + MARK + " is seen on page 1", "mentioned", List.of(to)),
                    paper));
        }
        done(api.post("/api/documents/{id}/hand-overs", Map.of("to", to, "note", MARK + " please"), papers.get(0)));
        done(api.post(
                "/api/documents/{id}/excerpts",
                Map.of("version", 1, "page", 1, "words", "about the " + MARK),
                papers.get(0)));
        String address = TestPractice.newAddress();
        UUID guest = api.post(
                        "/api/files/{id}/guests",
                        Map.of("name", "A Guest", "email", address, "relation", "guardian"),
                        file)
                .id("$.accountId");
        done(api.post("/api/documents/{id}/shares", Map.of("accountId", guest), papers.get(0)));
        done(api.upload(
                "/api/arrivals", MARK + ".pdf", Papers.pdf("Another " + MARK), Map.of("type", type, "fileId", file)));
        done(api.post("/api/documents/discard", Map.of("documents", List.of(papers.get(1), papers.get(2)))));
        done(api.post(
                "/api/documents/destroy",
                Map.of("documents", List.of(papers.get(2)), "reason", "the " + MARK + " was kept too long")));
        done(api.post("/api/documents/move", Map.of("documents", List.of(papers.get(3)), "fileId", other)));
        String number = api.get("/api/files/{id}", file).at("$.number");
        return new Patient(file, letter, papers, guest, number);
    }

    private void asksEveryAddress(Api viewer, Patient patient, String mark) throws Exception {
        List<String> asked = new ArrayList<>();
        List<String> told = new ArrayList<>();
        for (var mapping : mappings.getHandlerMethods().keySet()) {
            Set<RequestMethod> methods = mapping.getMethodsCondition().getMethods();
            if (!methods.isEmpty() && !methods.contains(RequestMethod.GET)) {
                continue;
            }
            for (String pattern : mapping.getPatternValues()) {
                if (pattern.startsWith("/api/")
                        && !OF_THE_PRACTICE.contains(pattern)
                        && !pattern.startsWith("/api/set-up")) {
                    for (UUID id : ids(pattern, patient)) {
                        String path = path(pattern, patient, id);
                        String body = viewer.get(path).body().toLowerCase(Locale.ROOT);
                        int at = body.indexOf(mark.toLowerCase(Locale.ROOT));
                        if (at >= 0) {
                            told.add(pattern + " for " + id + ": "
                                    + body.substring(Math.max(0, at - 300), Math.min(body.length(), at + 100)));
                        }
                        asked.add(path);
                    }
                }
            }
        }
        assertThat(told).isEmpty();
        assertThat(asked).hasSizeGreaterThan(60);
    }

    /** Everything that is asked by sending something: lists, counts, previews, and all that is refused. */
    private void sendsToEveryAddress(Api viewer, Patient patient) throws Exception {
        Set<String> asked = new HashSet<>();
        List<String> told = new ArrayList<>();
        for (var mapping : mappings.getHandlerMethods().keySet()) {
            if (!mapping.getMethodsCondition().getMethods().contains(RequestMethod.POST)) {
                continue;
            }
            for (String pattern : mapping.getPatternValues()) {
                if (pattern.startsWith("/api/") && !pattern.startsWith("/api/session")) {
                    for (UUID id : ids(pattern, patient)) {
                        Api.Answer answer = viewer.post(path(pattern, patient, id), anything(patient));
                        if (answer.status() == 500 || answer.body().contains(MARK)) {
                            told.add(pattern + " for " + id + ": " + answer.status() + " " + answer.body());
                        }
                        asked.add(pattern);
                    }
                }
            }
        }
        assertThat(told).as("told, or not answered in words").isEmpty();
        assertThat(asked).hasSizeGreaterThan(60).contains("/api/find", "/api/find/counts");
    }

    /** What any of the addresses may understand. */
    private static Map<String, Object> anything(Patient patient) {
        Map<String, Object> all = new HashMap<>();
        all.put("documents", patient.papers);
        all.put("ids", patient.papers);
        all.put("fileId", patient.file);
        all.put("files", List.of(patient.file));
        all.put("kept", patient.file);
        all.put("gone", patient.file);
        all.put("accountId", patient.guest);
        all.put("checklist", "patients");
        all.put("requirement", "neck-xray");
        all.put("person", "Hiddenly");
        all.put("reason", "asked");
        all.put("note", "asked");
        all.put("version", 1);
        return all;
    }

    private static List<UUID> ids(String pattern, Patient patient) {
        if (pattern.contains("/documents/{id}") || pattern.contains("{documentId}")) {
            List<UUID> all = new ArrayList<>(patient.papers);
            all.add(patient.letter);
            return all;
        }
        return List.of(patient.file);
    }

    private static String path(String pattern, Patient patient, UUID id) {
        String path = pattern.replace("{documentId}", id.toString())
                .replace("{id}", id.toString())
                .replace("{fileId}", patient.file.toString())
                .replace("{accountId}", patient.guest.toString())
                .replace("{checklist}", "patients")
                .replace("{requirement}", "neck-xray")
                .replaceAll("\\{[A-Za-z]+}", "1");
        return path + "?text=hidden&q=hidden&from=2026-01-01&to=2027-12-31&kept=" + patient.file + "&gone="
                + patient.file + "&documents=" + id + "&weeks=8&offset=0&limit=100&words=" + MARK;
    }

    @Test
    void whoSeesNoSensitivePapersReadsNothingOfThemAnywhere() throws Exception {
        Api api = practice.administrator();
        Patient patient = patient(api);
        Api reception = practice.colleague(null, false, true);
        assertThat(api.get("/api/files/{id}/trail", patient.file).body()).contains(MARK);
        asksEveryAddress(reception, patient, MARK);
        asksEveryAddress(practice.colleague(null, false, false), patient, MARK);
        sendsToEveryAddress(practice.colleague(null, false, false), patient);
        sendsToEveryAddress(reception, patient);
        await().untilAsserted(() -> assertThat(
                        api.post("/api/find", Map.of("words", MARK)).<List<Object>>at("$.papers"))
                .isNotEmpty());
        for (Map<String, ?> asked :
                List.of(Map.of("words", MARK), Map.of("name", MARK), Map.of("person", "Hiddenly"))) {
            assertThat(reception.post("/api/find", asked).body())
                    .as(asked.toString())
                    .doesNotContain(MARK);
            assertThat(reception.post("/api/find/counts", asked).body()).doesNotContain(MARK);
        }
    }

    @Test
    void whoBelongsToAnotherTeamReadsNothingOfTheFileAnywhere() throws Exception {
        Api api = practice.administrator();
        Patient patient = patient(api);
        Api stables = practice.colleague("Stables", true, true);
        asksEveryAddress(stables, patient, MARK);
        asksEveryAddress(stables, patient, patient.number);
    }

    @Test
    void theVerdictIsTheTruthForEverybodyAndHiddenSlotsAreOnlyCounted() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newFile("patient", "Halftruth", null, "Therapy");
        for (String type : List.of("privacy-notice", "contact-sheet", "letter")) {
            api.fileNewPaper(file, type, TODAY.minusDays(2));
        }
        Api reception = practice.colleague(null, false, true);
        Api.Answer all = api.get("/api/files/{id}/ledger", file);
        Api.Answer told = reception.get("/api/files/{id}/ledger", file);
        assertThat(told.<Boolean>at("$.clear"))
                .isEqualTo(all.<Boolean>at("$.clear"))
                .isFalse();
        int open = all.at("$.openSlots");
        int hidden = told.at("$.hiddenOpen");
        assertThat(hidden).isPositive();
        assertThat(told.<Integer>at("$.openSlots") + hidden).isEqualTo(open);
        Api.Answer row = reception.get("/api/board?text=halftruth");
        assertThat(row.<Boolean>at("$.rows[0].clear")).isFalse();
        assertThat(row.<Integer>at("$.rows[0].hiddenOpen")).isEqualTo(hidden);
        assertThat(row.<Integer>at("$.rows[0].openSlots")).isEqualTo(told.<Integer>at("$.openSlots"));
        Api.Answer past = reception.get("/api/board?text=halftruth&asOf=" + TODAY.minusDays(1));
        assertThat(past.<Boolean>at("$.rows[0].clear")).isFalse();
        assertThat(past.<Integer>at("$.rows[0].hiddenOpen")).isPositive();
        assertThat(reception.get("/api/board/counts?text=halftruth").<Integer>at("$.clear"))
                .isEqualTo(api.get("/api/board/counts?text=halftruth").<Integer>at("$.clear"))
                .isZero();
        assertThat(reception.get("/api/board/csv?text=halftruth").body())
                .contains(",no,,")
                .contains("," + hidden + ",");
        assertThat(reception.get("/api/board?text=halftruth&onlyOpen=true").<List<Object>>at("$.rows"))
                .hasSize(1);
    }

    @Test
    void openSlotsAreTheSameOnBoardListAndFileAlsoWithAdvisoryOnes() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Advisory", null);
        int ledger = api.get("/api/files/{id}/ledger", file).at("$.openSlots");
        int board = api.get("/api/board?text=advisory").at("$.rows[0].openSlots");
        assertThat(ledger).isEqualTo(board).isPositive();
    }

    @Test
    void aSensitiveFactIsForFewAndStaysWhenOthersChangeTheFile() throws Exception {
        Api api = practice.administrator();
        Map<String, Object> person = new HashMap<>(Map.of(
                "kind", "patient",
                "givenName", "Ilse",
                "familyName", "Factly",
                "facts", Map.of("diagnosisGroup", "neck instability", "therapist", "Zuri")));
        UUID file = api.post("/api/files", Map.of("person", person, "evenIfLike", true))
                .id("$.id");
        Api reception = practice.colleague(null, false, true);
        Api.Answer head = reception.get("/api/files/{id}", file);
        assertThat(head.body())
                .doesNotContain("neck instability", "diagnosisGroup")
                .contains("Zuri");
        assertThat(reception.get("/api/kinds").body()).doesNotContain("diagnosisGroup");
        api.fileNewPaper(file, "letter", TODAY);
        Map<String, ?> byFact = Map.of("facts", List.of(Map.of("name", "diagnosisGroup", "value", "neck")));
        await().untilAsserted(() -> assertThat(api.post("/api/find", byFact).<List<Object>>at("$.papers"))
                .isNotEmpty());
        assertThat(reception.post("/api/find", byFact).<List<Object>>at("$.papers"))
                .isEmpty();
        Map<String, Object> changed = new HashMap<>(person);
        changed.put("facts", Map.of("therapist", "Bram"));
        assertThat(reception
                        .send(
                                HttpMethod.PUT,
                                "/api/files/{id}",
                                Map.of("version", head.<Integer>at("$.version"), "person", changed),
                                file)
                        .status())
                .isEqualTo(200);
        assertThat(api.get("/api/files/{id}", file).<Map<String, String>>at("$.facts"))
                .containsEntry("diagnosisGroup", "neck instability")
                .containsEntry("therapist", "Bram");
        changed.put("facts", Map.of("diagnosisGroup", "balance and gait"));
        int version = reception.get("/api/files/{id}", file).at("$.version");
        assertThat(reception
                        .send(HttpMethod.PUT, "/api/files/{id}", Map.of("version", version, "person", changed), file)
                        .status())
                .isEqualTo(422);
    }

    @Test
    void othersTeamsCannotBeProbedThroughNewFilesOrFacts() throws Exception {
        Api api = practice.administrator();
        UUID known = api.newFile("employee", "Probed", null, "Office");
        String number = api.get("/api/files/{id}", known).at("$.number");
        Api stables = practice.colleague("Stables", true, true);
        Map<String, Object> same = new HashMap<>(Map.of(
                "kind", "employee",
                "givenName", "Tamsin",
                "familyName", "Probed",
                "birthDate", "1994-03-09",
                "team", "Stables",
                "facts", Map.of()));
        Api.Answer made = stables.post("/api/files", Map.of("person", same, "evenIfLike", false));
        assertThat(made.status()).isEqualTo(201);
        assertThat(made.body()).doesNotContain(number);
        same.put("facts", Map.of("supervisor", number));
        Api.Answer refused = stables.post("/api/files", Map.of("person", same, "evenIfLike", true));
        assertThat(refused.status()).isEqualTo(422);
        same.put("facts", Map.of("supervisor", "E-9999"));
        assertThat(JsonPath.<String>read(
                        stables.post("/api/files", Map.of("person", same, "evenIfLike", true))
                                .body(),
                        "$.detail"))
                .isEqualTo(refused.<String>at("$.detail").replace(number, "E-9999"));
    }

    @Test
    void whoMayOnlyLookSaysKeepsAndSharesNothing() throws Exception {
        Api api = practice.administrator();
        UUID paper = api.fileNewPaper(api.newEmployee("Lookedat", null), "letter", TODAY);
        Api auditor = practice.colleague(null, true, false);
        assertThat(auditor.post("/api/documents/{id}/comments", Map.of("words", "x", "mentioned", List.of()), paper)
                        .status())
                .isEqualTo(403);
        assertThat(auditor.post("/api/documents/{id}/excerpts", Map.of("version", 1, "page", 1, "words", "x"), paper)
                        .status())
                .isEqualTo(403);
        Map<String, Object> search =
                new HashMap<>(Map.of("name", "All letters", "criteria", Map.of("name", "letter"), "shared", true));
        assertThat(auditor.post("/api/saved-searches", search).status()).isEqualTo(403);
        search.put("shared", false);
        assertThat(auditor.post("/api/saved-searches", search).status()).isLessThan(300);
    }

    @Test
    void aRequirementThatCannotBeSeenCannotBeWaived() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newFile("patient", "Unwaived", null, "Therapy");
        Map<String, Object> waiver = Map.of("checklist", "patients", "requirement", "clearance", "reason", "no");
        assertThat(practice.colleague(null, false, true)
                        .post("/api/files/{id}/waivers", waiver, file)
                        .status())
                .isEqualTo(422);
        assertThat(api.post("/api/files/{id}/waivers", waiver, file).status()).isEqualTo(204);
    }
}
