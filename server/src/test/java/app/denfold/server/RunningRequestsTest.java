package app.denfold.server;

import static app.denfold.server.Patience.await;
import static app.denfold.server.SigningCalls.TODAY;
import static app.denfold.server.SigningCalls.accountOf;
import static app.denfold.server.SigningCalls.ask;
import static app.denfold.server.SigningCalls.colleague;
import static app.denfold.server.SigningCalls.details;
import static app.denfold.server.SigningCalls.signer;
import static app.denfold.server.SigningCalls.typed;
import static app.denfold.server.SigningCalls.waiting;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.access.accounts.NewAccount;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.test.web.servlet.MockMvc;

/** What becomes of a request while it is open: corrected papers, reminders and changes. */
@ServerTest
class RunningRequestsTest {

    @Autowired
    TestPractice practice;

    @Autowired
    MockMvc mvc;

    @BeforeEach
    void askForNoSecret() throws Exception {
        SigningCalls.askForNoSecret(practice);
    }

    @Test
    void aCorrectedPaperIsAskedForAnewAndTheFormerOneCannotBeSigned() throws Exception {
        Api api = practice.administrator();
        String mail = TestPractice.newAddress();
        UUID paper = api.fileNewPaper(api.newEmployee("Corrected", mail), "contract", TODAY.minusDays(2));
        UUID request = ask(api, paper, signer(0, "employee", "Tamsin Corrected", mail));
        SigningCalls.Link former = new SigningCalls.Link(mvc, mail);
        former.lookThrough();
        api.renew(paper, "corrected.pdf", Papers.pdf("The corrected contract"));
        assertThat(former.sign("Tamsin Corrected").<String>at("$.detail")).contains("was corrected");
        Api.Answer old = api.get("/api/signature-requests/{id}", request);
        assertThat(old.<String>at("$.row.state")).isEqualTo("REPLACED");
        UUID newer = old.id("$.replacedBy");
        await().until(() -> TestMail.to(mail).stream().anyMatch(m -> m.contains("asked again for the corrected")));
        assertThat(api.get("/api/signature-requests/{id}", newer).<String>at("$.row.state"))
                .isEqualTo("OPEN");
        Api.Answer error =
                api.post("/api/documents/{id}/entered-in-error", Map.of("version", 2, "reason", "Wrong person"), paper);
        assertThat(error.status()).isLessThan(300);
        assertThat(api.get("/api/signature-requests/{id}", newer).<String>at("$.row.state"))
                .isEqualTo("WITHDRAWN");
    }

    @Test
    void signingAgainstWithdrawingAtTheSameInstantHasOneOutcome() throws Exception {
        Api api = practice.administrator();
        Api director =
                practice.signedIn(NewAccount.colleague(TestPractice.newAddress(), "Bram Atonce", null, true, true));
        UUID file = api.newEmployee("Atonce", null);
        ExecutorService both = Executors.newFixedThreadPool(2);
        try {
            for (int i = 0; i < 6; i++) {
                UUID paper = api.fileNewPaper(file, "contract", TODAY.minusDays(2));
                UUID request = ask(api, paper, colleague(0, "SIGN", "director", accountOf(director)));
                UUID turn = waiting(director, request);
                director.get("/api/my-signatures/{id}/papers/{paper}/pages/1", turn, paper);
                List<Callable<Integer>> acts = new ArrayList<>(List.of(
                        () -> director.post("/api/my-signatures/{id}/sign", typed("Bram Atonce"), turn)
                                .status(),
                        () -> api.post("/api/signature-requests/{id}/withdraw", Map.of(), request)
                                .status()));
                List<Future<Integer>> done = both.invokeAll(acts);
                int signed = done.get(0).get();
                int withdrawn = done.get(1).get();
                String state = api.get("/api/signature-requests/{id}", request).at("$.row.state");
                boolean isSigned = api.get("/api/documents/{id}", paper)
                                .<List<Object>>at("$.signatures")
                                .size()
                        == 1;
                assertThat(List.of(signed == 200, withdrawn == 204)).containsExactlyInAnyOrder(true, false);
                assertThat(state).isEqualTo(signed == 200 ? "COMPLETE" : "WITHDRAWN");
                assertThat(isSigned).isEqualTo(signed == 200);
            }
        } finally {
            both.shutdown();
        }
    }

    @Test
    void whoeverRunsItRemindsChangesSignersAnswersAndMovesTheDay() throws Exception {
        Api api = practice.administrator();
        String mail = TestPractice.newAddress();
        String other = TestPractice.newAddress();
        UUID paper = api.fileNewPaper(api.newEmployee("Running", mail), "contract", TODAY.minusDays(2));
        Map<String, Object> details = details(api.shown(paper), signer(0, "employee", "Tamsin Running", mail));
        details.put("dueOn", TODAY.toString());
        details.put("mayPassOn", true);
        UUID request = api.post("/api/signature-requests", details).id("$.id");
        UUID turn = api.get("/api/signature-requests/{id}", request).id("$.row.way[0].id");
        SigningCalls.Link link = new SigningCalls.Link(mvc, mail);
        assertThat(api.get("/api/desk-signings/{id}", request).status())
                .as("a request is no signing at the desk, and locks no screen")
                .isEqualTo(404);
        assertThat(api.post("/api/desk-lock", Map.of("signings", List.of(request)))
                        .status())
                .isEqualTo(404);
        assertThat(link.post("/questions", Map.of("words", "Which hours?")).<List<String>>at("$.questions[*].question"))
                .containsExactly("Which hours?");
        Api.Answer asked = api.get("/api/signature-requests/{id}", request);
        assertThat(asked.<Boolean>at("$.row.hasQuestion")).isTrue();
        api.post(
                "/api/signature-requests/{id}/questions/{q}/answer",
                Map.of("words", "Mornings"),
                request,
                asked.<String>at("$.questions[0].id"));
        assertThat(link.get("").<List<String>>at("$.questions[*].answer")).containsExactly("Mornings");
        assertThat(api.send(
                                HttpMethod.PUT,
                                "/api/signature-requests/{id}/due",
                                Map.of("dueOn", TODAY.plusDays(3).toString()),
                                request)
                        .status())
                .isEqualTo(204);
        assertThat(link.post("/pass-on", Map.of("name", "Ilse Running", "email", other))
                        .status())
                .isEqualTo(204);
        assertThat(link.get("").status()).as("the former link leads nowhere").isEqualTo(410);
        SigningCalls.Link passed = new SigningCalls.Link(mvc, other);
        passed.lookThrough();
        assertThat(passed.sign("Ilse Running").<Boolean>at("$.done")).isTrue();
        assertThat(api.post("/api/signature-requests/{id}/turns/{turn}/remind", null, request, turn)
                        .<String>at("$.code"))
                .isEqualTo("signing-ended");
        UUID second = ask(
                api,
                api.fileNewPaper(api.newEmployee("Bulk", null), "contract", TODAY.minusDays(2)),
                signer(0, "employee", "Tamsin Bulk", null));
        Api.Answer many = api.post("/api/signature-requests/withdraw", Map.of("ids", List.of(request, second)));
        assertThat(many.<Integer>at("$.done")).isEqualTo(1);
        assertThat(many.<List<String>>at("$.notDone[*].why")).hasSize(1);
    }
}
