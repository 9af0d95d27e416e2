package app.denfold.server;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.coverage.slots.RecomputeSlots;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.annotation.Import;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Set-up of types and checklists: checked, told in its effect, saved as a whole, in force from its day. */
@ServerTest
@Import(SetUpTest.OwnServer.class)
class SetUpTest {

    /** Rules are changed here, so these tests have a server to themselves. */
    static class OwnServer {}

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    @Autowired
    RecomputeSlots recompute;

    @Autowired
    JdbcClient jdbc;

    private Api api;

    @BeforeEach
    void signIn() throws Exception {
        api = practice.administrator();
    }

    // --- what tests of rules do ---

    static Map<String, Object> checklist(Api api, String code) throws Exception {
        List<Map<String, Object>> found = api.get("/api/set-up/checklists").at("$[?(@.code=='" + code + "')]");
        return found.get(0);
    }

    @SuppressWarnings("unchecked")
    static Map<String, Object> definition(Map<String, Object> list) {
        List<Map<String, Object>> versions = (List<Map<String, Object>>) list.get("versions");
        return (Map<String, Object>) versions.get(versions.size() - 1).get("definition");
    }

    @SuppressWarnings("unchecked")
    static Map<String, Object> requirement(Map<String, Object> definition, String code) {
        return ((List<Map<String, Object>>) definition.get("requirements"))
                .stream().filter(r -> r.get("code").equals(code)).findFirst().orElseThrow();
    }

    static Api.Answer save(Api api, Map<String, Object> list, Map<String, Object> definition, LocalDate from)
            throws Exception {
        return api.send(
                HttpMethod.PUT, "/api/set-up/checklists/{code}", details(list, definition, from), list.get("code"));
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> details(
            Map<String, Object> list, Map<String, Object> definition, LocalDate from) {
        List<Map<String, Object>> versions = (List<Map<String, Object>>) list.get("versions");
        Map<String, Object> body = new HashMap<>(Map.of(
                "version", list.get("version"),
                "label", list.get("label"),
                "definition", definition,
                "labels", versions.get(versions.size() - 1).get("labels")));
        if (from != null) {
            body.put("fromDay", from.toString());
        }
        return body;
    }

    private void waitUntilComputed() {
        await().until(() -> recompute.countOutdated() == 0);
    }

    @SuppressWarnings("unchecked")
    private static void add(Map<String, Object> definition, Map<String, Object> requirement) {
        List<Object> all = new ArrayList<>((List<Object>) definition.get("requirements"));
        all.add(requirement);
        definition.put("requirements", all);
    }

    private UUID rider(String family) throws Exception {
        return api.newFile("student", family, null, "Riding school");
    }

    // --- tests ---

    @Test
    void aNewRequirementIsToldInItsEffectAndThenStandsInTheFiles() throws Exception {
        UUID rider = rider("Effected");
        for (String type : List.of("enrolment", "risk-acknowledgement", "contact-sheet")) {
            api.fileNewPaper(rider, type, TODAY.minusDays(3));
        }
        Map<String, Object> list = checklist(api, "students");
        Map<String, Object> definition = definition(list);
        add(definition, Map.of("code", "photo", "evidence", Map.of("type", "photo-consent")));
        Map<String, Object> body = details(list, definition, TODAY);
        body.put("labels", Map.of("photo", "Photo consent"));

        Api.Answer effect = api.post("/api/set-up/checklists/students/effect", body);
        assertThat(effect.status()).as(effect.body()).isEqualTo(200);
        assertThat(effect.<Integer>at("$.touched")).isPositive();
        assertThat(api.slot(rider, "photo")).as("nothing is saved yet").isEqualTo("not-applicable");

        assertThat(api.send(HttpMethod.PUT, "/api/set-up/checklists/students", body)
                        .status())
                .isEqualTo(204);
        waitUntilComputed();
        assertThat(api.slot(rider, "photo")).isEqualTo("missing");
        assertThat(api.get("/api/board?text=effected&checklist=students").<List<String>>at("$.columns[*].label"))
                .contains("Photo consent");
        assertThat(api.get("/api/jobs").<List<String>>at("$[*].title"))
                .anyMatch(title -> title.contains("the checklist Students"));
    }

    @Test
    void whoWouldNoLongerBeClearAndWhoWouldBecomeClearIsListed() throws Exception {
        UUID owner = api.newFile("client", "Losing", null, "Stables");
        Map<String, Object> list = checklist(api, "clients");
        Map<String, Object> definition = definition(list);
        Map<String, Object> none = new HashMap<>(definition);
        none.put("requirements", List.of());
        assertThat(api.post("/api/set-up/checklists/clients/effect", details(list, none, TODAY))
                        .<List<String>>at("$.becomeClear[*].id"))
                .contains(owner.toString());
        assertThat(save(api, list, none, TODAY).status()).isEqualTo(204);
        waitUntilComputed();
        Map<String, Object> saved = checklist(api, "clients");
        Api.Answer back = api.post("/api/set-up/checklists/clients/effect", details(saved, definition, TODAY));
        assertThat(back.<List<String>>at("$.noLongerClear[?(@.id=='" + owner + "')].slots[*]"))
                .contains("Proof of ownership: not applicable → missing");
        assertThat(save(api, saved, definition, TODAY).status()).isEqualTo(204);
        waitUntilComputed();
    }

    @Test
    void aVersionAheadChangesNothingToday() throws Exception {
        UUID patient = api.newFile("patient", "Ahead", null, "Therapy");
        Map<String, Object> list = checklist(api, "patients");
        Map<String, Object> definition = definition(list);
        add(definition, Map.of("code", "letter", "evidence", Map.of("type", "letter")));
        assertThat(save(api, list, definition, TODAY.plusDays(10)).status()).isEqualTo(204);
        waitUntilComputed();
        assertThat(api.slot(patient, "letter")).isEqualTo("not-applicable");
        List<String> then = api.get("/api/files/{id}/ledger?asOf={day}", patient, TODAY.plusDays(10))
                .at("$.sections[*].slots[?(@.requirement=='letter')].status");
        assertThat(then).containsExactly("missing");
        List<Object> versions = api.get("/api/set-up/checklists").at("$[?(@.code=='patients')].versions[*]");
        assertThat(versions).hasSize(2);
    }

    @Test
    void somethingWrongInAChecklistIsToldAtItsPlaceAndNothingIsSaved() throws Exception {
        refused("/requirements/0/evidence/type", Map.of("code", "x", "evidence", Map.of("type", "no-such-type")));
        refused(
                "/requirements/0/appliesWhen/fact",
                Map.of(
                        "code", "x",
                        "appliesWhen", Map.of("fact", "shoeSize", "is", 42),
                        "evidence", Map.of("type", "letter")));
        refused(
                "/requirements/0/appliesWhen/is",
                Map.of(
                        "code", "x",
                        "appliesWhen", Map.of("fact", "role", "is", "astronaut"),
                        "evidence", Map.of("type", "letter")));
        refused(
                "/requirements/0/evidence/points",
                Map.of(
                        "code",
                        "x",
                        "evidence",
                        Map.of("points", 100, "of", List.of(Map.of("type", "letter", "points", 10, "atMost", 2)))));
        refused("/requirements/0/evidence/anyOf", Map.of("code", "x", "evidence", Map.of("anyOf", List.of())));
        refused(
                "/requirements/0/evidence/within",
                Map.of("code", "x", "evidence", Map.of("type", "letter", "within", "P0D")));
    }

    private void refused(String place, Map<String, Object> requirement) throws Exception {
        Map<String, Object> body = Map.of(
                "version",
                0,
                "label",
                "Wrong",
                "labels",
                Map.of(),
                "definition",
                Map.of("code", "wrong", "requirements", List.of(requirement)));
        Api.Answer answer = api.send(HttpMethod.PUT, "/api/set-up/checklists/wrong", body);
        assertThat(answer.status()).as(answer.body()).isEqualTo(422);
        assertThat(answer.<List<String>>at("$.problems[*].field")).containsExactly("definition" + place);
        assertThat(api.post("/api/set-up/checklists/wrong/effect", body).status())
                .isEqualTo(422);
        assertThat(api.get("/api/set-up/checklists").<List<String>>at("$[*].code"))
                .doesNotContain("wrong");
    }

    @Test
    void aTypeIsSetUpWithAnExampleOfWhatItsRuleDoes() throws Exception {
        Map<String, Object> rule = Map.of("rule", "period", "period", "P2Y", "roundTo", "endOfMonth");
        assertThat(api.post(
                                "/api/set-up/document-types/example",
                                Map.of("label", "certificate", "validity", rule, "dated", "2024-11-05"))
                        .<String>at("$.words"))
                .isEqualTo("A certificate of 5 November 2024 would hold until 30 November 2026.");
        Api.Answer zero = api.post(
                "/api/set-up/document-types/example", Map.of("validity", Map.of("rule", "period", "period", "P0D")));
        assertThat(zero.status()).isEqualTo(422);
        assertThat(zero.<List<String>>at("$.problems[*].field")).containsExactly("validity/period");

        Map<String, Object> type = type("Lunging certificate", rule);
        assertThat(api.send(HttpMethod.PUT, "/api/set-up/document-types/lunging", type)
                        .status())
                .isEqualTo(204);
        assertThat(api.get("/api/document-types").<List<String>>at("$[?(@.code=='lunging')].label"))
                .containsExactly("Lunging certificate");
        assertThat(api.send(HttpMethod.PUT, "/api/set-up/document-types/lunging", type)
                        .<String>at("$.code"))
                .as("read before it was saved by another")
                .isEqualTo("changed-meanwhile");
        assertThat(api.send(HttpMethod.PUT, "/api/set-up/document-types/other", type)
                        .status())
                .as("two types of one name")
                .isEqualTo(422);
    }

    private static Map<String, Object> type(String label, Map<String, Object> rule) {
        return Map.of(
                "version",
                7,
                "label",
                label,
                "section",
                "safety",
                "validity",
                rule,
                "namingPattern",
                "{type}, {document date}",
                "signers",
                List.of(),
                "needsReview",
                true,
                "sensitive",
                false,
                "synonyms",
                List.of("lunge"));
    }

    @Test
    void aTypesNewRuleChangesWhatIsOnFile() throws Exception {
        UUID file = api.newEmployee("Retyped", null);
        api.fileNewPaper(file, "handbook", TODAY.minusDays(40));
        assertThat(api.slot(file, "handbook")).isEqualTo("on-file");
        List<Map<String, Object>> found = api.get("/api/set-up/document-types").at("$[?(@.code=='handbook')]");
        Map<String, Object> type = new HashMap<>(found.get(0));
        type.remove("code");
        type.put("validity", Map.of("rule", "period", "period", "P1M"));
        Api.Answer effect = api.post("/api/set-up/document-types/handbook/effect", type);
        assertThat(effect.<Integer>at("$.touched")).as(effect.body()).isPositive();
        assertThat(api.send(HttpMethod.PUT, "/api/set-up/document-types/handbook", type)
                        .status())
                .isEqualTo(204);
        waitUntilComputed();
        assertThat(api.slot(file, "handbook")).isEqualTo("lapsed");
    }

    @Test
    void rulesGoOutAndComeInAsTheOpenJson() throws Exception {
        String json = api.get("/api/set-up/rules").body();
        Api.Answer same = api.post("/api/set-up/rules", Map.of("json", json));
        assertThat(same.<List<String>>at("$.lines[*].outcome")).isNotEmpty().containsOnly("same");
        String more = """
                {"documentTypes": [{"code": "saddle-fit", "validity": {"rule": "period", "period": "P1Y"}}],
                 "checklists": [{"code": "saddles", "appliesWhen": {"fact": "kind", "is": "client"},
                   "requirements": [{"code": "fit", "evidence": {"type": "saddle-fit"}, "level": "advisory"}]}]}""";
        assertThat(api.post("/api/set-up/rules", Map.of("json", more)).<List<String>>at("$.lines[*].outcome"))
                .containsExactly("new", "new");
        assertThat(api.get("/api/document-types").<List<String>>at("$[*].code")).doesNotContain("saddle-fit");
        assertThat(api.post("/api/set-up/rules?apply=true", Map.of("json", more))
                        .<Boolean>at("$.applied"))
                .isTrue();
        assertThat(api.get("/api/document-types").<List<String>>at("$[?(@.code=='saddle-fit')].label"))
                .containsExactly("Saddle fit");
        Api.Answer broken = api.post("/api/set-up/rules?apply=true", Map.of("json", more.replace("P1Y", "P0Y")));
        assertThat(broken.<List<String>>at("$.problems[*].field"))
                .containsExactly("json/documentTypes/0/validity/period");
    }

    /** What is in force today goes out, and what is saved for later stays when rules come in. */
    @Test
    void laterVersionsNeitherGoOutNorGetLost() throws Exception {
        String code = "later-" + UUID.randomUUID().toString().substring(0, 6);
        String made = """
                {"checklists": [{"code": "%s", "appliesWhen": {"fact": "kind", "is": "client"},
                   "requirements": [{"code": "fit", "evidence": {"type": "letter"}, "graceDays": %d}]}]}""";
        api.post("/api/set-up/rules?apply=true", Map.of("json", made.formatted(code, 3)));
        Map<String, Object> list = checklist(api, code);
        Map<String, Object> definition = definition(list);
        requirement(definition, "fit").put("graceDays", 90);
        assertThat(save(api, list, definition, TODAY.plusDays(40)).status()).isEqualTo(204);

        assertThat(api.get("/api/set-up/rules")
                        .<List<Integer>>at("$.checklists[?(@.code=='" + code + "')].requirements[0].graceDays"))
                .containsExactly(3);
        assertThat(api.post("/api/set-up/rules?apply=true", Map.of("json", made.formatted(code, 5)))
                        .<Boolean>at("$.applied"))
                .isTrue();
        assertThat(api.get("/api/set-up/rules")
                        .<List<Integer>>at("$.checklists[?(@.code=='" + code + "')].requirements[0].graceDays"))
                .containsExactly(5);
        Map<String, Object> kept = checklist(api, code);
        assertThat((List<?>) kept.get("versions")).hasSizeGreaterThanOrEqualTo(2);
        assertThat(requirement(definition(kept), "fit")).containsEntry("graceDays", 90);
    }

    @Test
    void anotherOrderLeavesATrailAndALabelRecomputesNothing() throws Exception {
        List<String> codes = api.get("/api/set-up/checklists").at("$[*].code");
        List<String> turned = new ArrayList<>(codes);
        Collections.reverse(turned);
        assertThat(api.send(HttpMethod.PUT, "/api/set-up/checklists", turned).status())
                .isEqualTo(204);
        assertThat(jdbc.sql("select sentence from audit_event order by seq desc limit 1")
                        .query(String.class)
                        .single())
                .contains("order");
        waitUntilComputed();
        api.send(HttpMethod.PUT, "/api/set-up/checklists", codes);
        waitUntilComputed();
        rider("Labelled");

        Object computed = revisionsOfFiles();
        Map<String, Object> list = checklist(api, "students");
        List<?> versions = (List<?>) list.get("versions");
        Map<String, Object> body = details(list, definition(list), null);
        body.put("fromDay", ((Map<?, ?>) versions.get(versions.size() - 1)).get("from"));
        body.put("label", "Riding students");
        assertThat(api.send(HttpMethod.PUT, "/api/set-up/checklists/students", body)
                        .status())
                .isEqualTo(204);
        assertThat(recompute.countOutdated()).isZero();
        assertThat(revisionsOfFiles()).isEqualTo(computed);
        body.put("label", list.get("label"));
        body.put("version", checklist(api, "students").get("version"));
        api.send(HttpMethod.PUT, "/api/set-up/checklists/students", body);
    }

    private Object revisionsOfFiles() {
        return jdbc.sql("select rules_revision, count(*) from file_standing group by 1 order by 1")
                .query()
                .listOfRows();
    }

    @Test
    void sectionsAreRenamedOrderedAndRemovedOnlyWhenEmpty() throws Exception {
        List<Map<String, Object>> sections = api.get("/api/set-up/sections").at("$[*]");
        List<Map<String, Object>> wanted = new ArrayList<>();
        sections.forEach(s ->
                wanted.add(Map.of("code", s.get("code"), "label", s.get("label"), "sensitive", s.get("sensitive"))));
        wanted.add(0, Map.of("label", "Tack", "sensitive", true));
        assertThat(api.send(HttpMethod.PUT, "/api/set-up/sections", wanted).status())
                .isEqualTo(204);
        assertThat(api.get("/api/set-up/sections").<String>at("$[0].label")).isEqualTo("Tack");
        assertThat(api.get("/api/set-up/sections").<Boolean>at("$[0].sensitive"))
                .isTrue();
        wanted.remove(0);
        assertThat(api.send(HttpMethod.PUT, "/api/set-up/sections", wanted).status())
                .isEqualTo(204);
        wanted.removeIf(s -> s.get("code").equals("safety"));
        Api.Answer used = api.send(HttpMethod.PUT, "/api/set-up/sections", wanted);
        assertThat(used.<String>at("$.code")).isEqualTo("section-used");
        assertThat(api.get("/api/set-up/sections").<List<String>>at("$[*].code"))
                .contains("safety");
    }

    @Test
    void onlyAdministratorsSetUp() throws Exception {
        Api colleague = practice.colleague(null, true, true);
        for (String path : List.of("checklists", "document-types", "sections", "rules", "kinds")) {
            assertThat(colleague.get("/api/set-up/" + path).status()).as(path).isEqualTo(403);
        }
    }
}
