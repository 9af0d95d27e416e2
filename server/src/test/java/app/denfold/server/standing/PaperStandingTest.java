package app.denfold.server.standing;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Api;
import app.denfold.server.Papers;
import app.denfold.server.ServerTest;
import app.denfold.server.TestMail;
import app.denfold.server.TestPractice;
import app.denfold.server.documents.Documents;
import app.denfold.server.marks.MarkedPapers;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionTemplate;

/** It is worked out from what was done how a paper stands, whom it waits for and who has it. */
@ServerTest
class PaperStandingTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    @Autowired
    StandingJob job;

    @Autowired
    JdbcClient sql;

    @Autowired
    TransactionTemplate transactions;

    @Autowired
    Documents documents;

    @Autowired
    WorkOutStanding workOut;

    private Api api;

    @BeforeEach
    void signIn() throws Exception {
        api = practice.administrator();
    }

    private static Map<String, Object> receiver(String who, String code) {
        Map<String, Object> receiver = new HashMap<>(Map.of("who", who));
        receiver.put("code", code);
        return receiver;
    }

    private static Map<String, Object> rule(boolean check, LocalDate from, List<Map<String, Object>> receivers) {
        Map<String, Object> rule = new HashMap<>(Map.of("receivers", receivers, "secondCheck", check));
        rule.put("from", from);
        return rule;
    }

    private Api.Answer put(String code, int version, List<Map<String, Object>> signers, Map<String, Object> receiving)
            throws Exception {
        Map<String, Object> type = new HashMap<>(Map.of(
                "version",
                version,
                "label",
                "Paper " + code,
                "section",
                "other",
                "validity",
                Map.of("rule", "open"),
                "namingPattern",
                "{type}, {person}, {pending}",
                "signers",
                signers,
                "needsReview",
                false,
                "sensitive",
                false,
                "synonyms",
                List.of(),
                "fields",
                List.of()));
        type.put("receiving", receiving);
        return api.send(HttpMethod.PUT, "/api/set-up/document-types/{code}", type, code);
    }

    private String newType(boolean check, LocalDate from, List<Map<String, Object>> receivers) throws Exception {
        String code = "t" + UUID.randomUUID().toString().substring(0, 12);
        assertThat(put(code, 0, List.of(), rule(check, from, receivers)).status())
                .isEqualTo(204);
        return code;
    }

    private Api.Answer standing(Api as, UUID paper) throws Exception {
        return as.get("/api/documents/{id}/standing", paper);
    }

    private String stage(UUID paper) throws Exception {
        return standing(api, paper).at("$.stage");
    }

    private String name(UUID paper) throws Exception {
        return api.get("/api/documents/{id}", paper).at("$.name");
    }

    private static List<String> listed(Api as, String queue, String type) throws Exception {
        return as.get("/api/under-way?queue={q}&type={t}", queue, type).at("$.papers[*].documentId");
    }

    private static Api.Answer check(Api as, UUID paper, int version) throws Exception {
        return as.post("/api/documents/check", Map.of("documents", List.of(Map.of("id", paper, "version", version))));
    }

    private void give(UUID paper, String reader) throws Exception {
        UUID copy = MarkedPapers.draft(api, paper, reader, false, false, false).id("$[0].id");
        assertThat(api.post(
                                "/api/copies-out/give",
                                Map.of("copies", List.of(copy), "way", "DOWNLOAD", "evenIfReadable", false))
                        .status())
                .isEqualTo(204);
    }

    private void relate(UUID file, String kind, Map<String, ?> who) throws Exception {
        Map<String, Object> body = new HashMap<>(who);
        body.put("kind", kind);
        assertThat(api.post("/api/files/{id}/relations", body, file).status()).isEqualTo(201);
    }

    @Test
    void aPaperIsCompleteThenSentThenCheckedThenFiledAndItsNameSaysWhatIsLacking() throws Exception {
        String type = newType(true, null, List.of(receiver("RELATION", "INSURER"), receiver("PERSON", null)));
        Api second = practice.colleague(null, true, true);
        UUID file = api.newEmployee("Goesthrough", null);
        UUID paper = api.fileNewPaper(file, type, TODAY);
        assertThat(stage(paper)).isEqualTo("COMPLETE");
        assertThat(standing(api, paper).<List<String>>at("$.names"))
                .containsExactly("insurer, not known yet", "Tamsin Goesthrough");
        assertThat(name(paper)).endsWith("not sent to insurer and employee");
        assertThat(listed(api, "RECEIVER", type)).containsExactly(paper.toString());
        assertThat(listed(api, "CHECK", type)).containsExactly(paper.toString());
        assertThat(listed(api, "US", type)).isEmpty();

        assertThat(api.get("/api/today").<List<String>>at("$.dueToday[?(@.action=='send')].title"))
                .singleElement()
                .asString()
                .contains("to be sent");

        relate(file, "INSURER", Map.of("newOutsider", Map.of("name", "Tallow Mutual")));
        assertThat(standing(api, paper).<List<String>>at("$.names")).contains("Tallow Mutual");
        give(paper, "tallow mutual");
        assertThat(stage(paper)).isEqualTo("SENT");
        assertThat(standing(api, paper).<Integer>at("$.sent")).isEqualTo(1);
        assertThat(name(paper)).endsWith("not sent to employee");
        give(paper, "Tamsin Goesthrough");
        assertThat(standing(api, paper).<String>at("$.waitsFor")).isEqualTo("US");
        assertThat(name(paper)).endsWith("to check");
        await().untilAsserted(() -> assertThat(
                        api.post("/api/find", Map.of("text", "Goesthrough")).<List<String>>at("$.papers[*].name"))
                .contains(name(paper)));

        Api.Answer own = check(api, paper, 1);
        assertThat(own.<String>at("$.code")).isEqualTo("second-person");
        assertThat(standing(api, paper).<Boolean>at("$.mayCheck")).isFalse();
        String mine = "$.dueToday[?(@.action=='check')].documentId";
        assertThat(api.get("/api/today").<List<String>>at(mine)).doesNotContain(paper.toString());
        assertThat(second.get("/api/today").<List<String>>at(mine)).contains(paper.toString());
        assertThat(check(second, paper, 2).status()).as("not the newest").isEqualTo(409);
        assertThat(check(second, paper, 1).status()).isEqualTo(204);
        assertThat(stage(paper)).isEqualTo("FILED");
        assertThat(name(paper)).endsWith("Goesthrough T");
        assertThat(check(second, paper, 1).<String>at("$.code")).isEqualTo("checked");
        assertThat(listed(api, "CHECK", type)).isEmpty();
        assertThat(second.send(HttpMethod.DELETE, "/api/documents/{id}/check", null, paper)
                        .status())
                .isEqualTo(204);
        assertThat(stage(paper)).isEqualTo("SENT");
        check(second, paper, 1);

        second.renew(paper, "newer.pdf", Papers.pdf("Newer " + UUID.randomUUID()));
        assertThat(standing(second, paper).<Boolean>at("$.mayCheck"))
                .as("who made a version is no second person")
                .isFalse();
        assertThat(stage(paper)).as("nobody has the newer one").isEqualTo("COMPLETE");
        assertThat(standing(api, paper).body()).doesNotContain("checkedOn");
        assertThat(api.get("/api/files/{id}/trail", file).body()).contains("checked “", "took back the check of “");
    }

    @Test
    void aLinkWaitsUntilItIsOpenedAndCountsNoMoreOnceItEnded() throws Exception {
        String type = newType(false, null, List.of(receiver("PERSON", null)));
        String to = TestPractice.newAddress();
        UUID file = api.newEmployee("Linkwaits", to);
        UUID paper = api.fileNewPaper(file, type, TODAY);
        UUID copy = MarkedPapers.draft(api, paper, "Mx Linkwaits", false, false, false)
                .id("$[0].id");
        Map<String, Object> letter = new HashMap<>(
                Map.of("copies", List.of(copy), "to", to, "subject", "For you", "words", "", "evenIfReadable", false));
        letter.put("endsOn", TODAY.plusDays(7));
        assertThat(api.post("/api/copies-out/mail", letter).status()).isEqualTo(201);
        assertThat(stage(paper)).as("known by the address").isEqualTo("SENT");
        assertThat(standing(api, paper).<String>at("$.waitsFor")).isEqualTo("RECEIVER");
        assertThat(standing(api, paper).<Boolean>at("$.receivers[0].opened")).isFalse();
        assertThat(name(paper)).endsWith("not opened yet");

        TestMail.copiesLinkTo(to);
        UUID mail = UUID.fromString(api.get("/api/files/{id}/copy-mails", file).at("$[0].id"));
        assertThat(api.post("/api/copy-mails/{id}/end", null, mail).status()).isEqualTo(204);
        assertThat(stage(paper)).isEqualTo("COMPLETE");
        assertThat(standing(api, paper).body()).doesNotContain("given");
    }

    @Test
    void anAuthorityForAllFilesAndWhoSignsInARoleAreSentToAsWell() throws Exception {
        UUID file = api.newEmployee("Authority", null);
        relate(file, "OTHER", Map.of("newOutsider", Map.of("name", "Fenmoor Board", "email", "board@fenmoor.example")));
        String board = api.get("/api/outsiders/found?text=Fenmoor Board").at("$[0].id");
        String type = newType(
                false,
                null,
                List.of(receiver("OUTSIDER", board), receiver("ROLE", "warden"), receiver("RELATION", "GUARDIAN")));
        UUID other = api.newEmployee("Authorityelse", null);
        UUID paper = api.fileNewPaper(other, type, TODAY);
        assertThat(standing(api, paper).<List<String>>at("$.names"))
                .containsExactly("Fenmoor Board", "warden, not known yet", "guardian, not known yet");
        assertThat(name(paper)).endsWith("not sent to 3 of 3");
        Api.Answer sendings = api.post("/api/under-way/to-send", Map.of("documents", List.of(paper)));
        assertThat(sendings.<List<String>>at("$[*].label")).containsExactly("Fenmoor Board", "warden", "guardian");
        assertThat(sendings.<List<String>>at("$[*].address")).containsExactly("board@fenmoor.example");
        give(paper, "Fenmoor Board");
        assertThat(api.post("/api/under-way/to-send", Map.of("documents", List.of(paper)))
                        .<List<String>>at("$[*].label"))
                .containsExactly("warden", "guardian");
    }

    @Test
    void whoSeesItInThePortalHasIt() throws Exception {
        String type = newType(false, null, List.of(receiver("RELATION", "GUARDIAN")));
        UUID file = api.newEmployee("Inportal", null);
        String address = TestPractice.newAddress();
        relate(file, "GUARDIAN", Map.of("newOutsider", Map.of("name", "Ruth Inportal", "email", address)));
        UUID paper = api.fileNewPaper(file, type, TODAY);
        UUID guest = api.post(
                        "/api/files/{id}/guests",
                        Map.of("name", "R. Inportal", "email", address, "relation", "guardian"),
                        file)
                .id("$.accountId");
        assertThat(stage(paper)).isEqualTo("COMPLETE");
        api.post("/api/documents/{id}/shares", Map.of("accountId", guest), paper);
        assertThat(stage(paper)).isEqualTo("FILED");
        api.send(HttpMethod.DELETE, "/api/documents/{id}/shares/{a}", null, paper, guest);
        assertThat(listed(api, "RECEIVER", type)).containsExactly(paper.toString());
    }

    @Test
    void papersOfFormerDaysAreLeftAloneAndARuleThatChangesIsFollowedByAll() throws Exception {
        String type = newType(false, TODAY.plusDays(1), List.of(receiver("PERSON", null)));
        UUID file = api.newEmployee("Formerdays", null);
        UUID paper = api.fileNewPaper(file, type, TODAY);
        assertThat(stage(paper)).isEqualTo("FILED");
        assertThat(put(type, 7, List.of(), rule(false, null, List.of())).status())
                .as("changed meanwhile")
                .isEqualTo(409);
        int version = api.get("/api/set-up/document-types")
                .<List<Integer>>at("$[?(@.code=='" + type + "')].version")
                .get(0);
        assertThat(put(type, version, List.of(), rule(false, null, List.of(receiver("PERSON", null))))
                        .status())
                .isEqualTo(204);
        await().untilAsserted(() -> assertThat(listed(api, "RECEIVER", type)).containsExactly(paper.toString()));
        assertThat(name(paper)).endsWith("not sent to employee");
        job.nightly();
        assertThat(listed(api, "RECEIVER", type)).containsExactly(paper.toString());
    }

    @Test
    void thatTheNameFollowsIsNobodysChangeOfThePaper() throws Exception {
        String type = newType(false, null, List.of(receiver("PERSON", null)));
        UUID file = api.newEmployee("Namefollows", null);
        UUID paper = api.fileNewPaper(file, "letter", TODAY);
        Api.Answer before = api.post(
                "/api/documents/details",
                Map.of("documents", api.seen(List.of(paper)), "details", Map.of("type", type)));
        assertThat(name(paper)).endsWith("not sent to employee");
        int changes = api.get("/api/documents/{id}", paper).at("$.changes");
        give(paper, "Tamsin Namefollows");
        assertThat(name(paper)).endsWith("Namefollows T");
        assertThat(api.get("/api/documents/{id}", paper).<Integer>at("$.changes"))
                .isEqualTo(changes);
        assertThat(api.post("/api/documents/details/undo", Map.of("before", before.<List<Object>>at("$")))
                        .status())
                .isEqualTo(204);
    }

    /** As when a mail is noted as sent while somebody else gives the paper and corrects it. */
    @Test
    void whatOthersChangedSinceItWasReadIsReadAgainBeforeItIsWorkedOut() throws Exception {
        String type = newType(false, null, List.of(receiver("PERSON", null)));
        UUID file = api.newEmployee("Changedsince", null);
        UUID paper = api.fileNewPaper(file, type, TODAY);
        transactions.executeWithoutResult(t -> {
            assertThat(documents.outsideWastebasket(List.of(paper))).hasSize(1);
            CompletableFuture.runAsync(() -> giveAndCorrect(paper, file, type)).join();
            workOut.workOut(List.of(paper));
        });
        assertThat(name(paper)).endsWith("Changedsince T");
        assertThat(stage(paper)).isEqualTo("FILED");
    }

    private void giveAndCorrect(UUID paper, UUID file, String type) {
        try {
            give(paper, "Tamsin Changedsince");
            Map<String, Object> correction = Map.of(
                    "changes",
                    api.get("/api/documents/{id}", paper).<Integer>at("$.changes"),
                    "details",
                    Api.details(file, type, TODAY),
                    "description",
                    "corrected meanwhile");
            assertThat(api.send(HttpMethod.PUT, "/api/documents/{id}/details", correction, paper)
                            .status())
                    .isEqualTo(204);
        } catch (Exception failed) {
            throw new IllegalStateException(failed);
        }
    }

    @Test
    void ofManyWhoActAtOnceOnAPaperThatWasNeverWorkedOutNobodyFails() throws Exception {
        UUID paper = api.fileNewPaper(api.newEmployee("Atonce", null), "letter", TODAY);
        sql.sql("delete from paper_standing where document_id = ?").param(paper).update();
        List<CompletableFuture<Integer>> acts = IntStream.range(0, 4)
                .mapToObj(i -> CompletableFuture.supplyAsync(() -> comment(paper, "at once " + i)))
                .toList();
        assertThat(acts).extracting(CompletableFuture::join).containsOnly(201);
        assertThat(sql.sql("select stage from paper_standing where document_id = ?")
                        .param(paper)
                        .query(String.class)
                        .single())
                .isEqualTo("FILED");
    }

    private int comment(UUID paper, String words) {
        try {
            return api.post("/api/documents/{id}/comments", Map.of("words", words, "mentioned", List.of()), paper)
                    .status();
        } catch (Exception failed) {
            throw new IllegalStateException(failed);
        }
    }

    @Test
    void whoCannotBeMeantIsRefusedAtItsPlace() throws Exception {
        Api.Answer wrong = put(
                "t-wrong",
                0,
                List.of(),
                rule(false, null, List.of(receiver("PERSON", null), receiver("RELATION", "X"))));
        assertThat(wrong.status()).isEqualTo(422);
        assertThat(wrong.<String>at("$.problems[0].field")).isEqualTo("receiving.receivers.1");
        Api.Answer twice = put(
                "t-wrong",
                0,
                List.of(),
                rule(false, null, List.of(receiver("PERSON", null), receiver("PERSON", null))));
        assertThat(twice.<String>at("$.problems[0].field")).isEqualTo("receiving.receivers");
    }

    @Test
    void nobodyLearnsOfPapersOrPeopleThatAreNotForThem() throws Exception {
        String type = newType(true, null, List.of(receiver("RELATION", "GUARDIAN")));
        UUID file = api.newEmployee("Stablehand", null);
        UUID guardian = api.newFile("patient", "Hiddenguardian", null, "Therapy");
        relate(file, "GUARDIAN", Map.of("otherFile", guardian));
        UUID paper = api.fileNewPaper(file, type, TODAY);
        assertThat(standing(api, paper).<List<String>>at("$.names")).containsExactly("Tamsin Hiddenguardian");

        Api stables = practice.colleague("Stables", true, true);
        assertThat(standing(stables, paper).<List<String>>at("$.names")).containsExactly("guardian");
        assertThat(standing(stables, paper).body()).doesNotContain("Hiddenguardian");
        Api.Answer list = stables.get("/api/under-way?queue=RECEIVER&type={t}", type);
        assertThat(list.<List<String>>at("$.papers[*].documentId")).containsExactly(paper.toString());
        assertThat(list.body()).doesNotContain("Hiddenguardian");

        Api therapy = practice.colleague("Therapy", true, true);
        assertThat(standing(therapy, paper).status()).isEqualTo(404);
        assertThat(listed(therapy, "RECEIVER", type)).isEmpty();
        assertThat(therapy.get("/api/under-way?queue=CHECK&type={t}", type).<Integer>at("$.counts.check"))
                .isZero();
        assertThat(check(therapy, paper, 1).status()).isEqualTo(404);
        assertThat(check(practice.colleague("Stables", true, false), paper, 1).status())
                .isEqualTo(403);
        Api guest = practice.guestOf(api, file);
        assertThat(guest.get("/api/under-way?queue=US").status()).isEqualTo(403);
    }

    @Test
    void aPaperThatLacksASignatureIsWithWhomACopyWasGivenToSign() throws Exception {
        String code = "t" + UUID.randomUUID().toString().substring(0, 12);
        put(code, 0, List.of(Map.of("role", "employee", "label", "employee")), null);
        UUID file = api.newEmployee("Signslater", null);
        UUID paper = api.fileNewPaper(file, code, TODAY);
        assertThat(check(practice.colleague(null, true, true), paper, 1).<String>at("$.code"))
                .as("it is not complete, and nobody asks for a check")
                .isEqualTo("not-to-check");
        assertThat(stage(paper)).isEqualTo("UNSIGNED");
        assertThat(listed(api, "US", code)).containsExactly(paper.toString());
        give(paper, "Somebody Else");
        assertThat(stage(paper)).isEqualTo("UNSIGNED");
        give(paper, "Tamsin Signslater");
        assertThat(stage(paper)).isEqualTo("WITH_OTHERS");
        assertThat(standing(api, paper).<String>at("$.since")).isEqualTo(TODAY.toString());
        assertThat(listed(api, "OTHERS", code)).containsExactly(paper.toString());

        assertThat(api.post("/api/documents/{id}/entered-in-error", Map.of("version", 1, "reason", "not his"), paper)
                        .status())
                .isEqualTo(204);
        assertThat(listed(api, "OTHERS", code)).isEmpty();
        assertThat(standing(api, paper).status()).isEqualTo(204);
    }
}
