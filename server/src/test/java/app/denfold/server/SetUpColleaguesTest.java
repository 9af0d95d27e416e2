package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.test.web.servlet.MockMvc;

/** An administrator says who works here and what they may; nobody else does. */
@ServerTest
class SetUpColleaguesTest {

    private static final String ACCOUNTS = "/api/set-up/accounts";
    private static final String PASSWORD = "four rivers under one bridge";

    @Autowired
    TestPractice practice;

    @Autowired
    MockMvc mvc;

    private static Map<String, Object> colleague(String email) {
        return colleague(email, "COLLEAGUE", "TEAM", "Therapy", true);
    }

    private static Map<String, Object> colleague(
            String email, String role, String reach, String team, boolean mayChange) {
        return new HashMap<>(Map.of(
                "email",
                email,
                "name",
                "Marlo Quennell",
                "role",
                role,
                "scope",
                Map.of(
                        "reach",
                        reach,
                        "team",
                        team,
                        "leads",
                        List.of(),
                        "seesSensitive",
                        true,
                        "seesSections",
                        List.of(),
                        "mayChange",
                        mayChange),
                "post",
                Map.of("title", "therapist")));
    }

    private static Map<String, Object> account(Api api, String email) throws Exception {
        List<Map<String, Object>> found = api.get(ACCOUNTS).at("$[?(@.email=='" + email + "')]");
        return found.get(0);
    }

    private Api comeIn(String email) throws Exception {
        String token = TestMail.linkTo(email);
        return Api.nobody(mvc).begin("/api/invitations/" + token, Map.of("password", PASSWORD));
    }

    @Test
    void whoeverIsInvitedComesInByTheLinkAndSeesWhatTheyMay() throws Exception {
        Api api = practice.administrator();
        UUID therapy = api.newFile("patient", "Oftherapy", null, "Therapy");
        UUID school = api.newFile("student", "Ofschool", null, "Riding school");
        String email = TestPractice.newAddress();
        UUID id = api.post(ACCOUNTS, colleague(email)).id("$.id");
        assertThat(account(api, email)).containsEntry("state", "INVITED");

        Api invited = comeIn(email);
        assertThat(account(api, email)).containsEntry("state", "ACTIVE");
        assertThat(invited.get("/api/files/{id}", therapy).status()).isEqualTo(200);
        assertThat(invited.get("/api/files/{id}", school).status()).isEqualTo(404);
        assertThat(invited.get(ACCOUNTS).status()).isEqualTo(403);
        assertThat(api.get("/api/files/{id}/who-sees", therapy).<List<String>>at("$[?(@.accountId=='" + id + "')].why"))
                .containsExactly("team Therapy");
        assertThat(api.get("/api/files/{id}/who-sees", school).<List<String>>at("$[?(@.accountId=='" + id + "')].why"))
                .isEmpty();

        Map<String, Object> everywhere = colleague(email, "COLLEAGUE", "EVERYBODY", " ", false);
        int version = (int) account(api, email).get("version");
        assertThat(api.send(HttpMethod.PUT, ACCOUNTS + "/{id}", Map.of("version", version, "details", everywhere), id)
                        .status())
                .isEqualTo(200);
        assertThat(invited.get("/api/files/{id}", school).status())
                .as("the open session has the new rights at once")
                .isEqualTo(200);
        assertThat(invited.post("/api/files/{id}/chase", Map.of("again", false), school)
                        .status())
                .isEqualTo(403);
        assertThat(api.send(HttpMethod.PUT, ACCOUNTS + "/{id}", Map.of("version", version, "details", everywhere), id)
                        .<String>at("$.code"))
                .isEqualTo("changed-meanwhile");
    }

    @Test
    void whoIsPausedOrEndedIsOutAtOnceAndCanComeBackFromAPauseOnly() throws Exception {
        Api api = practice.administrator();
        String email = TestPractice.newAddress();
        UUID id = api.post(ACCOUNTS, colleague(email)).id("$.id");
        Api invited = comeIn(email);
        assertThat(api.send(HttpMethod.PUT, ACCOUNTS + "/{id}/pause", Map.of("paused", true), id)
                        .status())
                .isEqualTo(204);
        assertThat(invited.get("/api/session").status()).isEqualTo(401);
        assertThat(signIn(email)).isEqualTo(401);
        assertThat(account(api, email)).containsEntry("state", "PAUSED");
        assertThat(api.post(ACCOUNTS + "/{id}/link", null, id).status()).isEqualTo(409);
        assertThat(api.get("/api/colleagues").<List<String>>at("$[*].id")).doesNotContain(id.toString());

        api.send(HttpMethod.PUT, ACCOUNTS + "/{id}/pause", Map.of("paused", false), id);
        assertThat(signIn(email)).isEqualTo(200);
        api.post("/api/accounts/{id}/close", null, id);
        assertThat(signIn(email)).isEqualTo(401);
        assertThat(account(api, email)).containsEntry("state", "ENDED");
    }

    private static String problem(Api api, Map<String, Object> details) throws Exception {
        Api.Answer answer = api.post(ACCOUNTS, details);
        assertThat(answer.status()).as(answer.body()).isEqualTo(422);
        return answer.at("$.problems[0].field");
    }

    private int signIn(String email) throws Exception {
        return Api.nobody(mvc)
                .post("/api/session", Map.of("email", email, "password", PASSWORD))
                .status();
    }

    @Test
    void nobodyIsWhatCannotBeAndNobodyLocksThemselvesOut() throws Exception {
        Api api = practice.administrator();
        String own = api.get("/api/session").at("$.email");
        UUID me = api.get("/api/session").id("$.id");
        Map<String, Object> wrong = colleague(own);
        assertThat(api.post(ACCOUNTS, wrong).<String>at("$.code")).isEqualTo("account-exists");
        wrong.put("email", "no address");
        assertThat(api.post(ACCOUNTS, wrong).<String>at("$.detail")).isEqualTo("The email is no email address.");
        Map<String, Object> guest = colleague(TestPractice.newAddress());
        guest.put("role", "GUEST");
        assertThat(api.post(ACCOUNTS, guest).<String>at("$.problems[0].field")).isEqualTo("role");
        String address = TestPractice.newAddress();
        assertThat(problem(api, colleague(address, "ADMINISTRATOR", "TEAM", "Therapy", true)))
                .isEqualTo("scope.reach");
        assertThat(problem(api, colleague(address, "ADMINISTRATOR", "EVERYBODY", "", false)))
                .isEqualTo("scope.mayChange");
        assertThat(problem(api, colleague(address, "COLLEAGUE", "DEPARTMENT", "", true)))
                .isEqualTo("scope.team");
        assertThat(problem(api, colleague(address, "COLLEAGUE", "OWN_PEOPLE", "", true)))
                .isEqualTo("scope.reach");
        Map<String, Object> away = colleague(address);
        away.put("post", Map.of("deputy", me, "deputyFrom", "2026-05-04", "deputyUntil", "2026-05-03"));
        assertThat(problem(api, away)).isEqualTo("post.deputyUntil");
        away.put("post", Map.of("deputy", UUID.randomUUID()));
        assertThat(problem(api, away)).isEqualTo("post.deputy");
        away.put("post", Map.of("ownFile", UUID.randomUUID()));
        assertThat(problem(api, away)).isEqualTo("post.ownFile");

        int version = (int) account(api, own).get("version");
        assertThat(api.send(
                                HttpMethod.PUT,
                                ACCOUNTS + "/{id}",
                                Map.of("version", version, "details", colleague(own)),
                                me)
                        .<String>at("$.code"))
                .isEqualTo("own-account");
        assertThat(api.send(HttpMethod.PUT, ACCOUNTS + "/{id}/pause", Map.of("paused", true), me)
                        .<String>at("$.code"))
                .isEqualTo("own-account");
        Api other = practice.colleague(null, true, true);
        assertThat(other.post(ACCOUNTS, colleague(TestPractice.newAddress())).status())
                .isEqualTo(403);
        assertThat(other.send(
                                HttpMethod.PUT,
                                ACCOUNTS + "/{id}",
                                Map.of("version", version, "details", colleague(own)),
                                me)
                        .status())
                .isEqualTo(403);
    }

    @Test
    void aForgottenPasswordIsChosenAnewByALinkAndNobodyLearnsWhoHasAnAccount() throws Exception {
        Api holder = practice.administrator();
        String email = holder.get("/api/session").at("$.email");
        String ask = "/api/forgotten-password";
        Api nobody = Api.nobody(mvc);
        Api.Answer unknown = nobody.post(ask, Map.of("email", TestPractice.newAddress()));
        Api.Answer known = nobody.post(ask, Map.of("email", email));
        assertThat(known.status()).isEqualTo(unknown.status()).isEqualTo(202);
        assertThat(known.body()).isEqualTo(unknown.body());
        assertThat(holder.get("/api/session").status())
                .as("asking ends nothing; it may have been a stranger")
                .isEqualTo(200);
        nobody.post(ask, Map.of("email", email));
        Api again = comeIn(email);
        assertThat(TestMail.to(email)).as("one mail, however often one asks").hasSize(1);
        assertThat(again.get("/api/session").<String>at("$.email")).isEqualTo(email);
        assertThat(holder.get("/api/session").status())
                .as("sessions begun under the forgotten password")
                .isEqualTo(401);
        assertThat(signIn(email)).isEqualTo(200);
        assertThat(practice.administrator()
                        .get("/api/notices")
                        .<List<String>>at("$[?(@.recipient=='" + email + "')].body"))
                .allMatch(b -> b.contains("/invitation/…"));
    }

    @Test
    void onesOwnSessionsAreListedAndTheOthersEnded() throws Exception {
        Api api = practice.administrator();
        String email = TestPractice.newAddress();
        api.post(ACCOUNTS, colleague(email));
        comeIn(email);
        Api here = Api.signIn(mvc, email, PASSWORD);
        Api there = Api.signIn(mvc, email, PASSWORD);
        Api.Answer mine = here.get("/api/my-sessions");
        assertThat(mine.<List<Boolean>>at("$[*].isThis"))
                .hasSizeGreaterThanOrEqualTo(2)
                .containsOnlyOnce(true);
        assertThat(here.send(HttpMethod.DELETE, "/api/my-sessions/others", null).status())
                .isEqualTo(204);
        assertThat(here.get("/api/session").status()).isEqualTo(200);
        assertThat(there.get("/api/session").status()).isEqualTo(401);
    }
}
