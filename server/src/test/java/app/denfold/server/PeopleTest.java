package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Files of persons: what can be typed, what a file is called, how facts change. */
@ServerTest
class PeopleTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    @Autowired
    JdbcClient jdbc;

    private static Map<String, Object> person(String... changes) {
        Map<String, Object> person = new HashMap<>(Map.of(
                "kind",
                "employee",
                "givenName",
                "Oswin",
                "familyName",
                "Tarrafal",
                "facts",
                new HashMap<String, String>()));
        for (int i = 0; i < changes.length; i += 2) {
            person.put(changes[i], changes[i + 1]);
        }
        return person;
    }

    private static Api.Answer make(Api api, Map<String, Object> person) throws Exception {
        return api.post("/api/files", Map.of("person", person, "evenIfLike", true));
    }

    private static void refuses(Api api, Map<String, Object> person, String field, String words) throws Exception {
        Api.Answer answer = make(api, person);
        assertThat(answer.status()).as(field).isEqualTo(422);
        assertThat(answer.<String>at("$.problems[0].field")).endsWith(field);
        assertThat(answer.<String>at("$.problems[0].message")).contains(words);
    }

    @Test
    void whatCannotBeIsToldAtItsField() throws Exception {
        Api api = practice.administrator();
        refuses(api, person("familyName", "  "), "familyName", "needed");
        refuses(api, person("email", "not a mail address"), "email", "mail address");
        refuses(api, person("birthDate", TODAY.plusDays(1).toString()), "birthDate", "between today");
        refuses(api, person("birthDate", "1850-01-01"), "birthDate", "125 years");
        refuses(api, person("birthDate", "2026-13-01"), "birthDate", "cannot be read");
        refuses(api, person("birthDate", "2000-01-01", "activeFrom", "1999-12-31"), "activeFrom", "before being born");
        refuses(api, person("activeFrom", TODAY.plusYears(6).toString()), "activeFrom", "five years ahead");
        refuses(api, person("kind", "ghost"), "kind", "no kind called ghost");
    }

    @Test
    void factsMustFitTheirKind() throws Exception {
        Api api = practice.administrator();
        Map<String, String> bad = Map.of("role", "astronaut", "drivesMinibus", "maybe", "shoeSize", "43");
        for (Map.Entry<String, String> fact : bad.entrySet()) {
            Map<String, Object> person = person();
            person.put("facts", Map.of(fact.getKey(), fact.getValue()));
            refuses(
                    api,
                    person,
                    "facts." + fact.getKey(),
                    fact.getKey().equals("shoeSize") ? "no fact" : fact.getValue());
        }
        Map<String, Object> patient = person("kind", "patient");
        patient.put("facts", Map.of("firstSession", "next week"));
        refuses(api, patient, "facts.firstSession", "next week");
    }

    @Test
    void numbersFollowOneAnotherAndAreNeverGivenTwice() throws Exception {
        Api api = practice.administrator();
        Set<String> numbers = ConcurrentHashMap.newKeySet();
        ExecutorService pool = Executors.newFixedThreadPool(4);
        for (int i = 0; i < 20; i++) {
            pool.submit(() -> numbers.add(make(api, person()).at("$.number")));
        }
        pool.shutdown();
        assertThat(pool.awaitTermination(4, TimeUnit.MINUTES)).isTrue();
        assertThat(numbers).hasSize(20).allMatch(n -> n.matches("E-\\d{4}"));
    }

    @Test
    void aChangedFactLeavesTheOlderValueInThePast() throws Exception {
        Api api = practice.administrator();
        Map<String, Object> person = person("activeFrom", TODAY.minusDays(50).toString());
        UUID above = api.newEmployee("Above", null);
        String supervisor = api.get("/api/files/{id}", above).at("$.number");
        person.put("facts", Map.of("role", "groom", "supervisor", supervisor));
        Api.Answer made = make(api, person);
        person.put("facts", Map.of("role", "office"));
        int version = api.get("/api/files/{id}", made.<String>at("$.id")).at("$.version");
        Map<String, Object> change = Map.of("version", version, "person", person);
        Api.Answer changed = api.send(HttpMethod.PUT, "/api/files/{id}", change, made.<String>at("$.id"));
        assertThat(changed.<Map<String, String>>at("$.facts")).isEqualTo(Map.of("role", "office"));
        List<Map<String, Object>> kept = jdbc.sql(
                        "select name, value, from_day, to_day from fact where file_id = ? order by place")
                .param(made.id("$.id"))
                .query()
                .listOfRows();
        Set<String> told = new HashSet<>();
        kept.forEach(row -> told.add(row.get("name") + " " + row.get("value") + " until " + row.get("to_day")));
        assertThat(told)
                .containsExactlyInAnyOrder(
                        "role groom until " + TODAY.minusDays(1),
                        "supervisor " + supervisor + " until " + TODAY.minusDays(1),
                        "role office until null");
    }

    @Test
    void whoMayOnlyLookChangesNothing() throws Exception {
        UUID file = practice.administrator().newEmployee("Lookedat", null);
        Api auditor = practice.colleague(null, true, false);
        int version = auditor.get("/api/files/{id}", file).at("$.version");
        Map<String, Object> change = Map.of("version", version, "person", person());
        assertThat(auditor.send(HttpMethod.PUT, "/api/files/{id}", change, file).status())
                .isEqualTo(403);
        assertThat(make(auditor, person()).status()).isEqualTo(403);
        Map<String, Object> waiver = Map.of("checklist", "employees", "requirement", "handbook", "reason", "no");
        assertThat(auditor.post("/api/files/{id}/waivers", waiver, file).status())
                .isEqualTo(403);
        assertThat(auditor.post("/api/files/{id}/chase", Map.of("again", false), file)
                        .status())
                .isEqualTo(403);
        Map<String, Object> ask =
                Map.of("accountId", UUID.randomUUID(), "checklist", "employees", "requirement", "handbook");
        assertThat(auditor.post("/api/files/{id}/asks", ask, file).status()).isEqualTo(403);
        Map<String, Object> guest = Map.of("name", "A", "email", TestPractice.newAddress(), "relation", "other");
        assertThat(auditor.post("/api/files/{id}/guests", guest, file).status()).isEqualTo(403);
    }

    @Test
    void someoneWithOneNameAndNoBirthDateHasAFileToo() throws Exception {
        Api api = practice.administrator();
        Api.Answer made = make(api, person("givenName", "", "familyName", "Mononym"));
        assertThat(made.<String>at("$.name")).isEqualTo("Mononym");
        assertThat(made.body()).doesNotContain("birthDate\":\"");
        UUID document = api.fileNewPaper(made.id("$.id"), "letter", TODAY);
        assertThat(api.get("/api/documents/{id}", document).<String>at("$.name"))
                .isEqualTo("Letter, " + TODAY + ", Mononym");
    }

    @Test
    void aLookAtAFileIsOneRowHoweverOftenItIsLoaded() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Opened", null);
        for (int i = 0; i < 4; i++) {
            api.get("/api/files/{id}", file);
        }
        List<String> actions = api.get("/api/files/{id}/trail", file).at("$[*].action");
        assertThat(actions).containsExactly("opened", "file-opened");
    }
}
