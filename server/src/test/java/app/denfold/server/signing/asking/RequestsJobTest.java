package app.denfold.server.signing.asking;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Api;
import app.denfold.server.MovableClock;
import app.denfold.server.ServerTest;
import app.denfold.server.TestMail;
import app.denfold.server.TestPractice;
import app.denfold.server.access.accounts.NewAccount;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.annotation.Import;

/** Requests as days go by: whoever lets them wait is reminded, and some end. */
@ServerTest
@Import(MovableClock.class)
class RequestsJobTest {

    @Autowired
    TestPractice practice;

    @Autowired
    MovableClock clock;

    @Autowired
    RequestsJob job;

    private UUID ask(Api api, UUID paper, Map<String, Object> more, Map<String, Object> signer) throws Exception {
        Map<String, Object> details = new HashMap<>(Map.of(
                "papers",
                api.shown(paper),
                "signers",
                List.of(signer),
                "fields",
                List.of(),
                "endsAtDue",
                false,
                "remindEveryDays",
                0,
                "remindMost",
                0,
                "mayPassOn",
                false));
        details.putAll(more);
        return api.post("/api/signature-requests", details).id("$.id");
    }

    private static long reminders(String mail) {
        return TestMail.to(mail).stream()
                .filter(m -> m.contains("this still waits for you"))
                .count();
    }

    @Test
    void whoLetsItWaitIsRemindedEverySoManyDaysAndNotMoreOftenThanSaid() throws Exception {
        Api api = practice.administrator();
        String mail = TestPractice.newAddress();
        UUID paper = api.fileNewPaper(
                api.newEmployee("Reminded", mail), "contract", LocalDate.now().minusDays(2));
        UUID request = ask(
                api,
                paper,
                Map.of("remindEveryDays", 5, "remindMost", 2),
                Map.of("step", 0, "task", "SIGN", "role", "employee", "name", "Tamsin Reminded", "email", mail));
        job.follow();
        clock.pass(4);
        job.follow();
        clock.pass(1);
        job.follow();
        job.follow();
        await().until(() -> reminders(mail) == 1);
        clock.pass(5);
        job.follow();
        await().until(() -> reminders(mail) == 2);
        clock.pass(5);
        job.follow();
        Api.Answer row = api.get("/api/signature-requests/{id}", request);
        assertThat(row.<Integer>at("$.row.way[0].reminders")).isEqualTo(2);
        assertThat(row.<List<Object>>at("$.row.way[?(@.nextReminder)]"))
                .as("no more than two")
                .isEmpty();
    }

    @Test
    void afterTheLastDayNobodySignsAndTheRequestEnds() throws Exception {
        Api api = practice.administrator();
        Api director =
                practice.signedIn(NewAccount.colleague(TestPractice.newAddress(), "Bram Lateness", null, true, true));
        LocalDate today = LocalDate.parse(api.get("/api/practice").at("$.today"));
        UUID paper = api.fileNewPaper(
                api.newEmployee("Late", null), "contract", LocalDate.now().minusDays(2));
        UUID request = ask(
                api,
                paper,
                Map.of("endsAtDue", true, "dueOn", today.toString()),
                Map.of(
                        "step",
                        0,
                        "task",
                        "SIGN",
                        "role",
                        "director",
                        "accountId",
                        director.get("/api/session").id("$.id")));
        String turn = director.get("/api/my-signatures").at("$[0].turnId");
        director.get("/api/my-signatures/{id}/papers/{paper}/pages/1", turn, paper);
        clock.pass(1);
        assertThat(director.post(
                                "/api/my-signatures/{id}/sign",
                                Map.of("signature", Map.of("typed", "Bram Lateness"), "values", Map.of()),
                                turn)
                        .<String>at("$.code"))
                .isEqualTo("past-due");
        job.follow();
        assertThat(api.get("/api/signature-requests/{id}", request).<String>at("$.row.state"))
                .isEqualTo("EXPIRED");
        assertThat(director.get("/api/my-signatures").<List<Object>>at("$")).isEmpty();
    }
}
