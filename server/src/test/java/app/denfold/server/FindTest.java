package app.denfold.server;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;

/** Papers found by their words and by all that is known of them; nobody finds, counts or is offered what he may not see. */
@ServerTest
class FindTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    private static List<String> names(Api api, Map<String, ?> criteria) throws Exception {
        return api.post("/api/find", criteria).at("$.papers[*].name");
    }

    private static UUID filed(Api api, UUID file, String type, String text) throws Exception {
        UUID arrival = api.upload("/api/arrivals", "paper.pdf", Papers.pdf(text), Map.of())
                .id("$.id");
        return api.file(arrival, file, type, TODAY.minusDays(3)).id("$.documentId");
    }

    /** Until the paper is read and indexed. */
    private static void awaitFound(Api api, String words) {
        await().until(() -> !names(api, Map.of("words", words)).isEmpty());
    }

    @Test
    void aFiledPaperIsFoundByItsWordsInAnyFormAndItsPlacesAreTold() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Quillfeather", null);
        UUID document = filed(api, file, "letter", "The zelkova saddles were mended. A café in Üxheim paid twice.");
        awaitFound(api, "zelkova saddle");
        assertThat(names(api, Map.of("words", "ZELKOVA mending"))).hasSize(1);
        assertThat(names(api, Map.of("words", "zelkova cafe uxheim"))).hasSize(1);
        assertThat(names(api, Map.of("words", "\"zelkova saddles were\""))).hasSize(1);
        assertThat(names(api, Map.of("words", "\"zelkova saddle\""))).isEmpty();
        assertThat(names(api, Map.of("words", "zelkova -paid"))).isEmpty();
        assertThat(names(api, Map.of("words", "zelkova", "without", "lame"))).hasSize(1);
        assertThat(names(api, Map.of("anyOf", "unheardof zelkova"))).hasSize(1);
        assertThat(names(api, Map.of("exact", "were mended."))).isNotEmpty();

        Api.Answer words = api.get("/api/documents/{id}/versions/1/words?typed=mend \"a café\"", document);
        assertThat(words.<List<String>>at("$.pages[0].places[*].text")).containsExactly("mended.", "A café");
        List<List<Integer>> boxes = words.at("$.pages[0].places[0].boxes");
        assertThat(boxes).hasSize(1);
        assertThat(boxes.get(0).get(2)).isBetween(200, 1500);
        assertThat(boxes.get(0).get(1)).isBetween(0, 3000);

        Api.Answer around = api.post(
                "/api/find/around", Map.of("documents", List.of(document), "criteria", Map.of("words", "mend")));
        assertThat(around.<String>at("$[0].text")).isEqualTo("mended.");
        assertThat(around.<String>at("$[0].before")).endsWith("saddles were");
        assertThat(around.<Integer>at("$[0].page")).isEqualTo(1);
    }

    @Test
    void everyKindOfCriterionNarrowsAndTheyAreCounted() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newFile("employee", "Ravenswick", null, "Yard " + UUID.randomUUID());
        UUID firstAid = filed(api, file, "first-aid", "quernstone certificate of the course in March");
        filed(api, file, "letter", "quernstone letter about the course in March");
        await().until(() -> names(api, Map.of("words", "quernstone")).size() == 2);
        assertThat(names(api, Map.of("words", "quernstone", "types", List.of("letter"))))
                .singleElement()
                .asString()
                .startsWith("Letter");
        assertThat(names(api, Map.of("person", "ravensw", "states", List.of("IN_REVIEW"))))
                .hasSize(1);
        assertThat(names(api, Map.of("person", "ravensw", "sections", List.of("safety"))))
                .hasSize(1);
        assertThat(names(api, Map.of("person", "ravensw", "name", "let"))).hasSize(1);
        assertThat(names(api, Map.of("person", "ravensw", "kinds", List.of("patient"))))
                .isEmpty();
        assertThat(names(
                        api,
                        Map.of(
                                "person",
                                "ravensw",
                                "datedFrom",
                                TODAY.minusDays(3).toString(),
                                "storedTo",
                                TODAY.toString(),
                                "mostPages",
                                1,
                                "leastSize",
                                100)))
                .hasSize(2);
        assertThat(names(
                        api,
                        Map.of(
                                "person",
                                "ravensw",
                                "datedTo",
                                TODAY.minusDays(4).toString())))
                .isEmpty();
        assertThat(names(api, Map.of("person", "ravensw", "unreadable", true))).isEmpty();
        Api.Answer counts = api.post("/api/find/counts", Map.of("words", "quernstone"));
        assertThat(counts.<Integer>at("$.papers")).isEqualTo(2);
        assertThat(counts.<Integer>at("$.people")).isEqualTo(1);
        assertThat(counts.<List<String>>at("$.types[*].value")).containsExactlyInAnyOrder("letter", "first-aid");
        assertThat(counts.<List<Integer>>at("$.states[?(@.value=='IN_REVIEW')].papers"))
                .containsExactly(1);

        api.post("/api/documents/{id}/entered-in-error", Map.of("version", 1, "reason", "wrong person"), firstAid);
        await().until(() -> names(api, Map.of("person", "ravensw", "states", List.of("ENTERED_IN_ERROR")))
                        .size()
                == 1);
        String csv = api.get("/api/find/csv?for={criteria}", "{\"words\":\"quernstone\"}")
                .body();
        assertThat(csv.lines()).hasSize(3).first().asString().startsWith("Person,Number");
        assertThat(csv).contains("entered in error");
    }

    @Test
    void factsAndFieldsAreCriteriaAndNamesFollowThePerson() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Oldname", null);
        UUID arrival = api.upload(
                        "/api/arrivals", "c.pdf", Papers.pdf("thornapple course for everybody at the yard"), Map.of())
                .id("$.id");
        Map<String, Object> details = new java.util.HashMap<>(Api.details(file, "first-aid", TODAY.minusDays(3)));
        details.put("fields", Map.of("Certificate number", "QX-77341"));
        UUID document = api.post("/api/arrivals/{id}/filing", Map.of("version", 0, "details", details), arrival)
                .id("$.documentId");
        awaitFound(api, "QX-77341");
        Map<String, ?> byField = Map.of("fields", List.of(Map.of("name", "Certificate number", "value", "qx-773")));
        assertThat(names(api, byField)).hasSize(1);

        Api.Answer person = api.get("/api/files/{id}", file);
        Map<String, Object> changed = new java.util.HashMap<>(Map.of(
                "kind", "employee", "givenName", "Tamsin", "familyName", "Newname", "facts", Map.of("role", "groom")));
        changed.put("activeFrom", TODAY.minusDays(100).toString());
        Api.Answer saved = api.send(
                HttpMethod.PUT,
                "/api/files/{id}",
                Map.of("version", person.<Integer>at("$.version"), "person", changed),
                file);
        assertThat(saved.status()).as(saved.body()).isEqualTo(200);
        assertThat(api.get("/api/documents/{id}", document).<String>at("$.name"))
                .contains("Newname T");
        await().until(() -> names(api, Map.of("words", "newname QX-77341")).size() == 1);
        assertThat(names(api, Map.of("words", "oldname QX-77341"))).isEmpty();
        Map<String, ?> byFact = Map.of("words", "QX-77341", "facts", List.of(Map.of("name", "role", "value", "groom")));
        assertThat(names(api, byFact)).hasSize(1);
        assertThat(names(api, Map.of("words", "QX-77341", "facts", List.of(Map.of("name", "role", "value", "office")))))
                .isEmpty();
    }

    @Test
    void rightsHoldInRowsCountsValuesAndOffers() throws Exception {
        Api api = practice.administrator();
        String team = "Team " + UUID.randomUUID();
        UUID file = api.newFile("employee", "Secretly", null, team);
        UUID hidden = filed(api, file, "tetanus", "mandrake vaccination against everything in spring");
        filed(api, file, "letter", "mandrake letter about the garden behind the yard");
        await().until(() -> names(api, Map.of("words", "mandrake")).size() == 2);

        Api groom = practice.colleague(team, false, true);
        assertThat(names(groom, Map.of("words", "mandrake"))).hasSize(1);
        Api.Answer counts = groom.post("/api/find/counts", Map.of("words", "mandrake"));
        assertThat(counts.<Integer>at("$.papers")).isEqualTo(1);
        assertThat(counts.body()).doesNotContain("tetanus").doesNotContain("Tetanus");
        assertThat(groom.post("/api/find/counts", Map.of("types", List.of("tetanus")))
                        .<Integer>at("$.papers"))
                .isZero();
        assertThat(groom.get("/api/find/suggestions?typed=tetanus sec").body()).doesNotContain(hidden.toString());
        assertThat(api.get("/api/find/suggestions?typed=tetanus sec").body()).contains(hidden.toString());
        assertThat(api.get("/api/find/suggestions?typed=tetnus secretl").body()).contains(hidden.toString());
        assertThat(groom.get("/api/find/suggestions?typed=tetnus secretl").body())
                .doesNotContain(hidden.toString());
        assertThat(groom.get("/api/documents/{id}/versions/1/words?typed=mandrake", hidden)
                        .status())
                .isEqualTo(404);
        assertThat(groom.post(
                                "/api/find/around",
                                Map.of("documents", List.of(hidden), "criteria", Map.of("words", "mandrake")))
                        .body())
                .isEqualTo("[]");

        Api other = practice.colleague("Elsewhere", true, true);
        assertThat(names(other, Map.of("words", "mandrake"))).isEmpty();
        assertThat(other.post("/api/find/counts", Map.of("words", "mandrake")).<Integer>at("$.papers"))
                .isZero();
        assertThat(other.get("/api/find/suggestions?typed=letter secretly").<List<?>>at("$.papers"))
                .isEmpty();
        assertThat(other.get("/api/find/suggestions?typed=secretly").<List<?>>at("$.people"))
                .isEmpty();

        moveTo(api, file, "Elsewhere");
        assertThat(names(groom, Map.of("words", "mandrake"))).as("at once").isEmpty();
        assertThat(names(other, Map.of("words", "mandrake"))).as("at once").hasSize(2);
    }

    private static void moveTo(Api api, UUID file, String team) throws Exception {
        Api.Answer before = api.get("/api/files/{id}", file);
        Map<String, Object> person = Map.of(
                "kind",
                "employee",
                "givenName",
                "Tamsin",
                "familyName",
                "Secretly",
                "team",
                team,
                "activeFrom",
                TODAY.minusDays(100).toString(),
                "facts",
                Map.of("role", "groom"));
        Api.Answer saved = api.send(
                HttpMethod.PUT,
                "/api/files/{id}",
                Map.of("version", before.<Integer>at("$.version"), "person", person),
                file);
        assertThat(saved.status()).as(saved.body()).isEqualTo(200);
    }

    @Test
    void whatCannotBeSearchedForIsSaidAndHurtsNothing() throws Exception {
        Api api = practice.administrator();
        Api.Answer tooLong = api.post("/api/find", Map.of("words", "x".repeat(10_000)));
        assertThat(tooLong.status()).isEqualTo(422);
        assertThat(tooLong.<String>at("$.problems[0].message")).contains("500").contains("10,000");
        Api.Answer common = api.post("/api/find", Map.of("words", "the of"));
        assertThat(common.status()).isEqualTo(422);
        assertThat(common.<String>at("$.problems[0].message")).contains("“the”", "“of”", "quotes");
        assertThat(api.post("/api/find", Map.of("words", "\"the of\"")).status())
                .isEqualTo(200);
        Api.Answer some = api.post("/api/find", Map.of("words", "the nothingcanmatchthis"));
        assertThat(some.<List<String>>at("$.leftOut")).containsExactly("the");
        List<String> wild = new ArrayList<>(List.of(
                "\"",
                "'; drop table findable; --",
                "a & | ! ( ) :* <->",
                "%_!\\",
                "\"\"\" '' “ a ”",
                "\u0001 x",
                "a:b:*",
                "!!"));
        for (String typed : wild) {
            for (String key : List.of("words", "anyOf", "exact", "without", "name", "person")) {
                assertThat(api.post("/api/find", Map.of(key, typed)).status())
                        .as(key + " " + typed)
                        .isIn(200, 422);
            }
            assertThat(api.get("/api/find/suggestions?typed={t}", typed).status())
                    .as(typed)
                    .isEqualTo(200);
        }
        assertThat(api.post("/api/find", Map.of("datedFrom", "2026-05-02", "datedTo", "2026-05-01"))
                        .<String>at("$.problems[0].field"))
                .isEqualTo("datedTo");
        assertThat(api.post("/api/find?sort=nonsense", Map.of()).status()).isEqualTo(422);
        assertThat(api.post("/api/find?limit=201", Map.of()).status()).isEqualTo(422);
        assertThat(api.get("/api/find/csv?for={x}", "{no json").status()).isEqualTo(422);
        assertThat(api.get("/api/find/csv?for={x}", "{\"words\":\"the\"}").status())
                .isEqualTo(422);
        Map<String, Object> tooCommon = Map.of("name", "Common", "criteria", Map.of("words", "the"), "shared", true);
        assertThat(api.post("/api/saved-searches", tooCommon).status()).isEqualTo(422);
    }

    @Test
    void searchesAreKeptSharedCountedAndRemovedByTheirOwner() throws Exception {
        Api api = practice.administrator();
        Api groom = practice.colleague(null, false, true);
        String name = "Letters " + UUID.randomUUID();
        Map<String, Object> search =
                Map.of("name", name, "criteria", Map.of("types", List.of("letter")), "shared", true, "place", "TODAY");
        UUID id = api.post("/api/saved-searches", search).id("$.id");
        assertThat(api.post("/api/saved-searches", search).id("$.id")).isEqualTo(id);
        assertThat(groom.get("/api/saved-searches").<List<String>>at("$[*].name"))
                .contains(name);
        assertThat(groom.get("/api/saved-searches/counts?place=TODAY").<List<String>>at("$[*].name"))
                .contains(name);
        assertThat(groom.get("/api/saved-searches/counts?place=FILES").<List<String>>at("$[*].name"))
                .doesNotContain(name);
        assertThat(groom.send(HttpMethod.DELETE, "/api/saved-searches/{id}", null, id)
                        .status())
                .isEqualTo(403);
        assertThat(api.post("/api/saved-searches", Map.of("name", " ", "criteria", Map.of(), "shared", false))
                        .status())
                .isEqualTo(422);
        assertThat(api.send(HttpMethod.DELETE, "/api/saved-searches/{id}", null, id)
                        .status())
                .isEqualTo(204);
        assertThat(groom.get("/api/saved-searches").<List<String>>at("$[*].name"))
                .doesNotContain(name);
    }

    @Test
    void preferencesStayWithTheirAccount() throws Exception {
        Api api = practice.administrator();
        assertThat(api.send(HttpMethod.PUT, "/api/preferences/{n}", "[\"dated\",\"state\"]", "find-columns")
                        .status())
                .isEqualTo(204);
        assertThat(api.get("/api/preferences").<List<String>>at("$.find-columns"))
                .containsExactly("dated", "state");
        assertThat(practice.administrator().get("/api/preferences").body()).isEqualTo("{}");
        assertThat(api.send(HttpMethod.PUT, "/api/preferences/{n}", "1", "No such Name!")
                        .status())
                .isEqualTo(422);
    }

    @Test
    void aWholeFileIsListedAndSearchedWithoutWhatMayNotBeSeen() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Wholly", null);
        UUID hidden = filed(api, file, "tetanus", "bryony vaccination against everything in spring");
        UUID letter = filed(api, file, "letter", "bryony hedges along the paddock, and bryony again");
        filed(api, file, "note", "nothing of that kind stands on this note at all");
        await().until(() -> names(api, Map.of("words", "bryony")).size() == 2);
        assertThat(api.get("/api/files/{id}/papers", file).<List<String>>at("$[*].state"))
                .containsExactly("FILED", "FILED", "FILED");
        Api.Answer words = api.get("/api/files/{id}/words?typed=bryony", file);
        assertThat(words.<List<Integer>>at("$[?(@.documentId=='" + letter + "')].places"))
                .containsExactly(2);
        assertThat(words.<List<?>>at("$")).hasSize(2);
        Api groom = practice.colleague(null, false, true);
        assertThat(groom.get("/api/files/{id}/papers", file).<List<?>>at("$")).hasSize(2);
        assertThat(groom.get("/api/files/{id}/words?typed=bryony", file).body()).doesNotContain(hidden.toString());
        assertThat(practice.colleague("Elsewhere", true, true)
                        .get("/api/files/{id}/papers", file)
                        .status())
                .isEqualTo(404);
    }

    @Test
    void twoVersionsTellInWhichWordsTheyDiffer() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Differing", null);
        UUID document = filed(api, file, "letter", "The aspen lesson begins at nine on Monday in the big hall");
        byte[] second = Papers.pdf("The aspen lesson begins at ten on Monday in the hall with the others");
        api.renew(document, "b.pdf", second);
        String path = "/api/documents/{id}/versions/2/differences?from=1";
        await().until(() -> api.get(path, document).<Boolean>at("$.isRead")
                && api.get(path, document).<Integer>at("$.count") == 3);
        Api.Answer differences = api.get(path, document);
        assertThat(differences.<List<String>>at("$.before[*].places[*].text")).containsExactly("nine", "big");
        assertThat(differences.<List<String>>at("$.after[*].places[*].text")).containsExactly("ten", "with the others");
        List<List<Integer>> boxes = differences.at("$.after[0].places[1].boxes");
        assertThat(boxes).hasSize(3);
        assertThat(api.get("/api/documents/{id}/versions/2/differences?from=2", document)
                        .<Integer>at("$.count"))
                .isZero();
        assertThat(api.get("/api/documents/{id}/versions/2/differences?from=3", document)
                        .status())
                .isEqualTo(404);
    }

    @Test
    void whatWasMeantByMistypedWordsIsOfferedFromPapersOneMaySeeOnly() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Meantword", null);
        UUID other = api.newEmployee("Otherword", null);
        filed(api, file, "letter", "The farriery bill mentions hoofknife and clenches.");
        filed(api, other, "clearance", "Diagnosis spondylolisthesis without complaint.");
        awaitFound(api, "hoofknife");
        awaitFound(api, "spondylolisthesis");
        String meant = "/api/find/meant?typed=";
        assertThat(api.get(meant + "hofknife clenchs").<String>at("$.words")).isEqualTo("hoofknife clenchs");
        assertThat(api.get(meant + "farriery hoofknive").<String>at("$.words")).isEqualTo("farriery hoofknife");
        assertThat(api.get(meant + "hoofknife").body()).as("found as it is").isEqualTo("{}");
        assertThat(api.get(meant + "xyzzyplugh").body()).isEqualTo("{}");
        assertThat(api.get(meant + "hofknife&fileId=" + file).<String>at("$.words"))
                .isEqualTo("hoofknife");
        assertThat(api.get(meant + "hofknife&fileId=" + other).body())
                .as("no paper of that file holds it")
                .isEqualTo("{}");
        assertThat(api.get(meant + "spondylolistesis").<String>at("$.words")).isEqualTo("spondylolisthesis");
        assertThat(practice.colleague(null, false, true)
                        .get(meant + "spondylolistesis")
                        .body())
                .as("a word of papers that the colleague may not see")
                .isEqualTo("{}");
    }
}
