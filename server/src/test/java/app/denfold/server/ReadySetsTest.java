package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.jayway.jsonpath.JsonPath;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;

/** From nothing to a working practice: founded once and by its key, with ready-made sets, people from cards. */
@ServerTest
class ReadySetsTest {

    @Autowired
    TestPractice practice;

    @Autowired
    MockMvc mvc;

    @Autowired
    JdbcClient jdbc;

    @Value("${denfold.pickup}")
    Path pickups;

    @Test
    void everySetCanBeAddedOnceMoreAndItsChecklistsAsk() throws Exception {
        Api api = practice.administrator();
        List<String> codes = api.get("/api/set-up/sets").at("$[*].code");
        assertThat(codes).containsExactly("clinic", "school", "workplace", "club", "landlord", "practice");
        for (int i = 0; i < 2; i++) {
            Api.Answer added = api.post("/api/set-up/sets", Map.of("codes", codes));
            assertThat(added.status()).as(added.body()).isEqualTo(204);
        }
        assertThat(api.get("/api/set-up/sets").<List<Boolean>>at("$[*].added")).containsOnly(true);
        assertThat(api.get("/api/kinds").<List<String>>at("$[*].code"))
                .contains("patient", "student", "employee", "member", "tenant")
                .doesNotHaveDuplicates();
        var tenant = api.newFile("tenant", "Readyset", "tenant@post.example", "Office");
        assertThat(api.get("/api/files/{id}/ledger", tenant).<List<String>>at("$.sections[*].slots[*].label"))
                .contains("Lease", "Liability insurance")
                .doesNotContain("Agreement about pets");
        assertThat(api.post("/api/set-up/sets", Map.of("codes", List.of("bank")))
                        .<String>at("$.problems[0].field"))
                .isEqualTo("codes");
        assertThat(practice.colleague(null, true, true).get("/api/set-up/sets").status())
                .isEqualTo(403);
    }

    @Test
    void allThatIsSetUpGoesOutAndInAndWhatIsThereStays() throws Exception {
        Api api = practice.administrator();
        String out = api.get("/api/set-up/whole").body();
        Map<String, Object> whole = JsonPath.read(out, "$");
        assertThat(whole)
                .containsOnlyKeys("practice", "pickups", "teams", "sections", "kinds", "types", "checklists", "marks");
        assertThat(api.post("/api/set-up/whole", whole).status()).isEqualTo(204);
        assertThat(JsonPath.<Object>read(api.get("/api/set-up/whole").body(), "$"))
                .as("in again what came out")
                .isEqualTo(whole);
        Map<String, Object> practices = new HashMap<>(JsonPath.<Map<String, Object>>read(out, "$.practice"));
        practices.put("replyTo", "nobody at all");
        practices.put("name", "Never taken");
        Api.Answer unwritable = api.post("/api/set-up/whole", Map.of("practice", practices));
        assertThat(unwritable.<String>at("$.problems[0].field")).isEqualTo("practice.replyTo");
        assertThat(api.get("/api/practice").<String>at("$.name")).doesNotContain("Never");
        Map<String, Object> desk = Map.of(
                "name",
                "Ferry desk",
                "splitBlank",
                true,
                "splitCounts",
                false,
                "splitEvery",
                0,
                "dropBlank",
                false,
                "filesCovers",
                false,
                "pauseSeconds",
                3);
        Map<String, Object> half = Map.of("pickups", List.of(desk), "practice", practices);
        assertThat(api.post("/api/set-up/whole", half).status()).isEqualTo(422);
        assertThat(pickups.resolve("Ferry desk")).as("a folder would be a desk").doesNotExist();
        assertThat(api.post("/api/set-up/whole", Map.of("pickups", List.of(desk)))
                        .status())
                .isEqualTo(204);
        assertThat(api.get("/api/desks").<List<String>>at("$")).contains("Ferry desk");
        Map<String, Object> more = Map.of(
                "teams",
                List.of(Map.of("name", "Ferry", "size", "TEAM")),
                "sections",
                List.of(List.of("ferry", "Ferry papers", true)),
                "types",
                List.of(Map.of(
                        "code",
                        "ferry-pass",
                        "label",
                        "Ferry pass",
                        "section",
                        "ferry",
                        "validity",
                        Map.of("rule", "open"))));
        assertThat(api.post("/api/set-up/whole", more).status()).isEqualTo(204);
        assertThat(api.get("/api/set-up/sections").<List<Boolean>>at("$[?(@.code=='ferry')].sensitive"))
                .containsExactly(true);
        assertThat(api.get("/api/set-up/teams").<List<String>>at("$[*].name")).contains("Ferry");
        Api.Answer wrong = api.post("/api/set-up/whole", Map.of("types", List.of(Map.of("code", "half"))));
        assertThat(wrong.status()).isEqualTo(422);
        assertThat(wrong.<String>at("$.detail")).contains("Nothing was taken");
        assertThat(api.get("/api/set-up/document-types").<List<String>>at("$[*].code"))
                .doesNotContain("half");
    }

    @Test
    void cardsBecomePeopleOfAChosenKind() throws Exception {
        Api api = practice.administrator();
        byte[] cards = """
                BEGIN:VCARD
                VERSION:3.0
                N:Cardholder;Sunniva;;;
                FN:Sunniva Cardholder
                BDAY:1991-04-12
                EMAIL:sunniva@post.example
                END:VCARD
                BEGIN:VCARD
                VERSION:4.0
                FN:Cardholder Brothers
                END:VCARD
                """.getBytes(StandardCharsets.UTF_8);
        assertThat(api.upload("/api/set-up/people", "cards.vcf", cards, Map.of())
                        .<String>at("$.problems[0].field"))
                .isEqualTo("kind");
        Api.Answer tried = api.upload("/api/set-up/people", "cards.vcf", cards, Map.of("kind", "patient"));
        assertThat(tried.<Integer>at("$.fresh")).as(tried.body()).isEqualTo(2);
        api.upload("/api/set-up/people", "cards.vcf", cards, Map.of("kind", "patient", "apply", "true"));
        assertThat(api.get("/api/files/found?text=Sunniva Cardholder").<List<String>>at("$[*].birthDate"))
                .containsExactly("1991-04-12");
    }

    @Test
    void aPracticeThatIsThereIsNotFoundedAgain() throws Exception {
        Map<String, String> founding = Map.of(
                "key", "guess",
                "practice", "Another one",
                "zone", "Europe/Vienna",
                "name", "Somebody",
                "email", "somebody@post.example",
                "password", "a long enough password");
        assertThat(Api.nobody(mvc).get("/api/beginning").<Boolean>at("$.open")).isFalse();
        assertThat(Api.nobody(mvc).post("/api/beginning", founding).<String>at("$.code"))
                .isEqualTo("begun-already");
        assertThat(jdbc.sql("select count(*) from practice")
                        .query(Integer.class)
                        .single())
                .isEqualTo(1);
    }
}
