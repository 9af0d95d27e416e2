package app.denfold.server;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Files that leave by the rules of keeping. */
@ServerTest
class KeepingTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    @Autowired
    JdbcClient jdbc;

    @Value("${denfold.content}")
    Path content;

    @AfterEach
    void keepAllAgain() {
        jdbc.sql("update keeping_rules set version = version + 1, by_kind = '[]', by_type = '[]'")
                .update();
    }

    private static Map<String, Object> rules(Map<String, Integer> kinds, Map<String, Integer> types) {
        return Map.of("kinds", periods(kinds), "types", periods(types));
    }

    private static List<Map<String, Object>> periods(Map<String, Integer> months) {
        List<Map<String, Object>> all = new ArrayList<>();
        months.forEach((code, count) -> all.add(Map.of("code", code, "months", count)));
        return all;
    }

    private static Api.Answer change(Api api, Map<String, Object> rules) throws Exception {
        int changes = api.get("/api/keeping").at("$.changes");
        return api.send(HttpMethod.PUT, "/api/keeping", Map.of("changes", changes, "rules", rules));
    }

    /** A client who came three years ago and left. */
    private static UUID left(Api api, String family, String email, LocalDate lastDay) throws Exception {
        return left(api, "client", family, email, lastDay);
    }

    private static UUID left(Api api, String kind, String family, String email, LocalDate lastDay) throws Exception {
        Map<String, Object> person = new HashMap<>(Map.of(
                "kind",
                kind,
                "givenName",
                "Runa",
                "familyName",
                family,
                "spans",
                List.of(Map.of("from", TODAY.minusYears(3).toString(), "to", lastDay.toString())),
                "facts",
                Map.of()));
        if (email != null) {
            person.put("email", email);
        }
        return api.post("/api/files", Map.of("person", person, "evenIfLike", true))
                .id("$.id");
    }

    private static List<String> due(Api api) throws Exception {
        return api.get("/api/keeping").at("$.due[*].id");
    }

    private static Api.Answer destroy(Api api, UUID... files) throws Exception {
        return api.post("/api/keeping/destruction", Map.of("files", List.of(files)));
    }

    /** Tables in which a word stands anywhere. */
    private List<String> tablesWith(String word) {
        return jdbc
                .sql("select table_name from information_schema.tables where table_schema = 'public' and table_type ="
                        + " 'BASE TABLE'")
                .query(String.class)
                .list()
                .stream()
                .filter(t -> jdbc.sql("select exists (select 1 from \"" + t + "\" x where to_jsonb(x)::text ilike ?)")
                        .param("%" + word + "%")
                        .query(Boolean.class)
                        .single())
                .toList();
    }

    @Test
    void whoLeftLongEnoughAgoMayLeaveUnlessAPaperOrSomebodyKeepsTheFile() throws Exception {
        Api api = practice.administrator();
        UUID gone = left(api, "Longgone", null, TODAY.minusMonths(7));
        UUID lately = left(api, "Lately", null, TODAY.minusMonths(5));
        UUID signed = left(api, "Withletter", null, TODAY.minusMonths(7));
        api.fileNewPaper(signed, "letter", TODAY.minusMonths(8));
        UUID here = api.newFile("client", "Stillhere", null, "Stables");
        assertThat(due(api)).as("nothing leaves without a rule").isEmpty();

        assertThat(api.post("/api/keeping/effect", rules(Map.of("client", 6), Map.of()))
                        .<Integer>at("$.due"))
                .isEqualTo(2);
        assertThat(change(api, rules(Map.of("client", 6), Map.of("letter", 12))).status())
                .isEqualTo(204);
        assertThat(due(api)).containsExactly(gone.toString());
        Api.Answer all = api.get("/api/keeping");
        assertThat(all.<String>at("$.due[0].rule")).isEqualTo("Client: 6 months after the last day");
        assertThat(all.<String>at("$.due[0].keptUntil"))
                .isEqualTo(TODAY.minusMonths(7).plusMonths(6).toString());
        assertThat(api.get("/api/today").<List<String>>at("$..[?(@.action=='keeping')].title"))
                .containsExactly("1 file has been kept for as long as the rules ask");
        assertThat(destroy(api, lately).<String>at("$.code")).isEqualTo("kept-yet");
        assertThat(destroy(api, here).<String>at("$.code")).isEqualTo("kept-yet");

        assertThat(api.send(HttpMethod.PUT, "/api/files/{id}/keeping-hold", Map.of("reason", " "), gone)
                        .<String>at("$.problems[0].message"))
                .contains("Say why");
        assertThat(api.send(HttpMethod.PUT, "/api/files/{id}/keeping-hold", Map.of("reason", "A claim"), gone)
                        .status())
                .isEqualTo(204);
        assertThat(due(api)).isEmpty();
        assertThat(destroy(api, gone).<String>at("$.code")).isEqualTo("kept-yet");
        assertThat(api.get("/api/keeping").<String>at("$.held[0].hold.reason")).isEqualTo("A claim");
        assertThat(api.get("/api/files/{id}/keeping-hold", gone).<String>at("$.hold.reason"))
                .isEqualTo("A claim");
        assertThat(api.send(HttpMethod.DELETE, "/api/files/{id}/keeping-hold", null, gone)
                        .status())
                .isEqualTo(204);
        assertThat(due(api)).containsExactly(gone.toString());
        assertThat(api.send(HttpMethod.DELETE, "/api/files/{id}/keeping-hold", null, gone)
                        .<String>at("$.code"))
                .isEqualTo("not-held");
    }

    @Test
    void ofADestroyedFileNothingIsLeftButTheTrailAndTheCertificate() throws Exception {
        Api api = practice.administrator();
        String address = TestPractice.newAddress();
        UUID gone = left(api, "Zimtschnecke", address, TODAY.minusMonths(9));
        String number = api.get("/api/files/{id}", gone).at("$.number");
        UUID paper = api.fileNewPaper(gone, "letter", TODAY.minusMonths(10));
        UUID binned = api.fileNewPaper(gone, "letter", TODAY.minusMonths(11));
        String sha256 = api.get("/api/documents/{id}", binned).at("$.versions[0].sha256");
        api.post("/api/documents/discard", Map.of("documents", List.of(binned)));
        api.post("/api/documents/{id}/comments", Map.of("words", "Zimtschnecke wrote", "mentioned", List.of()), paper);
        UUID other = api.newFile("client", "Otherwise", null, "Stables");
        assertThat(api.post("/api/files/{id}/relations", Map.of("kind", "guardian", "otherFileId", other), gone)
                        .status())
                .isLessThan(500);
        api.post("/api/files/{id}/visits", Map.of("day", TODAY.minusMonths(10), "words", "Zimtschnecke rode"), gone);
        practice.guestOf(api, gone);
        api.post("/api/files/{id}/chase", Map.of("again", false), gone);
        // told about two people in one mail, the other of whom stays
        UUID shared = jdbc.sql("""
                        insert into notice (id, version, file_id, purpose, recipient, subject, body, state, queued_by, queued_at,
                          queued_on, attempts, came_back, courtesy)
                        values (gen_random_uuid(), 0, ?, 'chase', 'guardian@post.example', 'Zimtschnecke and another',
                          'Zimtschnecke', 'SENT', 'Plans', now(), current_date, 1, false, false)
                        returning id
                        """).param(gone).query(UUID.class).single();
        for (UUID file : List.of(gone, other)) {
            jdbc.sql("""
                    insert into told (id, file_id, requirement, checklist, label, types, recipient, recipient_name, why,
                      told_on, notice_id)
                    values (gen_random_uuid(), ?, 'consent', 'clients', 'Consent', '{}', 'guardian@post.example', '', 'By hand',
                      current_date, ?)
                    """).params(file, shared).update();
        }
        change(api, rules(Map.of("client", 6), Map.of()));
        await().untilAsserted(() -> assertThat(tablesWith("Zimtschnecke"))
                .contains("person_file", "visit", "comment", "notice", "findable", "find_word"));

        UUID certificate = destroy(api, gone).id("$.certificate");
        await().untilAsserted(() -> assertThat(
                        api.get("/api/keeping/certificates/{id}", certificate).status())
                .isEqualTo(200));
        assertThat(api.get("/api/files/{id}", gone).status()).isEqualTo(404);
        assertThat(api.get("/api/documents/{id}", paper).status()).isEqualTo(404);
        await().untilAsserted(() -> assertThat(content.resolve(sha256.substring(0, 2))
                        .resolve(sha256.substring(2, 4))
                        .resolve(sha256))
                .doesNotExist());
        await().untilAsserted(() -> assertThat(tablesWith("Zimtschnecke")).containsExactly("audit_event"));
        assertThat(jdbc.sql("select file_id from notice where id = ?")
                        .param(shared)
                        .query(UUID.class)
                        .single())
                .isEqualTo(other);
        assertThat(jdbc.sql("select count(*) from told where notice_id = ?")
                        .param(shared)
                        .query(Integer.class)
                        .single())
                .isEqualTo(1);

        assertThat(destroy(api, gone).<String>at("$.code")).as("a second click").isEqualTo("kept-yet");
        Api.Answer told = api.get("/api/keeping/certificates/{id}", certificate);
        assertThat(told.<String>at("$[0].number")).isEqualTo(number);
        assertThat(told.<Integer>at("$[0].papers")).isEqualTo(2);
        assertThat(api.get("/api/keeping").<List<String>>at("$.destroyed[*].id"))
                .contains(certificate.toString());
        assertThat(api.get("/api/audit/check").body()).matches("\\{\"rows\":\\d+}");
    }

    @Test
    void aPaperThatWaitsForSignaturesKeepsItsFile() throws Exception {
        Api api = practice.administrator();
        SigningCalls.askForNoSecret(practice);
        UUID gone = left(api, "employee", "Unsigned", null, TODAY.minusMonths(9));
        UUID paper = api.fileNewPaper(gone, "contract", TODAY.minusMonths(10));
        change(api, rules(Map.of("employee", 6), Map.of()));
        SigningCalls.ask(api, paper, SigningCalls.signer(1, "employee", "Runa", TestPractice.newAddress()));
        destroy(api, gone);
        await().untilAsserted(() -> assertThat(api.get("/api/jobs").<List<String>>at("$[*].words"))
                .anyMatch(w -> w.contains("waits for signatures")));
        assertThat(api.get("/api/files/{id}", gone).status()).isEqualTo(200);
    }

    @Test
    void onlyAdministratorsDecideAndRulesMakeSense() throws Exception {
        Api api = practice.administrator();
        Api colleague = practice.colleague(null, true, true);
        UUID file = left(api, "Kept", null, TODAY.minusMonths(9));
        assertThat(colleague.get("/api/keeping").status()).isEqualTo(403);
        assertThat(destroy(colleague, file).status()).isEqualTo(403);
        assertThat(colleague
                        .send(HttpMethod.PUT, "/api/files/{id}/keeping-hold", Map.of("reason", "x"), file)
                        .status())
                .isEqualTo(403);
        assertThat(colleague.get("/api/files/{id}/keeping-hold", file).status())
                .as("why a file is held may tell of somebody who works here")
                .isEqualTo(403);
        api.send(HttpMethod.PUT, "/api/files/{id}/keeping-hold", Map.of("reason", "A claim of Zoltan"), file);
        assertThat(colleague.get("/api/files/{id}/trail", file).<List<String>>at("$[*].sentence"))
                .anyMatch(s -> s.contains("put this file on hold"))
                .noneMatch(s -> s.contains("Zoltan"));
        assertThat(change(api, rules(Map.of("unicorn", 6), Map.of())).<String>at("$.problems[0].message"))
                .isEqualTo("There is no kind unicorn.");
        assertThat(change(api, rules(Map.of("client", -1), Map.of())).<String>at("$.problems[0].message"))
                .isEqualTo("Enter from 0 to 1200 months.");
        assertThat(api.send(HttpMethod.PUT, "/api/keeping", Map.of("changes", 999, "rules", rules(Map.of(), Map.of())))
                        .status())
                .isEqualTo(409);
        assertThat(destroy(api).<String>at("$.problems[0].message")).contains("Choose from 1");
    }
}
