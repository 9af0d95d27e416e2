package app.denfold.server.chasing.planned;

import static app.denfold.server.Patience.await;
import static app.denfold.server.chasing.planned.ChasingPractice.newAddress;
import static app.denfold.server.chasing.planned.ChasingPractice.plan;
import static app.denfold.server.chasing.planned.ChasingPractice.who;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Api;
import app.denfold.server.MovableClock;
import app.denfold.server.ServerTest;
import app.denfold.server.TestMail;
import app.denfold.server.TestPractice;
import app.denfold.server.chasing.MailAnswers;
import app.denfold.server.chasing.answers.KeepMailAnswers;
import jakarta.mail.internet.MimeMessage;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.annotation.Import;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.context.TestPropertySource;
import org.springframework.test.web.servlet.MockMvc;

/** Plans tell of all files, so that this has a server of its own, and each test removes its plans. */
@ServerTest
@Import(MovableClock.class)
@TestPropertySource(properties = "denfold.demo.everyone=true")
class PlansTest {

    @Autowired
    TestPractice practice;

    @Autowired
    MorningRun morning;

    @Autowired
    MovableClock clock;

    @Autowired
    MailAnswers answers;

    @Autowired
    KeepMailAnswers kept;

    @Autowired
    JdbcClient jdbc;

    @Autowired
    MockMvc mvc;

    private Api api;
    private ChasingPractice chasing;

    @BeforeEach
    void withoutPlans() throws Exception {
        jdbc.sql("delete from notice_plan").update();
        jdbc.sql("update sending_rules set last_run_on = null").update();
        api = practice.administrator();
        chasing = new ChasingPractice(api);
    }

    @Test
    void aMorningDisturbsNobodyWhoIsJustChangingTheRules() throws Exception {
        Api.Answer before = api.get("/api/sending-rules");
        morning.run();
        Map<String, Object> change =
                Map.of("changes", before.<Integer>at("$.changes"), "rules", before.<Map<String, Object>>at("$.rules"));
        assertThat(api.send(HttpMethod.PUT, "/api/sending-rules", change).status())
                .isEqualTo(204);
    }

    private List<String> subjects(String address) {
        return TestMail.messagesTo(address).stream().map(PlansTest::subject).toList();
    }

    private static String subject(MimeMessage message) {
        try {
            return message.getSubject();
        } catch (jakarta.mail.MessagingException unreadable) {
            throw new IllegalStateException(unreadable);
        }
    }

    private String stage(String address) throws Exception {
        List<String> stages = api.get("/api/chased").at("$[?(@.notice.recipient=='" + address + "')].notice.stage");
        return stages.isEmpty() ? "none" : stages.get(0);
    }

    @Test
    void aPlanTellsEachOnceInOneMailAndItsHistorySaysWhatCameOfIt() throws Exception {
        String address = newAddress();
        UUID file = chasing.employee("Plantold", address);
        Map<String, Object> plan = plan(
                "employees",
                List.of("contract", "handbook"),
                chasing.step("DUE", 10, who("PERSON")),
                chasing.step("DUE", 200, who("OUTSIDE", "name", "Lorcan Brake", "address", "broker@hallam.example")));
        Api.Answer tried = api.post("/api/notice-plans/preview?file={file}", Map.of("plan", plan), file);
        assertThat(tried.<String>at("$.letter.text")).startsWith("Dear Tamsin,").contains("- Contract: missing");
        chasing.add(plan);

        Api.Answer ahead = api.get("/api/planned-notices?days=3");
        assertThat(ahead.<List<String>>at("$.days[*].mails[?(@.address=='" + address + "')].tellings[*].label"))
                .containsExactly("Contract", "Handbook receipt");
        assertThat(ahead.<List<String>>at("$.days[*].mails[?(@.address=='" + address + "')].tellings[*].why"))
                .allMatch(why -> why.startsWith("10 days after it was due"));

        assertThat(morning.run()).isPositive();
        TestMail.waitFor(address, 1);
        assertThat(morning.run()).as("run twice on one day").isZero();
        MimeMessage mail = TestMail.messagesTo(address).get(0);
        assertThat(mail.getHeader("Auto-Submitted")).containsExactly("auto-generated");
        assertThat(mail.getContentType()).contains("multipart");
        assertThat(TestMail.to(address).get(0))
                .contains("Dear Tamsin,", "- Contract: missing", "- Handbook receipt: was due", "/told/");
        clock.pass(1);
        morning.run();
        assertThat(TestMail.messagesTo(address)).hasSize(1);

        await().until(() -> stage(address).equals("SENT"));
        Api.Answer chased = api.get("/api/chased");
        assertThat(chased.<List<String>>at("$[?(@.notice.recipient=='" + address + "')].told[*].label"))
                .containsExactly("Contract", "Handbook receipt");
        answers.delivered(mail.getMessageID(), address);
        assertThat(stage(address)).isEqualTo("DELIVERED");
        String secret = TestMail.to(address).get(0).replaceAll("(?s).*/told/([A-Za-z0-9_-]+).*", "$1");
        Api.Answer page = Api.nobody(mvc).post("/api/told/" + secret + "/visit", null);
        assertThat(page.<Integer>at("$.papers")).isEqualTo(2);
        assertThat(page.body()).as("the page names nobody and no paper").doesNotContain("Plantold", "Contract");
        assertThat(stage(address)).isEqualTo("OPENED");
        assertThat(jdbc.sql("select count(*) from notice where body like ?")
                        .param("%" + secret + "%")
                        .query(Integer.class)
                        .single())
                .as("the secret is gone once the mail is sent")
                .isZero();
        assertThat(Api.nobody(mvc)
                        .post("/api/told/" + secret + "/unsubscribe", null)
                        .<String>at("$.detail"))
                .contains("papers that are needed");
    }

    @Test
    void whatIsMetBeforeTheMailGoesOutDropsOut() throws Exception {
        String some = newAddress();
        String all = newAddress();
        UUID partly = chasing.employee("Partlymet", some);
        UUID wholly = chasing.employee("Whollymet", all);
        chasing.add(plan("employees", List.of("handbook", "tetanus"), chasing.step("DUE", 10, who("PERSON"))));
        jdbc.sql("update sending_rules set opens = '23:59:58', closes = '23:59:59'")
                .update();
        morning.run();
        assertThat(TestMail.messagesTo(some)).isEmpty();
        api.fileNewPaper(partly, "handbook", LocalDate.now().minusDays(3));
        api.fileNewPaper(wholly, "handbook", LocalDate.now().minusDays(3));
        api.fileNewPaper(wholly, "tetanus", LocalDate.now().minusDays(3));
        jdbc.sql("update notice set not_before = now() - interval '1 hour', queued_at = now() - interval '2 hours'"
                        + " where recipient in (?, ?)")
                .params(some, all)
                .update();
        TestMail.waitFor(some, 1);
        assertThat(TestMail.to(some).get(0)).contains("Tetanus record").doesNotContain("Handbook");
        await().until(() -> stage(all).equals("CANCELLED"));
        assertThat(TestMail.messagesTo(all)).isEmpty();
        chasing.alwaysOpen(0);
    }

    @Test
    void aMailThatCameBackIsFlaggedAndNobodyIsChasedThereUntilTheAddressIsMended() throws Exception {
        String address = newAddress();
        UUID file = chasing.employee("Bounced", address);
        chasing.add(plan("employees", List.of("handbook"), chasing.step("DUE", 10, who("PERSON"))));
        morning.run();
        TestMail.waitFor(address, 1);
        await().until(() -> stage(address).equals("SENT"));
        assertThat(answers.cameBack(TestMail.messagesTo(address).get(0).getMessageID(), address, "550 no such user"))
                .isTrue();
        assertThat(stage(address)).isEqualTo("BOUNCED");
        clock.pass(1);
        assertThat(api.get("/api/planned-notices?days=1").<List<String>>at("$.days[*].leftOut[*].reason"))
                .contains("UNREACHABLE");
        assertThat(api.get("/api/today").<List<String>>at("$.dueToday[?(@.action=='unreachable')].title"))
                .anyMatch(t -> t.contains(address));
        assertThat(api.get("/api/files/{id}/chase", file).<String>at("$.addressees[0].unreachable"))
                .contains("550");
        assertThat(api.get("/api/files/{id}/chase-stop", file).<String>at("$.unreachable[0].why"))
                .contains("no such user");
        assertThat(api.post("/api/files/{id}/chase", Map.of("again", true), file)
                        .<String>at("$.code"))
                .isEqualTo("unreachable");
        morning.run();
        assertThat(TestMail.messagesTo(address)).hasSize(1);

        api.post("/api/unreachable-addresses/reachable", Map.of("address", address));
        clock.pass(1);
        morning.run();
        TestMail.waitFor(address, 2);
    }

    @Test
    void somebodyHoldsMovesAndSendsAndStopsAPersonsNotices() throws Exception {
        String address = newAddress();
        UUID file = chasing.employee("Heldback", address);
        chasing.add(plan("employees", List.of("handbook"), chasing.step("DUE", 10, who("PERSON"))));
        String mine = "$.days[*].mails[?(@.address=='" + address + "')].tellings[*].turn";
        List<Map<String, Object>> turns = api.get("/api/planned-notices?days=5").at(mine);
        assertThat(api.post("/api/planned-notices/hold", Map.of("turns", turns, "again", false))
                        .status())
                .isEqualTo(204);
        assertThat(api.get("/api/planned-notices?days=5").<List<Object>>at(mine))
                .isEmpty();
        Api.Answer today = api.get("/api/planned-notices?days=1");
        LocalDate day = LocalDate.parse(today.at("$.today"));
        assertThat(api.post(
                                "/api/planned-notices/move",
                                Map.of("turns", turns, "to", day.plusDays(2).toString()))
                        .status())
                .isEqualTo(204);
        assertThat(api.get("/api/planned-notices?days=5")
                        .<List<String>>at("$.days[?(@.day=='" + day.plusDays(2) + "')].mails[*].address"))
                .containsExactly(address);
        assertThat(api.get("/api/planned-notices?days=5").<List<Object>>at(mine))
                .hasSize(1);
        api.send(
                HttpMethod.PUT,
                "/api/files/{id}/chase-stop",
                Map.of("reason", "On leave", "until", day.plusDays(9).toString()),
                file);
        assertThat(api.get("/api/files/{id}/chase-stop", file).<String>at("$.stop.reason"))
                .isEqualTo("On leave");
        assertThat(api.get("/api/planned-notices?days=5").<List<Object>>at(mine))
                .isEmpty();
        assertThat(api.send(HttpMethod.PUT, "/api/files/{id}/chase-stop", Map.of("reason", "Twice"), file)
                        .status())
                .isEqualTo(409);
        api.send(HttpMethod.DELETE, "/api/files/{id}/chase-stop", null, file);
        assertThat(api.post("/api/planned-notices/send", Map.of("turns", turns, "again", false))
                        .status())
                .isEqualTo(202);
        TestMail.waitFor(address, 1);
        assertThat(api.post("/api/planned-notices/send", Map.of("turns", turns, "again", false))
                        .<String>at("$.code"))
                .isEqualTo("told-already");
        assertThat(api.post("/api/planned-notices/send", Map.of("turns", turns, "again", true))
                        .<String>at("$.code"))
                .isEqualTo("told-already");
        morning.run();
        clock.pass(3);
        morning.run();
        assertThat(TestMail.messagesTo(address))
                .as("sent by hand, so not again by the plan")
                .hasSize(1);
    }

    @Test
    void anOutsiderIsToldWithoutTheNameOfASensitivePaperAndMayAskForNoMore() throws Exception {
        String broker = newAddress();
        UUID file = api.newFile("patient", "Brokered", newAddress(), "Therapy");
        Map<String, Object> plan = plan(
                "patients",
                List.of("clearance"),
                chasing.step("DUE", 10, who("OUTSIDE", "name", "Lorcan Brake", "address", broker)));
        plan.put("courtesy", true);
        chasing.add(plan);
        morning.run();
        TestMail.waitFor(broker, 1);
        MimeMessage mail = TestMail.messagesTo(broker).get(0);
        assertThat(mail.getSubject()).isEqualTo("a paper for Tamsin");
        assertThat(TestMail.to(broker).get(0)).contains("- a paper: was due").doesNotContain("clearance");
        assertThat(mail.getHeader("List-Unsubscribe-Post")).containsExactly("List-Unsubscribe=One-Click");
        String way = mail.getHeader("List-Unsubscribe")[0].replaceAll("<https?://[^/]+(/.*)>", "$1");
        assertThat(Api.nobody(mvc).post(way, null).status()).isEqualTo(204);
        jdbc.sql("delete from told where file_id = ?").param(file).update();
        clock.pass(1);
        assertThat(api.get("/api/planned-notices?days=1").<List<String>>at("$.days[*].leftOut[*].reason"))
                .contains("UNSUBSCRIBED");
        morning.run();
        assertThat(TestMail.messagesTo(broker)).hasSize(1);
        assertThat(practice.colleague(null, false, true)
                        .get("/api/planned-notices?days=1")
                        .body())
                .as("who may not see the type does not see that it is planned")
                .doesNotContain("clearance", "Brokered");
    }

    @Test
    void aTaskStandsInTodayUntilItIsMetOrDone() throws Exception {
        UUID file = chasing.employee("Tasked", null);
        UUID other = chasing.employee("Taskdone", null);
        chasing.add(plan("employees", List.of("tetanus"), chasing.step("DUE", 20, who("TASK"))));
        morning.run();
        String mine = "$.dueToday[?(@.action=='plan-task')].fileId";
        assertThat(api.get("/api/today").<List<String>>at(mine)).contains(file.toString(), other.toString());
        api.fileNewPaper(file, "tetanus", LocalDate.now().minusDays(1));
        List<String> ids =
                api.get("/api/today").at("$.dueToday[?(@.action=='plan-task' && @.fileId=='" + other + "')].taskId");
        api.post("/api/chasing-tasks/{id}/done", null, UUID.fromString(ids.get(0)));
        assertThat(api.get("/api/today").<List<String>>at(mine)).doesNotContain(file.toString(), other.toString());
        clock.pass(1);
        morning.run();
        assertThat(jdbc.sql("select count(*) from told where file_id = ? and closed_at is null")
                        .param(file)
                        .query(Integer.class)
                        .single())
                .as("what is met is closed for good")
                .isZero();
    }

    @Test
    void oneGuardianGetsOneMailAboutBothChildrenAndAPaperCanHaveAPlanOfItsOwn() throws Exception {
        String guardian = newAddress();
        for (String name : List.of("Edie", "Otto")) {
            Map<String, Object> child = new HashMap<>(
                    Map.of("kind", "student", "givenName", name, "familyName", "Twoofthem", "facts", Map.of()));
            child.put("birthDate", LocalDate.now().minusYears(10).toString());
            child.put("activeFrom", LocalDate.now().minusDays(50).toString());
            UUID file = api.post("/api/files", Map.of("person", child, "evenIfLike", true))
                    .id("$.id");
            api.post(
                    "/api/files/{id}/relations",
                    Map.of("kind", "GUARDIAN", "newOutsider", Map.of("name", "Ruth Twoofthem", "email", guardian)),
                    file);
        }
        chasing.add(plan("students", List.of("enrolment"), chasing.step("DUE", 5, who("PERSON"))));
        UUID file = chasing.employee("Ownpaper", null);
        UUID paper = api.fileNewPaper(file, "first-aid", LocalDate.now().minusDays(30));
        Map<String, Object> own = plan(
                "employees",
                List.of(),
                chasing.step("LAPSE", -3_000, who("OUTSIDE", "name", "B", "address", guardian)));
        own.put(
                "scope",
                Map.of("kinds", List.of(), "requirements", List.of(), "types", List.of(), "documentId", paper));
        chasing.add(own);
        morning.run();
        TestMail.waitFor(guardian, 1);
        assertThat(TestMail.messagesTo(guardian)).hasSize(1);
        assertThat(TestMail.to(guardian).get(0))
                .contains("Dear Ruth Twoofthem and B,", "Enrolment form: missing", "runs out on");
        assertThat(subjects(guardian)).containsExactly("3 papers that need your attention");
    }

    @Test
    void whatMakesNoSenseIsRefusedAtItsPlace() throws Exception {
        assertThat(api.post(
                                "/api/notice-words",
                                Map.of(
                                        "changes",
                                        0,
                                        "name",
                                        "Wrong",
                                        "texts",
                                        Map.of("en", Map.of("subject", "{shoe size}", "text", "{what is open}"))))
                        .<String>at("$.detail"))
                .contains("no place {shoe size}");
        assertThat(api.post(
                                "/api/notice-words",
                                Map.of(
                                        "changes",
                                        0,
                                        "name",
                                        "Mute",
                                        "texts",
                                        Map.of("en", Map.of("subject", "Papers", "text", "Please."))))
                        .<String>at("$.detail"))
                .contains("{what is open}");
        Map<String, Object> plan = plan("employees", List.of(), chasing.step("SENT_BACK", -4, who("PERSON")));
        assertThat(api.post("/api/notice-plans", plan).<String>at("$.detail")).contains("ahead");
        assertThat(api.post("/api/notice-plans", plan("nothing", List.of(), chasing.step("DUE", 4, who("PERSON"))))
                        .status())
                .isEqualTo(422);
        assertThat(api.post(
                                "/api/notice-plans",
                                plan(
                                        "employees",
                                        List.of(),
                                        chasing.step("DUE", 4, who("OUTSIDE", "name", "B", "address", "none"))))
                        .status())
                .isEqualTo(422);
        assertThat(practice.colleague(null, true, true)
                        .post("/api/notice-plans", plan("employees", List.of(), chasing.step("DUE", 4, who("PERSON"))))
                        .status())
                .isEqualTo(403);
        UUID words = chasing.words("Used " + UUID.randomUUID(), "S", "{what is open}");
        chasing.add(plan("employees", List.of("tetanus"), ChasingPractice.step("DUE", 400, who("PERSON"), words)));
        assertThat(api.send(HttpMethod.DELETE, "/api/notice-words/{id}", null, words)
                        .<String>at("$.code"))
                .isEqualTo("words-used");
    }

    @Test
    void aPaperSentBackIsForTheSlotWhenOneWasAskedForAndWhoWasAskedSendsIt() throws Exception {
        String address = newAddress();
        UUID file = chasing.employee("Sendsback", address);
        chasing.add(plan("employees", List.of("handbook"), chasing.step("DUE", 10, who("PERSON"))));
        morning.run();
        TestMail.waitFor(address, 1);
        MailAnswers.Answered answered = answers.answered(
                        List.of(TestMail.messagesTo(address).get(0).getMessageID()))
                .orElseThrow();
        assertThat(kept.askedFor(answered, address))
                .isEqualTo(new KeepMailAnswers.AskedFor(file, "handbook", "Handbook receipt"));
        assertThat(kept.askedFor(answered, "stranger@post.example").type())
                .as("from somebody else it is for this file, but not surely that paper")
                .isNull();
        api.fileNewPaper(file, "handbook", LocalDate.now().minusDays(3));
        assertThat(kept.askedFor(answered, address))
                .as("nothing is wanted any more")
                .isEqualTo(new KeepMailAnswers.AskedFor(file, null, null));
    }

    @Test
    void oneMailThatCannotBeKeptHoldsUpNoOther() throws Exception {
        String blocked = newAddress();
        String other = newAddress();
        chasing.employee("Blockedone", blocked);
        chasing.employee("Otherone", other);
        chasing.add(plan("employees", List.of("handbook"), chasing.step("DUE", 10, who("PERSON"))));
        String today = api.get("/api/planned-notices?days=1").at("$.today");
        jdbc.sql("""
                        insert into notice (id, version, purpose, recipient, subject, body, queued_by, queued_on, queued_at,
                          state, attempts, mailbox, planned_on)
                        values (gen_random_uuid(), 0, 'chase', ?, 's', 'b', 'x', current_date, now(), 'CANCELLED', 0, ?, ?::date)
                        """).params(blocked, blocked, today).update();
        morning.run();
        TestMail.waitFor(other, 1);
        assertThat(TestMail.messagesTo(blocked)).isEmpty();
        clock.pass(1);
        morning.run();
        TestMail.waitFor(blocked, 1);
        assertThat(TestMail.messagesTo(other)).hasSize(1);
    }

    @Test
    void whoMayNotKnowOfAPaperLearnsNothingOfItFromPlansAnswersOrAddresses() throws Exception {
        String address = newAddress();
        UUID file = api.newFile("patient", "Knownbyfew", address, "Therapy");
        chasing.add(plan("patients", List.of("clearance"), chasing.step("DUE", 10, who("PERSON"))));
        morning.run();
        TestMail.waitFor(address, 1);
        String number = TestMail.messagesTo(address).get(0).getMessageID();
        kept.keep(answers.answered(List.of(number)).orElseThrow(), address, "mail " + file, "The heart doctor has it.");
        answers.cameBack(number, address, "550 gone");
        Api few = practice.colleague("Therapy", false, true);
        assertThat(api.get("/api/files/{id}/mail-answers", file).<List<Object>>at("$"))
                .hasSize(1);
        assertThat(few.get("/api/files/{id}/mail-answers", file).<List<Object>>at("$"))
                .isEmpty();
        assertThat(few.get("/api/today").body()).doesNotContain("heart doctor", "clearance");
        assertThat(few.get("/api/chased").body()).doesNotContain(address);
        assertThat(few.get("/api/files/{id}/trail", file).body()).doesNotContain("clearance");
        assertThat(few.get("/api/notice-plans").<List<Object>>at("$")).isEmpty();
        assertThat(api.get("/api/notice-plans").<List<Object>>at("$")).hasSize(1);
        assertThat(practice.colleague("Stables", true, true)
                        .post("/api/unreachable-addresses/reachable", Map.of("address", address))
                        .status())
                .as("of somebody whom one may not see")
                .isEqualTo(404);
        assertThat(few.post("/api/unreachable-addresses/reachable", Map.of("address", address))
                        .status())
                .isEqualTo(204);
    }
}
