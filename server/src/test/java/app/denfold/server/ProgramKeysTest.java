package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.request;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.json.JsonMapper;

/** Programs ask with keys: for what each is made, until its day, and every use stands in the trail. */
@ServerTest
class ProgramKeysTest {

    @Autowired
    TestPractice practice;

    @Autowired
    MockMvc mvc;

    private static String make(Api api, List<String> scopes, LocalDate until, boolean sensitive) throws Exception {
        Map<String, Object> wanted = new HashMap<>(
                Map.of("name", "Wall display " + UUID.randomUUID(), "scopes", scopes, "seesSensitive", sensitive));
        wanted.put("until", until == null ? null : until.toString());
        Api.Answer made = api.post("/api/set-up/keys", wanted);
        assertThat(made.status()).as(made.body()).isEqualTo(201);
        return made.at("$.key");
    }

    /** Asks as a program does: with the key alone, without a session or a token against forgery. */
    private MockHttpServletResponse ask(String key, HttpMethod method, String path, Object body) throws Exception {
        var builder = request(method, path).header("Authorization", "Bearer " + key);
        if (body != null) {
            builder.contentType(MediaType.APPLICATION_JSON).content(new JsonMapper().writeValueAsString(body));
        }
        return mvc.perform(builder).andReturn().getResponse();
    }

    @Test
    void aKeyOpensWhatItIsForAndNothingElse() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Keyed", null);
        String coverage = make(api, List.of("COVERAGE"), null, false);
        assertThat(ask(coverage, HttpMethod.GET, "/api/board?text=keyed", null).getContentAsString())
                .contains("Keyed");
        assertThat(ask(coverage, HttpMethod.GET, "/api/files/" + file + "/ledger", null)
                        .getStatus())
                .isEqualTo(200);
        for (String closed : List.of(
                "/api/files/" + file, "/api/session", "/api/set-up/keys", "/api/portal", "/api/find/suggestions")) {
            assertThat(ask(coverage, HttpMethod.GET, closed, null).getStatus())
                    .as(closed)
                    .isEqualTo(403);
        }
        String people = make(api, List.of("PEOPLE"), LocalDate.now(), false);
        Map<String, Object> person = Map.of(
                "kind",
                "employee",
                "givenName",
                "Runa",
                "familyName",
                "Programme",
                "activeFrom",
                "2026-05-04",
                "facts",
                Map.of());
        MockHttpServletResponse made =
                ask(people, HttpMethod.POST, "/api/files", Map.of("person", person, "evenIfLike", true));
        assertThat(made.getStatus()).as(made.getContentAsString()).isEqualTo(201);
        UUID id = UUID.fromString(com.jayway.jsonpath.JsonPath.read(made.getContentAsString(), "$.id"));
        Api.Answer trail = api.get("/api/files/{id}/trail", id);
        assertThat(trail.<List<String>>at("$..who")).anyMatch(who -> who.startsWith("Wall display"));
        assertThat(ask(people, HttpMethod.GET, "/api/board", null).getStatus()).isEqualTo(403);
    }

    @Test
    void aKeyThatEndedIsUnknownOrWasNeverMadeLetsNobodyIn() throws Exception {
        Api api = practice.administrator();
        String key = make(api, List.of("COVERAGE"), null, false);
        UUID id = api.get("/api/set-up/keys").id("$[0].id");
        assertThat(api.get("/api/set-up/keys").body()).doesNotContain(key);
        assertThat(api.send(HttpMethod.DELETE, "/api/set-up/keys/{id}", null, id)
                        .status())
                .isEqualTo(204);
        assertThat(ask(key, HttpMethod.GET, "/api/board", null).getStatus()).isEqualTo(401);
        assertThat(ask("denfold_guess", HttpMethod.GET, "/api/board", null).getStatus())
                .isEqualTo(401);
        assertThat(api.send(HttpMethod.DELETE, "/api/set-up/keys/{id}", null, id)
                        .status())
                .isEqualTo(409);
        Map<String, Object> past = new HashMap<>(
                Map.of("name", "Late", "scopes", List.of("COVERAGE"), "seesSensitive", false, "until", "2020-01-01"));
        assertThat(api.post("/api/set-up/keys", past).status()).isEqualTo(422);
        past.put("scopes", List.of());
        assertThat(api.post("/api/set-up/keys", past).status()).isEqualTo(422);
    }
}
