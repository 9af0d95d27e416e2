package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.core.people.Teams.Reach;
import app.denfold.server.access.Marking;
import app.denfold.server.access.Role;
import app.denfold.server.access.accounts.NewAccount;
import app.denfold.server.access.accounts.Post;
import app.denfold.server.access.accounts.Scope;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;

/** Whose files people see: by their team, the part of the practice in which it lies, and those they are in charge of. */
@ServerTest
class WhoSeesWhatTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    private static NewAccount colleague(Reach reach, String team, Set<String> leads, UUID ownFile) {
        return new NewAccount(
                TestPractice.newAddress(),
                "Hester Quillam",
                Role.COLLEAGUE,
                new Scope(reach, team, leads, true, Set.of(), Set.of(), true, Marking.MAKES),
                new Post(null, null, null, ownFile, null, null, null));
    }

    private static Map<String, Object> team(String name, String size, String within) {
        Map<String, Object> team = new HashMap<>(Map.of("name", name, "size", size));
        team.put("within", within);
        return team;
    }

    /** These besides those that are there. */
    private static Api.Answer keepTeams(Api api, List<Map<String, Object>> added) throws Exception {
        List<Map<String, Object>> all =
                new ArrayList<>(api.get("/api/set-up/teams").<List<Map<String, Object>>>at("$"));
        all.removeIf(t -> added.stream().anyMatch(a -> a.get("name").equals(t.get("name"))));
        all.addAll(added);
        return api.send(HttpMethod.PUT, "/api/set-up/teams", Map.of("teams", all));
    }

    /** Families of the people somebody sees, in every way in which one can ask. */
    private static Set<String> seen(Api who, Map<String, UUID> files) throws Exception {
        Set<String> seen = new java.util.TreeSet<>();
        for (Map.Entry<String, UUID> file : files.entrySet()) {
            boolean opens = who.get("/api/files/{id}", file.getValue()).status() == 200;
            boolean isFound = who.get("/api/files/found?text={family}", file.getKey())
                    .body()
                    .contains(file.getValue().toString());
            boolean isOnBoard = who.get("/api/board?text={family}", file.getKey())
                    .body()
                    .contains(file.getValue().toString());
            assertThat(List.of(isFound, isOnBoard)).as(file.getKey()).containsOnly(opens);
            if (opens) {
                seen.add(file.getKey().substring(0, 4));
            }
        }
        return seen;
    }

    @Test
    void peopleSeeAsFarAsTheirReachGoes() throws Exception {
        Api api = practice.administrator();
        String mark = UUID.randomUUID().toString().substring(0, 8);
        String farm = "Farm " + mark;
        String riding = "Riding " + mark;
        String trek = "Trek " + mark;
        String hay = "Hay " + mark;
        assertThat(keepTeams(
                                api,
                                List.of(
                                        team(farm, "AREA", null),
                                        team(riding, "DEPARTMENT", farm),
                                        team(trek, "TEAM", riding),
                                        team(hay, "TEAM", farm)))
                        .status())
                .isEqualTo(204);
        UUID boss = api.newFile("employee", "Boss" + mark, null, "Elsewhere");
        Map<String, UUID> files = new HashMap<>();
        files.put("Trek" + mark, api.newFile("employee", "Trek" + mark, null, trek));
        files.put("Ridi" + mark, api.newFile("employee", "Ridi" + mark, null, riding));
        files.put("Hays" + mark, api.newFile("employee", "Hays" + mark, null, hay));
        files.put("Boss" + mark, boss);
        UUID led = api.newFile("employee", "Ledd" + mark, null, "Elsewhere");
        files.put("Ledd" + mark, led);
        Api.Answer person = api.get("/api/files/{id}", led);
        String number = api.get("/api/files/{id}", boss).at("$.number");
        Map<String, Object> details = new HashMap<>(Map.of(
                "kind",
                "employee",
                "givenName",
                "Tamsin",
                "familyName",
                "Ledd" + mark,
                "team",
                "Elsewhere",
                "facts",
                Map.of("supervisor", number)));
        details.put("activeFrom", TODAY.minusDays(100).toString());
        assertThat(api.send(
                                HttpMethod.PUT,
                                "/api/files/{id}",
                                Map.of("version", person.<Integer>at("$.version"), "person", details),
                                led)
                        .status())
                .isEqualTo(200);

        assertThat(seen(practice.signedIn(colleague(Reach.TEAM, trek, Set.of(), null)), files))
                .containsExactly("Trek");
        assertThat(seen(practice.signedIn(colleague(Reach.DEPARTMENT, trek, Set.of(), null)), files))
                .containsExactly("Ridi", "Trek");
        assertThat(seen(practice.signedIn(colleague(Reach.AREA, trek, Set.of(), null)), files))
                .containsExactly("Hays", "Ridi", "Trek");
        assertThat(seen(practice.signedIn(colleague(Reach.OWN_PEOPLE, trek, Set.of(), boss)), files))
                .containsExactly("Ledd");
        assertThat(seen(practice.signedIn(colleague(Reach.OWN_PEOPLE, null, Set.of(riding, hay), boss)), files))
                .containsExactly("Hays", "Ledd", "Ridi", "Trek");
        assertThat(api.get("/api/files/{id}/who-sees", led).<List<String>>at("$[*].why"))
                .contains("administrator", "in charge of the person");
        assertThat(api.get("/api/files/{id}/who-sees", files.get("Ridi" + mark)).<List<String>>at("$[*].why"))
                .contains("same department as " + trek, "leads " + riding);
    }

    @Test
    void aTreeThatIsNoneIsRefusedAtItsPlaceAndAUsedTeamStays() throws Exception {
        Api api = practice.administrator();
        String name = "Used " + UUID.randomUUID().toString().substring(0, 8);
        api.newFile("employee", "Teamed", null, name);
        List<Map<String, Object>> all =
                new ArrayList<>(api.get("/api/set-up/teams").<List<Map<String, Object>>>at("$"));
        assertThat(all).extracting(t -> t.get("name")).contains(name);
        all.removeIf(t -> t.get("name").equals(name));
        Api.Answer refused = api.send(HttpMethod.PUT, "/api/set-up/teams", Map.of("teams", all));
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.<String>at("$.detail")).isEqualTo(name + " cannot go: one file is of this team.");
        Api.Answer circle = api.send(
                HttpMethod.PUT,
                "/api/set-up/teams",
                Map.of("teams", List.of(team("Eggs", "TEAM", "Hens"), team("Hens", "TEAM", "Eggs"))));
        assertThat(circle.status()).isEqualTo(422);
        assertThat(circle.body()).contains("Eggs cannot lie in Hens, which is no larger.");
    }

    @Test
    void aSensitiveSectionIsForThoseWhoSeeItAlone() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newFile("employee", "Sectioned", null, "Stables");
        List<Map<String, Object>> sections =
                new ArrayList<>(api.get("/api/set-up/sections").<List<Map<String, Object>>>at("$"));
        sections.add(new HashMap<>(Map.of("label", "Quiet matters", "sensitive", true)));
        api.send(HttpMethod.PUT, "/api/set-up/sections", sections);
        Map<String, Object> type = new HashMap<>(Map.of(
                "version",
                0,
                "label",
                "Quiet letter",
                "section",
                "quiet-matters",
                "validity",
                Map.of("rule", "open"),
                "namingPattern",
                "{type}",
                "needsReview",
                false,
                "sensitive",
                false,
                "synonyms",
                List.of(),
                "signers",
                List.of()));
        type.put("fields", List.of());
        api.send(HttpMethod.PUT, "/api/set-up/document-types/{code}", type, "quiet-letter");
        UUID paper = api.fileNewPaper(file, "quiet-letter", TODAY.minusDays(2));
        Api reception = practice.colleague(null, false, true);
        assertThat(reception.get("/api/documents/{id}", paper).status()).isEqualTo(404);
        NewAccount seer = NewAccount.colleague(TestPractice.newAddress(), "Zuri Mbeya-Holt", null, false, true)
                .seeing(new Scope(
                        Reach.EVERYBODY,
                        null,
                        Set.of(),
                        false,
                        Set.of("quiet-matters"),
                        Set.of(),
                        true,
                        Marking.MAKES));
        assertThat(practice.signedIn(seer).get("/api/documents/{id}", paper).status())
                .isEqualTo(200);
        UUID clearance = api.fileNewPaper(file, "clearance", TODAY.minusDays(2));
        Api single = practice.signedIn(NewAccount.colleague(TestPractice.newAddress(), "Ada Single", null, false, true)
                .seeing(new Scope(
                        Reach.EVERYBODY,
                        null,
                        Set.of(),
                        false,
                        Set.of(),
                        Set.of("quiet-letter"),
                        true,
                        Marking.MAKES)));
        assertThat(single.get("/api/documents/{id}", paper).status())
                .as("a single type")
                .isEqualTo(200);
        assertThat(single.get("/api/documents/{id}", clearance).status())
                .as("another sensitive type")
                .isEqualTo(404);
    }

    @Test
    void aDeputyReviewsAndGoesOnWithWhatLiesWithTheOneAwayForThoseDaysOnly() throws Exception {
        Api api = practice.administrator();
        NewAccount deputy = NewAccount.colleague(TestPractice.newAddress(), "Runa Deputy", null, true, true);
        Api runa = practice.signedIn(deputy);
        UUID runaId = runa.get("/api/session").id("$.id");
        NewAccount away = NewAccount.colleague(TestPractice.newAddress(), "Zuri Away", null, true, true)
                .as(new Post(null, null, null, null, runaId, TODAY.minusDays(1), TODAY));
        Api zuri = practice.signedIn(away);
        UUID zuriId = zuri.get("/api/session").id("$.id");
        UUID paper = api.fileNewPaper(api.newEmployee("Deputised", null), "letter", TODAY.minusDays(2));
        api.post("/api/documents/{id}/hand-overs", Map.of("to", zuriId, "note", "please"), paper);
        Api.Answer lying = runa.get("/api/hand-overs/mine");
        assertThat(lying.<List<String>>at("$[?(@.documentId=='" + paper + "')].with"))
                .containsExactly("Zuri Away");
        UUID review = api.fileNewPaper(api.newEmployee("Reviewed", null), "first-aid", TODAY.minusDays(2));
        UUID reviewed = api.get("/api/documents/{id}", review).id("$.fileId");
        Map<String, Object> details = new HashMap<>(Api.details(reviewed, "first-aid", TODAY.minusDays(2)));
        details.put("reviewer", zuriId);
        int changes = api.get("/api/documents/{id}", review).at("$.changes");
        assertThat(api.send(
                                HttpMethod.PUT,
                                "/api/documents/{id}/details",
                                Map.of("changes", changes, "details", details),
                                review)
                        .status())
                .isEqualTo(204);
        Api.Answer today = runa.get("/api/today");
        assertThat(today.<List<String>>at("$..[?(@.documentId=='" + paper + "')].note")
                        .get(0))
                .contains(", for Zuri Away: ");
        assertThat(today.<List<String>>at("$..[?(@.documentId=='" + review + "')].note"))
                .containsExactly("for Zuri Away");
        UUID handOver = api.get("/api/documents/{id}/hand-overs", paper).id("$[0].id");
        assertThat(runa.post("/api/hand-overs/{id}/finish", Map.of("note", "done"), handOver)
                        .status())
                .isEqualTo(200);

        NewAccount back = NewAccount.colleague(TestPractice.newAddress(), "Zuri Back", null, true, true)
                .as(new Post(null, null, null, null, runaId, TODAY.minusDays(9), TODAY.minusDays(1)));
        UUID backId = practice.signedIn(back).get("/api/session").id("$.id");
        UUID other = api.fileNewPaper(api.newEmployee("Nodeputy", null), "letter", TODAY.minusDays(2));
        api.post("/api/documents/{id}/hand-overs", Map.of("to", backId, "note", "please"), other);
        UUID second = api.get("/api/documents/{id}/hand-overs", other).id("$[0].id");
        assertThat(runa.get("/api/hand-overs/mine").body()).doesNotContain(other.toString());
        assertThat(runa.post("/api/hand-overs/{id}/finish", Map.of("note", ""), second)
                        .status())
                .isEqualTo(403);
    }
}
