package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;

/** Files about the practice and its places: one name, places that grow, slots and papers as people have them. */
@ServerTest
class PracticesOwnFilesTest {

    @Autowired
    TestPractice practice;

    private Api api;

    @BeforeEach
    void signIn() throws Exception {
        api = practice.administrator();
    }

    private static Map<String, Object> place(String name, String where) {
        Map<String, Object> place = new HashMap<>(Map.of("kind", "practice", "familyName", name));
        place.put("facts", Map.of("concerns", "building", "place", where));
        return place;
    }

    private Api.Answer open(Map<String, Object> place) throws Exception {
        return api.post("/api/files", Map.of("person", place, "evenIfLike", false));
    }

    private List<String> places() throws Exception {
        return api.get("/api/kinds").at("$[?(@.code=='practice')].facts[?(@.name=='place')].choices[*]");
    }

    @Test
    void aPlaceHasSlotsOfItsOwnAndTheyAreMet() throws Exception {
        UUID barn = open(place("Hay barn", "Fen Lane")).id("$.id");
        assertThat(api.slot(barn, "fire-inspection")).isEqualTo("missing");
        api.fileNewPaper(barn, "fire-inspection", LocalDate.now().minusDays(3));
        assertThat(api.slot(barn, "fire-inspection")).isEqualTo("on-file");
        assertThat(api.get("/api/files/{id}/ledger", barn).<List<String>>at("$.sections[*].slots[*].label"))
                .as("what is asked of buildings only")
                .containsExactlyInAnyOrder("Building insurance", "Fire safety inspection", "Electrical inspection");
        assertThat(api.get("/api/board?kind=practice").<List<String>>at("$..name"))
                .contains("Hay barn");
    }

    @Test
    void aNewPlaceJoinsTheChoicesOnceHoweverItIsSpelled() throws Exception {
        UUID mill = open(place("Mill", "Mill Brook")).id("$.id");
        assertThat(places()).contains("Mill Brook");
        UUID weir = open(place("Weir", " mill brook ")).id("$.id");
        assertThat(places()).doesNotHaveDuplicates().doesNotContain("mill brook");
        assertThat(api.get("/api/files/{id}", weir).<String>at("$.facts.place")).isEqualTo("Mill Brook");
        Map<String, Object> moved = Map.of(
                "version",
                api.get("/api/files/{id}", mill).<Integer>at("$.version"),
                "person",
                place("Mill", "Upper Fen"));
        assertThat(api.send(HttpMethod.PUT, "/api/files/{id}", moved, mill).status())
                .isEqualTo(200);
        assertThat(places()).contains("Mill Brook", "Upper Fen");
        assertThat(open(place("Long", "x".repeat(61))).<String>at("$.problems[0].field"))
                .isEqualTo("facts.place");
    }

    @Test
    void twoWhoAddOnePlaceAtOnceAddOne() throws Exception {
        UUID sluice = open(place("Sluice", "Fen Lane")).id("$.id");
        UUID bridge = open(place("Bridge", "Fen Lane")).id("$.id");
        Map<UUID, Object> moves = Map.of(
                sluice, Map.of("version", version(sluice), "person", place("Sluice", "Ferry Reach")),
                bridge, Map.of("version", version(bridge), "person", place("Bridge", "ferry reach")));
        List<Integer> answers = moves.entrySet().parallelStream()
                .map(move -> {
                    try {
                        return api.send(HttpMethod.PUT, "/api/files/{id}", move.getValue(), move.getKey())
                                .status();
                    } catch (Exception failed) {
                        throw new IllegalStateException(failed);
                    }
                })
                .toList();
        assertThat(answers).containsOnly(200);
        assertThat(places()).filteredOn("ferry reach"::equalsIgnoreCase).hasSize(1);
        assertThat(api.get("/api/files/{id}", sluice).<String>at("$.facts.place"))
                .isEqualTo(api.get("/api/files/{id}", bridge).<String>at("$.facts.place"));
    }

    private int version(UUID file) throws Exception {
        return api.get("/api/files/{id}", file).at("$.version");
    }

    @Test
    void whatOnlyPersonsHaveIsRefused() throws Exception {
        Map<String, Object> born = place("Forge", "Fen Lane");
        born.put("birthDate", "1990-01-01");
        assertThat(open(born).<String>at("$.problems[0].field")).isEqualTo("birthDate");
        Map<String, Object> named = place("Forge", "Fen Lane");
        named.put("givenName", "Old");
        assertThat(open(named).<String>at("$.problems[0].field")).isEqualTo("givenName");
        UUID forge = open(place("Forge", "Fen Lane")).id("$.id");
        Api.Answer twice = open(place("forge", "Fen Lane"));
        assertThat(twice.status()).isEqualTo(409);
        assertThat(twice.<String>at("$.detail")).startsWith("Forge has the file O-");
        Map<String, Object> account = Map.of(
                "name",
                "Forge Account",
                "email",
                TestPractice.newAddress(),
                "role",
                "COLLEAGUE",
                "post",
                post(forge),
                "scope",
                Map.of(
                        "reach",
                        "EVERYBODY",
                        "team",
                        " ",
                        "leads",
                        List.of(),
                        "seesSensitive",
                        true,
                        "seesSections",
                        List.of(),
                        "mayChange",
                        true));
        assertThat(api.post("/api/set-up/accounts", account).<List<String>>at("$.problems[*].field"))
                .contains("post.ownFile");
    }

    private static Map<String, Object> post(UUID ownFile) {
        return Map.of("ownFile", ownFile, "title", "smith");
    }

    @Test
    void sectionsOfItsOwnAreNotThoseOfPeople() throws Exception {
        assertThat(api.get("/api/document-types").<List<String>>at("$[?(@.code=='premises-lease')].subject"))
                .containsExactly("PRACTICE");
        assertThat(api.get("/api/document-types").<List<Object>>at("$[?(@.code=='passport')].subject"))
                .isEmpty();
        UUID shed = open(place("Shed", "Fen Lane")).id("$.id");
        assertThat(api.get("/api/files/" + shed + "/signers?role=landlord").<List<String>>at("$[*].name"))
                .as("a shed signs nothing")
                .isEmpty();
        assertThat(api.get("/api/files/{id}/kind", shed).<String>at("$.subject"))
                .isEqualTo("PRACTICE");
        Map<String, Object> kind = new HashMap<>(api.get("/api/set-up/kinds")
                .<List<Map<String, Object>>>at("$[?(@.code=='practice')]")
                .get(0));
        kind.put("subject", "PERSON");
        assertThat(api.send(HttpMethod.PUT, "/api/set-up/kinds/practice", kind).status())
                .as("there are files of it")
                .isEqualTo(409);
    }
}
