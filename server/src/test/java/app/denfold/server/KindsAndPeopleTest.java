package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.annotation.Import;
import org.springframework.http.HttpMethod;

/** Set-up of kinds and facts, people from a list, spans and lines of supervision. */
@ServerTest
@Import(SetUpTest.OwnServer.class)
class KindsAndPeopleTest {

    @Autowired
    TestPractice practice;

    private Api api;

    @BeforeEach
    void signIn() throws Exception {
        api = practice.administrator();
    }

    @SuppressWarnings("unchecked")
    private Map<String, Object> kind(String code) throws Exception {
        List<Map<String, Object>> found = api.get("/api/set-up/kinds").at("$[?(@.code=='" + code + "')]");
        Map<String, Object> kind = new HashMap<>(found.get(0));
        kind.remove("code");
        kind.remove("files");
        kind.put("facts", new ArrayList<>((List<Object>) kind.get("facts")));
        return kind;
    }

    @SuppressWarnings("unchecked")
    private static List<Map<String, Object>> facts(Map<String, Object> kind) {
        return (List<Map<String, Object>>) kind.get("facts");
    }

    private Api.Answer save(String code, Map<String, Object> kind) throws Exception {
        return api.send(HttpMethod.PUT, "/api/set-up/kinds/{code}", kind, code);
    }

    private static Map<String, Object> fact(String name, String form, String... choices) {
        return Map.of(
                "name",
                name,
                "label",
                "Fact " + name,
                "form",
                form,
                "choices",
                List.of(choices),
                "key",
                false,
                "sensitive",
                false);
    }

    @Test
    void aFactIsAddedAndThenTyped() throws Exception {
        Map<String, Object> kind = kind("client");
        facts(kind).add(fact("stall", "CHOICE", "north", "south"));
        assertThat(save("client", kind).status()).isEqualTo(204);
        Map<String, Object> person = Map.of(
                "kind", "client", "givenName", "Kofi", "familyName", "Stalled", "facts", Map.of("stall", "north"));
        assertThat(api.post("/api/files", Map.of("person", person, "evenIfLike", true))
                        .status())
                .isEqualTo(201);
        Map<String, Object> less = kind("client");
        facts(less).removeIf(f -> f.get("name").equals("stall"));
        Api.Answer used = save("client", less);
        assertThat(used.<String>at("$.code")).isEqualTo("fact-used");
        assertThat(used.<String>at("$.detail")).contains("stands in 1 file");
        facts(less).add(fact("stall", "CHOICE", "south"));
        assertThat(save("client", less).<String>at("$.detail")).contains("“north”");
    }

    @Test
    void aFactThatAChecklistAsksForCannotBeTakenAway() throws Exception {
        Map<String, Object> kind = kind("student");
        facts(kind).removeIf(f -> f.get("name").equals("group"));
        Api.Answer refused = save("student", kind);
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.<String>at("$.detail")).contains("The checklist “Students” needs");
        assertThat(facts(kind("student"))).anyMatch(f -> f.get("name").equals("group"));
    }

    @Test
    void wrongFactsAreToldAtTheirPlace() throws Exception {
        Map<String, Object> kind = kind("client");
        int place = facts(kind).size();
        facts(kind).add(fact("two words", "TEXT"));
        assertThat(save("client", kind).<List<String>>at("$.problems[*].field"))
                .containsExactly("facts." + place + ".name");
        facts(kind).set(place, fact("empty", "CHOICE"));
        assertThat(save("client", kind).<List<String>>at("$.problems[*].field"))
                .containsExactly("facts." + place + ".choices");
    }

    @Test
    void aNewKindGetsItsOwnNumbers() throws Exception {
        Map<String, Object> kind = new HashMap<>(Map.of(
                "version",
                0,
                "label",
                "Volunteer",
                "plural",
                "Volunteers",
                "numberPrefix",
                "V",
                "subject",
                "PERSON",
                "facts",
                List.of()));
        assertThat(save("volunteer", kind).status()).isEqualTo(204);
        UUID file = api.newFile("volunteer", "Numbered", null, "Stables");
        assertThat(api.get("/api/files/{id}", file).<String>at("$.number")).isEqualTo("V-0001");
        kind.put("label", "Helper");
        assertThat(save("helper", kind).<List<String>>at("$.problems[*].field")).containsExactly("numberPrefix");
    }

    @Test
    void supervisionThatGoesInACircleIsRefused() throws Exception {
        Map<String, Object> kind = kind("employee");
        facts(kind).add(fact("leads", "PERSON"));
        assertThat(save("employee", kind).status()).isEqualTo(204);
        UUID a = api.newEmployee("Circlea", null);
        UUID b = api.newEmployee("Circleb", null);
        assertThat(lead(a, "Circlea", number(b)).status()).isEqualTo(200);
        Api.Answer circle = lead(b, "Circleb", number(a));
        assertThat(circle.<List<String>>at("$.problems[*].field")).containsExactly("facts.leads");
        assertThat(circle.<String>at("$.detail")).contains("Tamsin Circleb → Tamsin Circlea → Tamsin Circleb");
        assertThat(lead(b, "Circleb", number(b)).status()).as("oneself").isEqualTo(422);
        assertThat(lead(b, "Circleb", "E-9999").status()).as("nobody").isEqualTo(422);
        assertThat(api.get("/api/files/{id}", a).<String>at("$.factWords.leads"))
                .isEqualTo("Tamsin Circleb");
    }

    private String number(UUID file) throws Exception {
        return api.get("/api/files/{id}", file).at("$.number");
    }

    private Api.Answer lead(UUID file, String family, String number) throws Exception {
        return change(
                file,
                Map.of(
                        "kind",
                        "employee",
                        "givenName",
                        "Tamsin",
                        "familyName",
                        family,
                        "facts",
                        Map.of("leads", number)));
    }

    private Api.Answer change(UUID file, Map<String, Object> person) throws Exception {
        int version = api.get("/api/files/{id}", file).at("$.version");
        return api.send(HttpMethod.PUT, "/api/files/{id}", Map.of("version", version, "person", person), file);
    }

    @Test
    void spansThatShareDaysAreRefusedAndARehireStartsAfresh() throws Exception {
        UUID file = api.newEmployee("Spanned", null);
        Map<String, Object> person = new HashMap<>(
                Map.of("kind", "employee", "givenName", "Tamsin", "familyName", "Spanned", "facts", Map.of()));
        person.put("spans", List.of(Map.of("from", "2020-01-01", "to", "2021-12-31"), Map.of("from", "2021-12-31")));
        assertThat(change(file, person).<List<String>>at("$.problems[*].field")).containsExactly("spans.1.from");
        person.put("spans", List.of(Map.of("from", "2020-01-01", "to", "2019-12-31")));
        assertThat(change(file, person).<List<String>>at("$.problems[*].field")).containsExactly("spans.0.to");
        person.put("spans", List.of(Map.of("from", "2020-01-01", "to", "2021-12-31"), Map.of("from", "2026-06-01")));
        assertThat(change(file, person).status()).isEqualTo(200);
        assertThat(api.get("/api/files/{id}/ledger?asOf=2023-01-01", file).<List<Object>>at("$.sections"))
                .as("nothing is asked between the spans")
                .isEmpty();
        assertThat(api.get("/api/files/{id}", file).<List<String>>at("$.spans[*].from"))
                .containsExactly("2020-01-01", "2026-06-01");
    }

    // --- people from a list ---

    private Api.Answer take(String csv, boolean apply) throws Exception {
        return take(csv.getBytes(StandardCharsets.UTF_8), apply);
    }

    private Api.Answer take(byte[] csv, boolean apply) throws Exception {
        return api.upload("/api/set-up/people?apply=" + apply, "people.csv", csv, Map.of());
    }

    @Test
    void eachLineSaysWhatWillHappenAndGoodOnesAreTakenTogether() throws Exception {
        UUID known = api.newFile("employee", "Listedknown", null, "Stables");
        String csv = """
                Kind,Given name,Family name,Birth date,Mail,Team,Active from,Role,Drives the minibus
                employee,Mirela,Listednew,1976-05-02,mirela@post.example,Office,2026-01-01,Office,YES
                Employees,Tamsin,Listedknown,1994-03-09,,,,,
                robot,Unit,Listedseven,,,,,,
                employee,Ada,Listedbad,1976-02-30,,,,,
                employee,Ada,Listedrole,1976-02-03,,,,pilot,
                employee,Ada,Listedmail,1976-02-03,at home,,,,
                employee,Mirela,Listednew,1976-05-02,,,,,
                employee,Short
                """;
        Api.Answer preview = take(csv, false);
        assertThat(preview.status()).as(preview.body()).isEqualTo(200);
        assertThat(preview.<Integer>at("$.fresh")).isEqualTo(1);
        assertThat(preview.<Integer>at("$.existing")).isEqualTo(1);
        assertThat(preview.<List<Integer>>at("$.lines[?(@.outcome=='refused')].line"))
                .containsExactly(4, 5, 6, 7, 8, 9);
        assertThat(preview.<List<String>>at("$.lines[?(@.line==4)].words"))
                .containsExactly("“robot” is no kind of file");
        assertThat(preview.<List<String>>at("$.lines[?(@.line==6)].words"))
                .containsExactly("“pilot” cannot be the Role.");
        assertThat(api.get("/api/board?text=listednew").<List<String>>at("$.rows[*].id"))
                .isEmpty();
        assertThat(take(csv, true).<Boolean>at("$.applied")).isTrue();
        List<String> made = api.get("/api/board?text=listednew").at("$.rows[*].id");
        assertThat(made).hasSize(1);
        UUID file = UUID.fromString(made.get(0));
        assertThat(api.get("/api/files/{id}", file).<String>at("$.facts.drivesMinibus"))
                .isEqualTo("yes");
        assertThat(api.slot(file, "contract")).isEqualTo("missing");
        assertThat(take(csv, true).<Integer>at("$.fresh")).as("a second time").isZero();
        assertThat(known).isNotNull();
    }

    @Test
    void aListThatCannotBeReadIsRefusedAsAWholeWithItsPlace() throws Exception {
        assertThat(take("Kind,Family name,Shoe size\n", false).<String>at("$.detail"))
                .contains("column “Shoe size”");
        assertThat(take("Family name\nLone\n", false).<String>at("$.detail")).contains("lacks the column “kind”");
        assertThat(take("", false).<String>at("$.detail")).contains("empty");
        assertThat(take("Kind,Family name\nemployee,\"Open\n", false).status()).isEqualTo(422);
        byte[] latin = "Kind,Family name\nemployee,Nørgaard\n".getBytes(StandardCharsets.ISO_8859_1);
        assertThat(take(latin, false).<String>at("$.detail")).contains("Line 2 is not UTF-8");
        String many = "Kind,Family name\n" + "employee,Many\n".repeat(50_000);
        assertThat(take(many, false).<String>at("$.detail"))
                .contains("50000 lines")
                .contains("5000");
        assertThat(take("\uFEFFKind;Family name\nemployee;Semicolon\n", false).<Integer>at("$.fresh"))
                .as("a list as spreadsheets save it")
                .isEqualTo(1);
    }
}
