package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.accounts.NewAccount;
import com.eatthepath.otp.TimeBasedOneTimePasswordGenerator;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import javax.crypto.spec.SecretKeySpec;
import org.apache.commons.codec.binary.Base32;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;

/** A code besides the password: asked for, right once, replaced by recovery codes, demanded by the practice. */
@ServerTest
class SecondFactorTest {

    private static final String MINE = "/api/my-second-factor";
    private static final String PASSWORD = "seven hedges and a gate";

    @Autowired
    TestPractice practice;

    @Autowired
    Accounts accounts;

    @Autowired
    MockMvc mvc;

    @Autowired
    JdbcClient jdbc;

    private String email;
    private Viewer holder;

    @BeforeEach
    void open() {
        email = TestPractice.newAddress();
        holder = accounts.open(NewAccount.colleague(email, "Dilan Ozgune", null, false, true));
        accounts.setPassword(holder.accountId(), PASSWORD);
    }

    @AfterEach
    void nobodyHasToHaveOne() throws Exception {
        demand(List.of());
    }

    private void demand(List<String> roles) throws Exception {
        Map<String, Object> limits = Map.of("idleMinutes", 480, "mostHours", 24, "secondFactor", roles);
        assertThat(practice.administrator()
                        .send(HttpMethod.PUT, "/api/set-up/practice/sessions", limits)
                        .status())
                .isEqualTo(204);
    }

    /** What the device of somebody shows so many steps from now. */
    private static String code(String secret, int steps) throws Exception {
        return new TimeBasedOneTimePasswordGenerator()
                .generateOneTimePasswordString(
                        new SecretKeySpec(new Base32().decode(secret), "HmacSHA1"),
                        Instant.now().plusSeconds(30L * steps));
    }

    private Api halfWay(String needed) throws Exception {
        Map<String, String> password = Map.of("email", email, "password", PASSWORD);
        Api.Answer answer = Api.nobody(mvc).post("/api/session", password);
        assertThat(answer.status()).isEqualTo(401);
        assertThat(answer.<String>at("$.code")).isEqualTo(needed);
        Api half = Api.nobody(mvc).begin("/api/session", password);
        assertThat(half.get("/api/session").status()).as("half-way is not in").isEqualTo(401);
        assertThat(half.get("/api/board").status()).isEqualTo(401);
        return half;
    }

    @Test
    void aCodeIsAskedForAndRightOnce() throws Exception {
        Api api = Api.signIn(mvc, email, PASSWORD);
        Api.Answer begun = api.post(MINE, null);
        String secret = begun.at("$.secret");
        assertThat(begun.<String>at("$.uri")).startsWith("otpauth://totp/").contains("secret=" + secret);
        assertThat(Api.signIn(mvc, email, PASSWORD).get("/api/session").status())
                .as("it holds once it is confirmed")
                .isEqualTo(200);
        assertThat(api.post(MINE + "/confirm", Map.of("code", "000 000")).<String>at("$.problems[0].field"))
                .isEqualTo("code");
        String first = code(secret, -1);
        List<String> recovery =
                api.post(MINE + "/confirm", Map.of("code", first)).at("$.recoveryCodes");
        assertThat(recovery)
                .hasSize(10)
                .doesNotHaveDuplicates()
                .allMatch(c -> c.matches("[a-z2-7]{4}(-[a-z2-7]{4}){3}"));
        assertThat(api.get(MINE).<Boolean>at("$.on")).isTrue();
        assertThat(api.post(MINE, null).<String>at("$.code")).isEqualTo("second-factor-on");

        Api half = halfWay("code-needed");
        assertThat(half.post("/api/session/code", Map.of("code", first)).status())
                .as("the same code again")
                .isEqualTo(422);
        Api in = half.begin("/api/session/code", Map.of("code", code(secret, 0)));
        assertThat(in.get("/api/session").<String>at("$.email")).isEqualTo(email);
        Api recovered = halfWay("code-needed")
                .begin("/api/session/code", Map.of("code", recovery.get(3).toUpperCase()));
        assertThat(recovered.get("/api/session").status()).isEqualTo(200);
        assertThat(halfWay("code-needed")
                        .post("/api/session/code", Map.of("code", recovery.get(3)))
                        .status())
                .as("a recovery code is used up")
                .isEqualTo(422);
        assertThat(recovered.get(MINE).<Integer>at("$.recoveryLeft")).isEqualTo(9);
        assertThat(jdbc.sql("select sentence from audit_event where actor_id = ? order by seq")
                        .param(holder.accountId())
                        .query(String.class)
                        .list())
                .contains("set up a second factor", "signed in with a code");

        assertThat(recovered.post(MINE + "/end", Map.of("code", "123456")).status())
                .isEqualTo(422);
        assertThat(recovered
                        .post(MINE + "/end", Map.of("code", code(secret, 1)))
                        .status())
                .isEqualTo(204);
        assertThat(Api.signIn(mvc, email, PASSWORD).get("/api/session").status())
                .isEqualTo(200);
    }

    @Test
    void guessingIsSlowedDownAndALostDeviceIsTakenAway() throws Exception {
        Api api = Api.signIn(mvc, email, PASSWORD);
        api.post(MINE + "/confirm", Map.of("code", code(api.post(MINE, null).at("$.secret"), 0)));
        Api half = halfWay("code-needed");
        int last = 0;
        for (int i = 0; i < 7 && last != 429; i++) {
            last = half.post("/api/session/code", Map.of("code", "00000" + i)).status();
        }
        assertThat(last).isEqualTo(429);
        Api administrator = practice.administrator();
        String end = "/api/set-up/accounts/{id}/end-second-factor";
        assertThat(administrator.post(end, null, holder.accountId()).status()).isEqualTo(204);
        assertThat(administrator.post(end, null, holder.accountId()).<String>at("$.code"))
                .isEqualTo("no-second-factor");
        assertThat(Api.signIn(mvc, email, PASSWORD).get("/api/session").status())
                .isEqualTo(200);
    }

    @Test
    void whereThePracticeDemandsOneItIsSetUpOnTheWayIn() throws Exception {
        demand(List.of("COLLEAGUE"));
        Api half = halfWay("second-factor-needed");
        String secret = half.post("/api/session/second-factor", null).at("$.secret");
        String confirm = "/api/session/second-factor/confirm";
        assertThat(half.post(confirm, Map.of("code", "1")).status()).isEqualTo(422);
        Api in = half.begin(confirm, Map.of("code", code(secret, 0)));
        assertThat(in.get("/api/session").status()).isEqualTo(200);
        assertThat(in.post(MINE + "/end", Map.of("code", code(secret, 1))).<String>at("$.code"))
                .isEqualTo("demanded");
        assertThat(Api.nobody(mvc).post("/api/session/second-factor", null).status())
                .as("without a password")
                .isEqualTo(401);
        assertThat(Api.nobody(mvc)
                        .post("/api/session/code", Map.of("code", "123456"))
                        .status())
                .isEqualTo(401);
    }
}
