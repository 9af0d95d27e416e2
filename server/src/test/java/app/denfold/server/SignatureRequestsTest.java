package app.denfold.server;

import static app.denfold.server.Patience.await;
import static app.denfold.server.SigningCalls.TODAY;
import static app.denfold.server.SigningCalls.accountOf;
import static app.denfold.server.SigningCalls.ask;
import static app.denfold.server.SigningCalls.colleague;
import static app.denfold.server.SigningCalls.signAs;
import static app.denfold.server.SigningCalls.signer;
import static app.denfold.server.SigningCalls.typed;
import static app.denfold.server.SigningCalls.waiting;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.access.accounts.NewAccount;
import app.denfold.server.access.accounts.Post;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.test.web.servlet.MockMvc;

/** Signatures that are asked for, and given by colleagues, by people with a link, and by deputies. */
@ServerTest
class SignatureRequestsTest {

    @Autowired
    TestPractice practice;

    @Autowired
    MockMvc mvc;

    @BeforeEach
    void askForNoSecret() throws Exception {
        SigningCalls.askForNoSecret(practice);
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

        SigningCalls.Link employee = new SigningCalls.Link(mvc, mail);
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
    void howFarTheMailCameIsSeenAndAddressesStandOnTheEvidenceAsThePracticeWants() throws Exception {
        Api api = practice.administrator();
        String mail = TestPractice.newAddress();
        UUID file = api.newEmployee("Addressed", mail);
        UUID paper = api.fileNewPaper(file, "treatment-consent", TODAY.minusDays(2));
        UUID request = ask(api, paper, signer(0, "patient", "Tamsin Addressed", mail));
        await().until(
                        () -> api.get("/api/signature-requests/{id}", request)
                                .<List<Object>>at("$.row.way[*].deliveredAt"),
                        at -> !at.isEmpty());
        assertThat(api.get("/api/signature-requests/{id}", request).<List<Object>>at("$.row.way[*].openedAt"))
                .isEmpty();
        assertThat(api.send(
                                HttpMethod.PUT,
                                "/api/set-up/practice/signing",
                                Map.of("confirm", false, "addresses", "FULL"))
                        .status())
                .isEqualTo(204);
        try {
            SigningCalls.Link link = new SigningCalls.Link(mvc, mail);
            link.lookThrough();
            assertThat(link.sign("Tamsin Addressed").<String>at("$.state")).isEqualTo("COMPLETE");
        } finally {
            api.send(HttpMethod.PUT, "/api/set-up/practice/signing", Map.of("confirm", false, "addresses", "SHORT"));
        }
        try (var copy = Loader.loadPDF(
                api.get("/api/documents/{id}/versions/2/content", paper).bytes())) {
            assertThat(new PDFTextStripper().getText(copy)).contains("sent by mail to " + mail);
        }
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
        SigningCalls.Link again = new SigningCalls.Link(mvc, mail);
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
        SigningCalls.Link ada = new SigningCalls.Link(mvc, first);
        SigningCalls.Link ben = new SigningCalls.Link(mvc, second);
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
    void whoWasAskedByMailSignsAtTheDeskAfterAllAndTheScreenBelongsToThat() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Deskward", TestPractice.newAddress());
        UUID paper = api.fileNewPaper(file, "contract", TODAY.minusDays(2));
        Api director =
                practice.signedIn(NewAccount.colleague(TestPractice.newAddress(), "Bram Deskward", null, true, true));
        UUID request = ask(
                api,
                paper,
                signer(0, "employee", "Tamsin Deskward", null),
                colleague(1, "SIGN", "director", accountOf(director)));
        List<String> turns = api.get("/api/signature-requests/{id}", request).at("$.row.way[*].id");
        UUID first = UUID.fromString(turns.get(0));
        UUID second = UUID.fromString(turns.get(1));
        assertThat(api.post("/api/desk-turns/{id}/lock", null, second).status())
                .as("not her turn yet")
                .isEqualTo(409);
        assertThat(api.get("/api/desk-turns/{id}", first).<String>at("$.code"))
                .as("nothing counts as shown before the screen is handed over")
                .isEqualTo("not-handed-over");
        assertThat(api.post("/api/desk-turns/{id}/lock", null, first).status()).isEqualTo(204);
        assertThat(api.get("/api/session").<String>at("$.lockedToTurn")).isEqualTo(first.toString());
        assertThat(api.get("/api/files/{id}", file).status()).as("nothing else").isEqualTo(403);
        assertThat(api.get("/api/desk-turns/{id}", second).status()).isEqualTo(403);
        assertThat(api.post("/api/desk-turns/{id}/sign", typed("Tamsin Deskward"), first)
                        .<String>at("$.code"))
                .isEqualTo("not-read");
        assertThat(api.get("/api/desk-turns/{id}/papers/{p}/pages/1", first, paper)
                        .status())
                .isEqualTo(200);
        assertThat(api.post("/api/desk-turns/{id}/sign", typed("Bram Deskward"), first)
                        .status())
                .as("not her name")
                .isEqualTo(422);
        assertThat(api.post("/api/desk-turns/{id}/sign", typed("Tamsin Deskward"), first)
                        .<Boolean>at("$.done"))
                .isTrue();
        assertThat(api.post("/api/desk-unlock", Map.of("password", TestPractice.PASSWORD))
                        .status())
                .isEqualTo(204);
        List<String> sentences = api.get("/api/files/{id}/trail", file).at("$[*].sentence");
        assertThat(sentences).anyMatch(s -> s.contains("signed") && s.contains("at the desk of Ottilie Brandmoor"));
        // a colleague signs with the own password, whoever's session it is
        assertThat(api.post("/api/desk-turns/{id}/lock", null, second).status()).isEqualTo(204);
        api.get("/api/desk-turns/{id}/papers/{p}/pages/1", second, paper);
        assertThat(api.post("/api/desk-turns/{id}/sign", typed("Bram Deskward"), second)
                        .status())
                .isEqualTo(422);
        Map<String, Object> known = new HashMap<>(typed("Bram Deskward"));
        known.put("secret", TestPractice.PASSWORD);
        assertThat(api.post("/api/desk-turns/{id}/decline", Map.of("words", "No."), second)
                        .status())
                .as("says no only where they are signed in themselves")
                .isEqualTo(409);
        assertThat(api.post("/api/desk-turns/{id}/sign", known, second).<String>at("$.state"))
                .isEqualTo("COMPLETE");
    }
}
