package app.denfold.server;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.access.accounts.NewAccount;
import app.denfold.server.access.accounts.Post;
import jakarta.servlet.http.Cookie;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.test.web.servlet.MockMvc;

/** Signatures that are asked for, and given by colleagues, by people with a link, and by deputies. */
@ServerTest
class SignatureRequestsTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    @Autowired
    MockMvc mvc;

    private static Map<String, Object> signer(int step, String role, String name, String email) {
        Map<String, Object> signer = new HashMap<>(Map.of("step", step, "task", "SIGN", "role", role, "name", name));
        if (email != null) {
            signer.put("email", email);
        }
        return signer;
    }

    private static Map<String, Object> colleague(int step, String task, String role, UUID account) {
        return Map.of("step", step, "task", task, "role", role, "accountId", account);
    }

    private static Map<String, Object> details(List<Map<String, Object>> papers, Object... signers) {
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

    private static UUID ask(Api api, UUID paper, Object... signers) throws Exception {
        return api.post("/api/signature-requests", details(api.shown(paper), signers))
                .id("$.id");
    }

    private UUID accountOf(Api api) throws Exception {
        return api.get("/api/session").id("$.id");
    }

    /** Whoever signs by a link: looks through all pages after showing the code. */
    private final class Link {
        private final String token;
        private final Cookie key;

        Link(String address) throws Exception {
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

    private static Map<String, Object> typed(String name) {
        return Map.of("signature", Map.of("typed", name), "values", Map.of());
    }

    private static UUID waiting(Api who, UUID request) throws Exception {
        List<String> turns = who.get("/api/my-signatures").at("$[?(@.requestId=='" + request + "')].turnId");
        assertThat(turns).hasSize(1);
        return UUID.fromString(turns.get(0));
    }

    private static Api.Answer signAs(Api who, UUID turn, String name) throws Exception {
        String paper = who.get("/api/my-signatures/{id}", turn).at("$.papers[0].id");
        who.get("/api/my-signatures/{id}/papers/{paper}/pages/1", turn, paper);
        return who.post("/api/my-signatures/{id}/sign", typed(name), turn);
    }

    @Test
    void approverThenEmployeeByLinkThenDirectorMakeASealedCopyThatEverybodyGets() throws Exception {
        Api api = practice.administrator();
        Api approver = practice.colleague(null, true, true);
        Api director =
                practice.signedIn(NewAccount.colleague(TestPractice.newAddress(), "Bram Wayfarer", null, true, true));
        String mail = TestPractice.newAddress();
        UUID file = api.newEmployee("Wayfarer", mail);
        UUID paper = api.fileNewPaper(file, "contract", TODAY.minusDays(2));
        UUID request = ask(
                api,
                paper,
                colleague(0, "APPROVE", "x", accountOf(approver)),
                signer(1, "employee", "Tamsin Wayfarer", mail),
                colleague(2, "SIGN", "director", accountOf(director)));
        assertThat(director.get("/api/my-signatures").<List<String>>at("$[?(@.requestId=='" + request + "')].turnId"))
                .as("others come first")
                .isEmpty();
        assertThat(TestMail.to(mail)).isEmpty();

        UUID look = waiting(approver, request);
        assertThat(approver.post("/api/my-signatures/{id}/approve", null, look).<String>at("$.code"))
                .isEqualTo("not-read");
        approver.get("/api/my-signatures/{id}/papers/{paper}/pages/1", look, paper);
        assertThat(approver.post("/api/my-signatures/{id}/approve", null, look).<Boolean>at("$.done"))
                .isTrue();

        Link employee = new Link(mail);
        assertThat(employee.sign("Tamsin Wayfarer").<String>at("$.code")).isEqualTo("not-read");
        employee.lookThrough();
        assertThat(employee.sign("Bram Wayfarer").<String>at("$.problems[0].message"))
                .contains("is not the name of Tamsin Wayfarer");
        assertThat(employee.sign("Tamsin Wayfarer").<Boolean>at("$.done")).isTrue();
        assertThat(employee.sign("Tamsin Wayfarer").<String>at("$.code")).isEqualTo("done-already");
        assertThat(api.slot(file, "contract")).isEqualTo("awaiting-signature");

        UUID last = waiting(director, request);
        assertThat(signAs(director, last, "Bram Wayfarer").<String>at("$.state"))
                .isEqualTo("COMPLETE");
        assertThat(api.slot(file, "contract")).isEqualTo("on-file");
        Api.Answer filed = api.get("/api/documents/{id}", paper);
        assertThat(filed.<String>at("$.name")).doesNotContain("unsigned");
        byte[] sealed = api.get("/api/documents/{id}/versions/2/content", paper).bytes();
        try (var copy = Loader.loadPDF(sealed)) {
            String words = new PDFTextStripper().getText(copy);
            assertThat(words)
                    .contains("known by a link and a code sent by mail to t…@post.example")
                    .contains("known signed in to their own account")
                    .doesNotContain(mail);
            String json = new String(
                    copy.getDocumentCatalog()
                            .getNames()
                            .getEmbeddedFiles()
                            .getNames()
                            .get("how-it-was-signed.json")
                            .getEmbeddedFile()
                            .toByteArray(),
                    StandardCharsets.UTF_8);
            assertThat(json).contains("\"LINK_AND_CODE\"").doesNotContain(mail);
        }
        await().until(() -> TestMail.to(mail).stream().anyMatch(m -> m.contains("sealed copy lies here")));
        assertThat(employee.get("/papers/" + paper + "/copy").bytes()).isEqualTo(sealed);
        assertThat(api.get("/api/files/{id}/trail", file).<List<String>>at("$[*].sentence"))
                .anyMatch(s -> s.startsWith("looked through and passed on for signing"));
    }

    @Test
    void aForwardedLinkOpensNothingAndFiveWrongCodesCloseIt() throws Exception {
        Api api = practice.administrator();
        String mail = TestPractice.newAddress();
        UUID paper = api.fileNewPaper(api.newEmployee("Forwarded", mail), "contract", TODAY.minusDays(2));
        UUID request = ask(api, paper, signer(0, "employee", "Tamsin Forwarded", mail));
        String token = TestMail.signingLinkTo(mail);
        Api stranger = Api.nobody(mvc);
        assertThat(stranger.get("/api/sign/{t}/door", token).<String>at("$.to")).isEqualTo("t…@post.example");
        assertThat(stranger.get("/api/sign/{t}", token).status()).isEqualTo(401);
        assertThat(stranger.get("/api/sign/{t}/papers/{p}/pages/1", token, paper)
                        .status())
                .isEqualTo(401);
        assertThat(stranger.post("/api/sign/{t}/sign", typed("Tamsin Forwarded"), token)
                        .status())
                .isEqualTo(401);
        stranger.post("/api/sign/{t}/code", null, token);
        String right = TestMail.codeTo(mail);
        assertThat(stranger.post("/api/sign/{t}/code", null, token).status()).isEqualTo(429);
        String wrong = right.equals("111111") ? "222222" : "111111";
        for (int i = 0; i < 4; i++) {
            assertThat(stranger.post("/api/sign/{t}/enter", Map.of("code", wrong), token)
                            .status())
                    .isEqualTo(422);
        }
        assertThat(stranger.post("/api/sign/{t}/enter", Map.of("code", wrong), token)
                        .<String>at("$.code"))
                .isEqualTo("link-closed");
        assertThat(stranger.post("/api/sign/{t}/enter", Map.of("code", right), token)
                        .status())
                .as("the right one comes too late")
                .isEqualTo(410);
        assertThat(api.get("/api/notices").<List<String>>at("$[?(@.recipient=='" + mail + "')].body"))
                .noneMatch(body -> body.contains(right) || body.contains(token));
        UUID turn = api.get("/api/signature-requests/{id}", request).id("$.row.way[0].id");
        assertThat(api.post("/api/signature-requests/{id}/turns/{turn}/remind", null, request, turn)
                        .status())
                .isEqualTo(204);
        TestMail.waitFor(mail, 3);
        Link again = new Link(mail);
        again.lookThrough();
        assertThat(again.sign("T. Forwarded").<Boolean>at("$.done")).isTrue();
    }

    @Test
    void ofTwoGuardiansSideBySideOneDeclinesAndNothingIsSigned() throws Exception {
        Api api = practice.administrator();
        String first = TestPractice.newAddress();
        String second = TestPractice.newAddress();
        UUID file = api.newFile("student", "Twoguardians", null, "Stables");
        UUID paper = api.fileNewPaper(file, "guardian-consent", TODAY.minusDays(2));
        UUID request = ask(
                api,
                paper,
                signer(0, "guardian", "Ada Twoguardians", first),
                signer(0, "guardian", "Ben Twoguardians", second));
        Link ada = new Link(first);
        Link ben = new Link(second);
        ada.lookThrough();
        ben.lookThrough();
        assertThat(ada.sign("Ada Twoguardians").<Boolean>at("$.done")).isTrue();
        assertThat(api.get("/api/documents/{id}", paper).<List<Object>>at("$.unsignedBy"))
                .as("one of two is not enough")
                .hasSize(1);
        assertThat(ben.post("/decline", Map.of("words", "Not in winter")).<String>at("$.state"))
                .isEqualTo("DECLINED");
        assertThat(ben.sign("Ben Twoguardians").status()).isEqualTo(409);
        Api.Answer after = api.get("/api/signature-requests/{id}", request);
        assertThat(after.<String>at("$.row.state")).isEqualTo("DECLINED");
        assertThat(after.<List<String>>at("$.row.way[*].reason")).contains("Not in winter");
        assertThat(api.get("/api/documents/{id}", paper).<List<Integer>>at("$.versions[*].number"))
                .as("what was signed is kept on a sealed copy")
                .hasSize(2);
        await().until(() -> TestMail.to(first).stream().anyMatch(m -> m.contains("somebody else said no")));
    }

    @Test
    void whatCannotBeAskedIsRefusedInWords() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newFile("student", "Refusedchild", null, "Stables");
        Map<String, Object> child = new HashMap<>(Map.of(
                "kind",
                "student",
                "givenName",
                "Mila",
                "familyName",
                "Small",
                "team",
                "Stables",
                "birthDate",
                TODAY.minusYears(9).toString(),
                "activeFrom",
                TODAY.toString(),
                "facts",
                Map.of()));
        UUID small = api.post("/api/files", Map.of("person", child, "evenIfLike", true))
                .id("$.id");
        UUID consent = api.fileNewPaper(small, "guardian-consent", TODAY.minusDays(2));
        UUID other = api.fileNewPaper(file, "guardian-consent", TODAY.minusDays(2));
        assertThat(problem(api, details(api.shown(consent), signer(0, "guardian", "Mila Small", null))))
                .contains("is under 18: a guardian signs");
        assertThat(problem(api, details(api.shown(consent, other), signer(0, "guardian", "Ada", null))))
                .contains("papers of one file");
        assertThat(problem(api, details(api.shown(consent), colleague(0, "APPROVE", "x", accountOf(api)))))
                .contains("at least one signer");
        assertThat(problem(api, details(api.shown(consent), signer(0, "guardian", " ", null))))
                .contains("who signs?");
        Map<String, Object> late = details(api.shown(consent), signer(0, "guardian", "Ada Small", null));
        late.put("dueOn", TODAY.minusDays(1).toString());
        assertThat(problem(api, late)).contains("not past");
        Map<String, Object> outside = details(api.shown(consent), signer(0, "guardian", "Ada Small", null));
        outside.put(
                "fields",
                List.of(Map.of(
                        "paperId",
                        consent,
                        "signer",
                        0,
                        "kind",
                        "SIGNATURE",
                        "page",
                        9,
                        "left",
                        0.1,
                        "top",
                        0.1,
                        "width",
                        0.2,
                        "required",
                        true)));
        assertThat(problem(api, outside)).contains("The paper has one page");
        ask(api, consent, signer(0, "guardian", "Ada Small", null));
        assertThat(api.post(
                                "/api/signature-requests",
                                details(api.shown(consent), signer(0, "guardian", "Ada Small", null)))
                        .<String>at("$.code"))
                .isEqualTo("signing-open");
        assertThat(api.post(
                                "/api/documents/{id}/desk-signings",
                                Map.of(
                                        "version",
                                        1,
                                        "signers",
                                        List.of(Map.of("role", "guardian", "signer", "Ada Small"))),
                                consent)
                        .<String>at("$.code"))
                .isEqualTo("signing-open");
    }

    private static String problem(Api api, Map<String, Object> details) throws Exception {
        Api.Answer answer = api.post("/api/signature-requests", details);
        assertThat(answer.status()).as(answer.body()).isEqualTo(422);
        return answer.at("$.problems[0].message");
    }

    @Test
    void aCorrectedPaperIsAskedForAnewAndTheFormerOneCannotBeSigned() throws Exception {
        Api api = practice.administrator();
        String mail = TestPractice.newAddress();
        UUID paper = api.fileNewPaper(api.newEmployee("Corrected", mail), "contract", TODAY.minusDays(2));
        UUID request = ask(api, paper, signer(0, "employee", "Tamsin Corrected", mail));
        Link former = new Link(mail);
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
    void aDeputySignsForSomebodyAwayAndBothStandOnThePaper() throws Exception {
        Api api = practice.administrator();
        Api deputy =
                practice.signedIn(NewAccount.colleague(TestPractice.newAddress(), "Runa Standin", null, true, true));
        Api away = practice.signedIn(NewAccount.colleague(TestPractice.newAddress(), "Zuri Director", null, true, true)
                .as(new Post(null, null, null, null, accountOf(deputy), TODAY.minusDays(1), TODAY)));
        UUID paper = api.fileNewPaper(api.newEmployee("Deputysigned", null), "contract", TODAY.minusDays(2));
        UUID request = ask(api, paper, colleague(0, "SIGN", "director", accountOf(away)));
        UUID turn = waiting(deputy, request);
        assertThat(deputy.get("/api/my-signatures/{id}", turn).<String>at("$.forName"))
                .isEqualTo("Zuri Director");
        assertThat(signAs(deputy, turn, "Zuri Director").<String>at("$.problems[0].message"))
                .contains("is not the name of Runa Standin");
        assertThat(signAs(deputy, turn, "Runa Standin").<String>at("$.state")).isEqualTo("COMPLETE");
        try (var copy = Loader.loadPDF(
                api.get("/api/documents/{id}/versions/2/content", paper).bytes())) {
            assertThat(new PDFTextStripper().getText(copy)).contains("Runa Standin for Zuri Director");
        }
        Api stranger = practice.colleague(null, true, true);
        assertThat(stranger.get("/api/my-signatures/{id}", turn).status()).isEqualTo(404);
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
        Link link = new Link(mail);
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
        Link passed = new Link(other);
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

    @Test
    void aColleagueAtTheDeskSignsWithTheOwnPassword() throws Exception {
        Api api = practice.administrator();
        String name = "Bram Deskowner" + UUID.randomUUID();
        practice.signedIn(NewAccount.colleague(TestPractice.newAddress(), name, null, true, true));
        UUID paper = api.fileNewPaper(api.newEmployee("Deskpassword", null), "contract", TODAY.minusDays(2));
        UUID signing = api.post(
                        "/api/documents/{id}/desk-signings",
                        Map.of("version", 1, "signers", List.of(Map.of("role", "director", "signer", name))),
                        paper)
                .id("$.id");
        Map<String, Object> given = new HashMap<>(Map.of("role", "director", "signature", Map.of("typed", name)));
        assertThat(api.post("/api/desk-signings/{id}/signatures", given, signing)
                        .<String>at("$.problems[0].message"))
                .contains("signs with their own password");
        given.put("password", "not this one");
        assertThat(api.post("/api/desk-signings/{id}/signatures", given, signing)
                        .<String>at("$.problems[0].message"))
                .contains("not the password of");
        given.put("password", TestPractice.PASSWORD);
        assertThat(api.post("/api/desk-signings/{id}/signatures", given, signing)
                        .<String>at("$.state"))
                .isEqualTo("COMPLETE");
    }

    @Test
    void whereOneSignsIsProposedByWordsAndTheSecondTimeAsItWasPlaced() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Placed", null);
        UUID first = api.fileNewPaper(file, "livery-agreement", TODAY.minusDays(2));
        api.renew(first, "agreement.pdf", Papers.pages(List.of("Livery agreement||Signature of owner")));
        Api.Answer words = await().until(
                        () -> api.get("/api/signature-requests/proposal?papers=" + first),
                        answer -> !answer.<List<Object>>at("$.fields").isEmpty());
        assertThat(words.<List<String>>at("$.fields[*].field.role")).containsExactly("owner");
        assertThat(words.<List<String>>at("$.fields[*].why")).containsExactly("“Signature of owner”");
        Map<String, Object> details = details(api.shown(first), signer(0, "owner", "L Placed", null));
        details.put(
                "fields",
                List.of(
                        Map.of(
                                "paperId",
                                first,
                                "signer",
                                0,
                                "kind",
                                "SIGNATURE",
                                "page",
                                1,
                                "left",
                                0.5,
                                "top",
                                0.4,
                                "width",
                                0.28,
                                "required",
                                true),
                        Map.of(
                                "paperId",
                                first,
                                "signer",
                                0,
                                "kind",
                                "TEXT",
                                "page",
                                1,
                                "left",
                                0.1,
                                "top",
                                0.4,
                                "width",
                                0.3,
                                "height",
                                0.02,
                                "required",
                                false,
                                "label",
                                "Box")));
        assertThat(api.post("/api/signature-requests", details).status()).isEqualTo(201);
        UUID second = api.fileNewPaper(file, "livery-agreement", TODAY.minusDays(1));
        Api.Answer kept = api.get("/api/signature-requests/proposal?papers=" + second);
        assertThat(kept.<List<String>>at("$.fields[*].field.kind")).containsExactly("SIGNATURE", "TEXT");
        assertThat(kept.<List<Double>>at("$.fields[*].field.left")).containsExactly(0.5, 0.1);
        assertThat(kept.<List<String>>at("$.fields[*].why")).containsOnly("as last time");
    }

    @Test
    void theSameFormIsAskedOfManyAndWhoCannotBeAskedGetsNone() throws Exception {
        Api api = practice.administrator();
        String mail = TestPractice.newAddress();
        UUID one = api.newEmployee("Manyone", mail);
        UUID two = api.newEmployee("Manytwo", null);
        UUID director = accountOf(practice.colleague(null, true, true));
        String upload = api.sent("handbook.pdf", Papers.pdf("Contract for everybody"));
        Api.Answer asked = api.post(
                "/api/signature-requests/many",
                Map.of(
                        "upload",
                        upload,
                        "type",
                        "contract",
                        "files",
                        List.of(one, two),
                        "colleagues",
                        Map.of("director", director),
                        "remindEveryDays",
                        0));
        assertThat(asked.<Integer>at("$.asked")).isEqualTo(1);
        assertThat(asked.<List<String>>at("$.notAsked[*].why").get(0)).contains("No mail address");
        assertThat(api.get("/api/files/{id}/signature-requests", one).<List<String>>at("$[*].way[*].role"))
                .containsExactly("employee", "director");
        assertThat(api.slot(one, "contract")).isEqualTo("awaiting-signature");
        assertThat(api.slot(two, "contract")).as("nothing is left behind").isNotEqualTo("awaiting-signature");
        TestMail.waitFor(mail, 1);
    }

    @Test
    void whatWasSignedWithAPenFindsItsRequestAndClosesItsStepOnceItWasLookedAt() throws Exception {
        Api api = practice.administrator();
        String mail = TestPractice.newAddress();
        UUID file = api.newEmployee("Penpaper", null);
        UUID paper = api.fileNewPaper(file, "contract", TODAY.minusDays(2));
        UUID request = ask(
                api,
                paper,
                signer(0, "employee", "Tamsin Penpaper", null),
                signer(1, "director", "Bram Penpaper", mail));
        UUID turn = api.get("/api/signature-requests/{id}", request).id("$.row.way[0].id");
        byte[] printed = api.get("/api/signature-requests/{id}/turns/{turn}/print", request, turn)
                .bytes();
        UUID arrival = api.upload("/api/arrivals", "scan.pdf", Papers.scanOf(printed), Map.of())
                .id("$.id");
        await().until(() -> api.get("/api/signature-requests/{id}", request)
                .<String>at("$.row.way[0].outcome")
                .equals("TO_CONFIRM"));
        assertThat(api.get("/api/arrivals").<List<String>>at("$[*].id")).doesNotContain(arrival.toString());
        assertThat(api.get("/api/signature-requests/{id}/turns/{turn}/scan/pages/1", request, turn)
                        .status())
                .isEqualTo(200);
        assertThat(TestMail.to(mail)).as("the next step waits for the look").isEmpty();
        assertThat(look(api, request, turn, false)).isEqualTo(204);
        assertThat(api.get("/api/signature-requests/{id}", request).<String>at("$.row.way[0].outcome"))
                .isEqualTo("OPEN");
        assertThat(api.get("/api/arrivals").<List<String>>at("$[*].id"))
                .as("what is no signature is not lost")
                .contains(arrival.toString());
        api.upload("/api/arrivals", "again.pdf", Papers.scanOf(printed), Map.of());
        await().until(() -> api.get("/api/signature-requests/{id}", request)
                .<String>at("$.row.way[0].outcome")
                .equals("TO_CONFIRM"));
        assertThat(look(api, request, turn, true)).isEqualTo(204);
        assertThat(look(api, request, turn, true)).isEqualTo(409);
        Link director = new Link(mail);
        director.lookThrough();
        assertThat(director.sign("Bram Penpaper").<String>at("$.state")).isEqualTo("COMPLETE");
        assertThat(api.slot(file, "contract")).isEqualTo("on-file");
        try (var copy = Loader.loadPDF(
                api.get("/api/documents/{id}/versions/2/content", paper).bytes())) {
            assertThat(copy.getDocumentCatalog().getNames().getEmbeddedFiles().getNames())
                    .containsKeys("signed-on-paper-1.pdf", "how-it-was-signed.json");
            assertThat(new PDFTextStripper().getText(copy)).contains("by pen on paper, as the scan shows");
        }
    }

    private static int look(Api api, UUID request, UUID turn, boolean signed) throws Exception {
        return api.post("/api/signature-requests/{id}/turns/{turn}/look", Map.of("signed", signed), request, turn)
                .status();
    }

    @Test
    void whatASignerWritesBecomesTheValueOfTheFieldOfThatName() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Writing", null);
        UUID arrival = api.upload("/api/arrivals", "paper.pdf", Papers.pdf("Written on " + UUID.randomUUID()), Map.of())
                .id("$.id");
        Map<String, Object> filing = new HashMap<>(Api.details(file, "contract", TODAY.minusDays(2)));
        filing.put("furtherTypes", List.of("insurance-card"));
        UUID paper = api.post("/api/arrivals/{id}/filing", Map.of("version", 0, "details", filing), arrival)
                .id("$.documentId");
        Api director =
                practice.signedIn(NewAccount.colleague(TestPractice.newAddress(), "Bram Writing", null, true, true));
        Map<String, Object> details = details(api.shown(paper), colleague(0, "SIGN", "director", accountOf(director)));
        details.put(
                "fields",
                List.of(Map.of(
                        "paperId",
                        paper,
                        "signer",
                        0,
                        "kind",
                        "TEXT",
                        "page",
                        1,
                        "left",
                        0.1,
                        "top",
                        0.4,
                        "width",
                        0.3,
                        "height",
                        0.02,
                        "required",
                        true,
                        "label",
                        "POLICY number")));
        UUID request = api.post("/api/signature-requests", details).id("$.id");
        UUID turn = waiting(director, request);
        assertThat(signAs(director, turn, "Bram Writing").<String>at("$.problems[0].message"))
                .contains("is needed");
        Map<String, Object> given =
                Map.of("signature", Map.of("typed", "Bram Writing"), "values", Map.of("0", "PL-4711"));
        assertThat(director.post("/api/my-signatures/{id}/sign", given, turn).<Boolean>at("$.done"))
                .isTrue();
        Api.Answer signed = api.get("/api/documents/{id}", paper);
        assertThat(signed.<String>at("$.fields['Policy number']")).isEqualTo("PL-4711");
        try (var copy = Loader.loadPDF(
                api.get("/api/documents/{id}/versions/2/content", paper).bytes())) {
            assertThat(new PDFTextStripper().getText(copy)).contains("PL-4711");
        }
    }
}
