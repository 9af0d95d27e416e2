package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.accounts.NewAccount;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

@ServerTest
class SignInTest {

    @Autowired
    TestPractice practice;

    @Autowired
    MockMvc mvc;

    @Autowired
    Accounts accounts;

    @Autowired
    JdbcClient jdbc;

    @Test
    void withoutSessionNothingIsTold() throws Exception {
        Api nobody = Api.nobody(mvc);
        assertThat(nobody.get("/api/board").status()).isEqualTo(401);
        assertThat(nobody.get("/api/session").status()).isEqualTo(401);
        assertThat(nobody.get("/api/portal").status()).isEqualTo(401);
        assertThat(nobody.get("/api/practice").status()).isEqualTo(200);
    }

    @Test
    void theSessionLivesInTheDatabaseAndEndsWithSigningOut() throws Exception {
        Api api = practice.administrator();
        assertThat(jdbc.sql("select count(*) from spring_session")
                        .query(Long.class)
                        .single())
                .isPositive();
        assertThat(api.get("/api/session").<String>at("$.role")).isEqualTo("ADMINISTRATOR");
        assertThat(api.send(HttpMethod.DELETE, "/api/session", null).status()).isEqualTo(204);
        assertThat(api.get("/api/session").status()).isEqualTo(401);
    }

    @Test
    void aRequestWithoutItsTokenIsRefused() throws Exception {
        int status = mvc.perform(post("/api/session")
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"email\":\"a@post.example\",\"password\":\"b\"}"))
                .andReturn()
                .getResponse()
                .getStatus();
        assertThat(status).isEqualTo(403);
    }

    @Test
    void afterFiveFailuresEvenTheRightPasswordMustWait() throws Exception {
        String email = TestPractice.newAddress();
        accounts.setPassword(
                accounts.open(NewAccount.administrator(email, "Bram Ostervelt")).accountId(), TestPractice.PASSWORD);
        Api nobody = Api.nobody(mvc);
        for (int i = 0; i < 5; i++) {
            assertThat(nobody.post("/api/session", Map.of("email", email, "password", "wrong"))
                            .status())
                    .isEqualTo(401);
        }
        Api.Answer refused = nobody.post("/api/session", Map.of("email", email, "password", TestPractice.PASSWORD));
        assertThat(refused.status()).isEqualTo(429);
        assertThat(refused.<String>at("$.detail")).contains("Wait 2 seconds", "try again");
        assertThat(jdbc.sql("select count(*) from audit_event where action = 'sign-in-refused' and sentence like ?")
                        .param("%" + email + "%")
                        .query(Long.class)
                        .single())
                .isEqualTo(5);
    }

    private String account() {
        String email = TestPractice.newAddress();
        accounts.setPassword(
                accounts.open(NewAccount.administrator(email, "Bram Ostervelt")).accountId(), TestPractice.PASSWORD);
        return email;
    }

    private MockHttpServletResponse signInFrom(String address, String email, String password) throws Exception {
        return mvc.perform(post("/api/session")
                        .with(csrf())
                        .with(request -> {
                            request.setRemoteAddr(address);
                            return request;
                        })
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"email\":\"" + email + "\",\"password\":\"" + password + "\"}"))
                .andReturn()
                .getResponse();
    }

    @Test
    void sixteenWrongPasswordsAtOncePassNoLimit() throws Exception {
        String email = account();
        ExecutorService pool = Executors.newFixedThreadPool(16);
        List<Future<Integer>> tries = new ArrayList<>();
        for (int i = 0; i < 16; i++) {
            tries.add(pool.submit(() -> signInFrom("192.0.2.7", email, "wrong").getStatus()));
        }
        List<Integer> answers = new ArrayList<>();
        for (Future<Integer> one : tries) {
            answers.add(one.get());
        }
        pool.shutdown();
        assertThat(answers.stream().filter(s -> s == 401).count()).isEqualTo(5);
        assertThat(answers.stream().filter(s -> s == 429).count()).isEqualTo(11);
    }

    @Test
    void aStrangerHoldsUpNeitherTheOwnerNorOthersBehindTheSameAddress() throws Exception {
        String email = account();
        for (int i = 0; i < 8; i++) {
            signInFrom("192.0.2.8", email, "wrong");
        }
        assertThat(signInFrom("192.0.2.8", email, TestPractice.PASSWORD).getStatus())
                .isEqualTo(429);
        assertThat(signInFrom("198.51.100.9", email, TestPractice.PASSWORD).getStatus())
                .as("the owner elsewhere")
                .isEqualTo(200);
        assertThat(signInFrom("192.0.2.8", account(), TestPractice.PASSWORD).getStatus())
                .as("a colleague behind the same address")
                .isEqualTo(200);
        var forged = mvc.perform(post("/api/session")
                        .with(csrf())
                        .header("X-Forwarded-For", "203.0.113.5")
                        .with(request -> {
                            request.setRemoteAddr("192.0.2.8");
                            return request;
                        })
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{\"email\":\"" + email + "\",\"password\":\"" + TestPractice.PASSWORD + "\"}"))
                .andReturn()
                .getResponse();
        assertThat(forged.getStatus()).as("nobody says who he is by himself").isEqualTo(429);
    }

    @Test
    void strangersWriteNothingIntoTheTrailAndKeepNobodyBusy() throws Exception {
        long before = rows();
        Api nobody = Api.nobody(mvc);
        String long1 = "x".repeat(100_000) + "@post.example";
        assertThat(nobody.post("/api/session", Map.of("email", long1, "password", "wrong"))
                        .status())
                .isEqualTo(401);
        assertThat(nobody.post("/api/session", Map.of("email", TestPractice.newAddress(), "password", "wrong"))
                        .status())
                .isEqualTo(401);
        assertThat(rows()).isEqualTo(before);
        String email = account();
        assertThat(nobody.post("/api/session", Map.of("email", email, "password", "p".repeat(5_000_000)))
                        .status())
                .isEqualTo(401);
        for (int i = 0; i < 40; i++) {
            nobody.post("/api/session", Map.of("email", email, "password", "wrong"));
        }
        assertThat(rows() - before).isLessThan(10);
    }

    private long rows() {
        return jdbc.sql("select count(*) from audit_event where action = 'sign-in-refused'")
                .query(Long.class)
                .single();
    }

    @Test
    void passwordsThatAreGuessedFirstAreNotAccepted() throws Exception {
        for (String weak : List.of(
                "short", "aaaaaaaaaa", "1234567890", "password123", "qwertyuiop", "x".repeat(201), "bramostervelt")) {
            Viewer viewer = accounts.open(NewAccount.administrator(TestPractice.newAddress(), "Bram Ostervelt"));
            String link = accounts.issueLink(viewer.accountId());
            Api.Answer refused = Api.nobody(mvc).post("/api/invitations/{t}", Map.of("password", weak), link);
            assertThat(refused.status()).as(weak).isEqualTo(422);
            assertThat(Api.nobody(mvc)
                            .post("/api/invitations/{t}", Map.of("password", "horse blanket on tuesday"), link)
                            .status())
                    .as("the link still works")
                    .isEqualTo(200);
        }
        String hash = jdbc.sql("select password_hash from account where password_hash is not null limit 1")
                .query(String.class)
                .single();
        assertThat(hash).startsWith("$argon2id$v=19$m=19456,t=2,p=1$");
    }

    @Test
    void aNewLinkEndsOlderOnesAndANewPasswordEndsAllSessions() throws Exception {
        String email = account();
        Api before = Api.signIn(mvc, email, TestPractice.PASSWORD);
        UUID id = before.get("/api/session").id("$.id");
        String first = accounts.issueLink(id);
        String second = accounts.issueLink(id);
        Api nobody = Api.nobody(mvc);
        Map<String, String> fresh = Map.of("password", "horse blanket on tuesday");
        assertThat(nobody.post("/api/invitations/{t}", fresh, first).status()).isEqualTo(410);
        assertThat(before.get("/api/session").status()).isEqualTo(200);
        assertThat(nobody.post("/api/invitations/{t}", fresh, second).status()).isEqualTo(200);
        assertThat(before.get("/api/session").status()).isEqualTo(401);
        assertThat(nobody.post("/api/invitations/{t}", fresh, second).status()).isEqualTo(410);
    }

    @Test
    void anAccountThatIsClosedIsOutAtOnceWithItsLinks() throws Exception {
        Api api = practice.administrator();
        Api leaving = practice.colleague(null, true, true);
        UUID id = leaving.get("/api/session").id("$.id");
        String link = accounts.issueLink(id);
        assertThat(leaving.post("/api/accounts/{id}/close", null, id).status()).isEqualTo(403);
        assertThat(api.post("/api/accounts/{id}/close", null, id).status()).isEqualTo(204);
        assertThat(leaving.get("/api/session").status()).isEqualTo(401);
        assertThat(Api.nobody(mvc).get("/api/invitations/{t}", link).status()).isEqualTo(410);
        UUID own = api.get("/api/session").id("$.id");
        assertThat(api.post("/api/accounts/{id}/close", null, own).status()).isEqualTo(409);
        assertThat(api.post("/api/accounts/{id}/open", null, id).status()).isEqualTo(204);
    }

    /** A character that no text has is refused in words, wherever it is sent. */
    @Test
    void aNulCharacterIsRefusedInWordsEverywhere() throws Exception {
        Api api = practice.administrator();
        UUID paper = api.fileNewPaper(api.newEmployee("Nul", null), "letter", java.time.LocalDate.now());
        String nul = "a" + (char) 0 + "b";
        assertThat(Api.nobody(mvc)
                        .post("/api/session", Map.of("email", nul, "password", nul))
                        .status())
                .isEqualTo(422);
        Map<String, Object> person = Map.of("kind", "employee", "givenName", nul, "familyName", nul);
        for (Api.Answer refused : List.of(
                api.post("/api/find", Map.of("words", nul)),
                api.post("/api/files", Map.of("person", person, "evenIfLike", true)),
                api.post("/api/documents/{id}/comments", Map.of("words", nul, "mentioned", List.of()), paper))) {
            assertThat(refused.status()).isEqualTo(422);
            assertThat(refused.<String>at("$.detail")).contains("NUL");
        }
        for (String address : List.of(
                "/api/board?text=a%00b", "/api/files/found?text=%00", "/api/suggest?text=%00", "/api/files/%00")) {
            var answer =
                    mvc.perform(get(java.net.URI.create(address))).andReturn().getResponse();
            assertThat(answer.getStatus()).as(address).isEqualTo(400);
            assertThat(answer.getContentAsString()).contains("NUL");
        }
    }

    @Test
    void theAddressOfErrorsIsNoPage() throws Exception {
        assertThat(mvc.perform(get("/error")).andReturn().getResponse().getStatus())
                .isEqualTo(404);
    }

    @Test
    void thePageAllowsNothingFromElsewhere() throws Exception {
        var response = mvc.perform(get("/files")).andReturn().getResponse();
        String policy = response.getHeader("Content-Security-Policy");
        assertThat(policy).contains("default-src 'none'", "script-src 'self';").doesNotContain("unsafe");
        String nonce = policy.replaceAll(".*'nonce-([^']+)'.*", "$1");
        assertThat(response.getContentAsString()).contains(nonce);
    }

    @Test
    void oneAccountSignsInAtSeveralPlacesAtOnce() throws Exception {
        String email = TestPractice.newAddress();
        Viewer viewer = accounts.open(NewAccount.administrator(email, "Ottilie Brandmoor"));
        accounts.setPassword(viewer.accountId(), TestPractice.PASSWORD);
        ExecutorService pool = Executors.newFixedThreadPool(4);
        List<Future<Api>> places = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            places.add(pool.submit(() -> Api.signIn(mvc, email, TestPractice.PASSWORD)));
        }
        for (Future<Api> place : places) {
            assertThat(place.get().get("/api/session").status()).isEqualTo(200);
        }
        pool.shutdown();
    }

    @Test
    void thatASessionWasUsedIsWrittenOnceAMinute() throws Exception {
        Api api = practice.administrator();
        String email = api.get("/api/session").at("$.email");
        long first = lastAccess(email);
        Thread.sleep(20);
        api.get("/api/session");
        assertThat(lastAccess(email)).isEqualTo(first);
        jdbc.sql("update spring_session set last_access_time = last_access_time - 61000")
                .update();
        api.get("/api/session");
        assertThat(lastAccess(email)).isGreaterThan(first);
    }

    private void usedBefore(int milliseconds) {
        jdbc.sql("update spring_session set last_access_time = last_access_time - ?")
                .param(milliseconds)
                .update();
    }

    private long lastAccess(String email) {
        return jdbc.sql("select max(last_access_time) from spring_session s join account a"
                        + " on a.email = ? and s.principal_name like '%' || a.id || '%'")
                .param(email)
                .query(Long.class)
                .single();
    }
}
