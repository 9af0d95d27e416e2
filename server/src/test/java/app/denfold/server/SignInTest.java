package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import app.denfold.server.access.Accounts;
import app.denfold.server.access.NewAccount;
import app.denfold.server.access.Viewer;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.simple.JdbcClient;
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
