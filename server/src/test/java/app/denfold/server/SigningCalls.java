package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.servlet.http.Cookie;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpMethod;
import org.springframework.test.web.servlet.MockMvc;

/** What tests of signing ask of the API again and again. */
final class SigningCalls {

    static final LocalDate TODAY = LocalDate.now();

    private SigningCalls() {}

    /** As the practice begins, whatever other tests have set. */
    static void askForNoSecret(TestPractice practice) throws Exception {
        practice.administrator()
                .send(HttpMethod.PUT, "/api/set-up/practice/signing", Map.of("confirm", false, "addresses", "SHORT"));
    }

    static Map<String, Object> signer(int step, String role, String name, String email) {
        Map<String, Object> signer = new HashMap<>(Map.of("step", step, "task", "SIGN", "role", role, "name", name));
        if (email != null) {
            signer.put("email", email);
        }
        return signer;
    }

    static Map<String, Object> colleague(int step, String task, String role, UUID account) {
        return Map.of("step", step, "task", task, "role", role, "accountId", account);
    }

    static Map<String, Object> details(List<Map<String, Object>> papers, Object... signers) {
        Map<String, Object> details = new HashMap<>();
        details.put("papers", papers);
        details.put("signers", List.of(signers));
        details.put("fields", List.of());
        details.put("endsAtDue", false);
        details.put("remindEveryDays", 0);
        details.put("remindMost", 0);
        details.put("mayPassOn", false);
        return details;
    }

    static UUID ask(Api api, UUID paper, Object... signers) throws Exception {
        return api.post("/api/signature-requests", details(api.shown(paper), signers))
                .id("$.id");
    }

    static UUID accountOf(Api api) throws Exception {
        return api.get("/api/session").id("$.id");
    }

    /** Whoever signs by a link: looks through all pages after showing the code. */
    static final class Link {
        private final MockMvc mvc;
        private final String token;
        private final Cookie key;

        Link(MockMvc mvc, String address) throws Exception {
            this.mvc = mvc;
            token = TestMail.signingLinkTo(address);
            Api nobody = Api.nobody(mvc);
            int before = TestMail.to(address).size();
            assertThat(nobody.post("/api/sign/{t}/code", null, token).status()).isEqualTo(204);
            TestMail.waitFor(address, before + 1);
            var entered = mvc.perform(org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post(
                                    "/api/sign/{t}/enter", token)
                            .with(org.springframework.security.test.web.servlet.request
                                    .SecurityMockMvcRequestPostProcessors.csrf())
                            .contentType("application/json")
                            .content("{\"code\":\"" + TestMail.codeTo(address) + "\"}"))
                    .andReturn();
            assertThat(entered.getResponse().getStatus()).isEqualTo(204);
            key = entered.getResponse().getCookie("DENFOLD_SIGN");
        }

        Api.Answer get(String path) throws Exception {
            return Api.nobody(mvc).with(key).get("/api/sign/" + token + path);
        }

        Api.Answer post(String path, Object body) throws Exception {
            return Api.nobody(mvc).with(key).post("/api/sign/" + token + path, body);
        }

        void lookThrough() throws Exception {
            Api.Answer turn = get("");
            for (String paper : turn.<List<String>>at("$.papers[*].id")) {
                assertThat(get("/papers/" + paper + "/pages/1").status()).isEqualTo(200);
            }
        }

        Api.Answer sign(String name) throws Exception {
            return post("/sign", typed(name));
        }
    }

    static Map<String, Object> typed(String name) {
        return Map.of("signature", Map.of("typed", name), "values", Map.of());
    }

    static UUID waiting(Api who, UUID request) throws Exception {
        List<String> turns = who.get("/api/my-signatures").at("$[?(@.requestId=='" + request + "')].turnId");
        assertThat(turns).hasSize(1);
        return UUID.fromString(turns.get(0));
    }

    static Api.Answer signAs(Api who, UUID turn, String name) throws Exception {
        String paper = who.get("/api/my-signatures/{id}", turn).at("$.papers[0].id");
        who.get("/api/my-signatures/{id}/papers/{paper}/pages/1", turn, paper);
        return who.post("/api/my-signatures/{id}/sign", typed(name), turn);
    }
}
