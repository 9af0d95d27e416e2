package app.denfold.server;

import static app.denfold.server.Patience.await;
import static app.denfold.server.SigningCalls.TODAY;
import static app.denfold.server.SigningCalls.accountOf;
import static app.denfold.server.SigningCalls.ask;
import static app.denfold.server.SigningCalls.colleague;
import static app.denfold.server.SigningCalls.details;
import static app.denfold.server.SigningCalls.signAs;
import static app.denfold.server.SigningCalls.signer;
import static app.denfold.server.SigningCalls.waiting;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.access.accounts.NewAccount;
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
import org.springframework.test.web.servlet.MockMvc;

/** Whom to ask and where to sign, and what cannot be asked. */
@ServerTest
class AskingToSignTest {

    @Autowired
    TestPractice practice;

    @Autowired
    MockMvc mvc;

    @BeforeEach
    void askForNoSecret() throws Exception {
        SigningCalls.askForNoSecret(practice);
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
    void fieldsOfAFormAndDrawnLinesAreProposed() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Formed", null);
        UUID form = api.fileNewPaper(file, "livery-agreement", TODAY.minusDays(2));
        api.renew(form, "form.pdf", Papers.formToSign("Livery agreement", "signature of owner", "Box number"));
        Api.Answer fields = api.get("/api/signature-requests/proposal?papers=" + form);
        assertThat(fields.<List<String>>at("$.fields[*].field.kind")).containsExactlyInAnyOrder("SIGNATURE", "TEXT");
        assertThat(fields.<List<String>>at("$.fields[*].field.role")).containsOnly("owner");
        assertThat(fields.<List<String>>at("$.fields[*].why")).contains("“Box number”");
        UUID lined = api.fileNewPaper(file, "livery-agreement", TODAY.minusDays(1));
        api.renew(lined, "lined.pdf", Papers.withLineAbove("Signature of owner"));
        Api.Answer line = await().until(
                        () -> api.get("/api/signature-requests/proposal?papers=" + lined),
                        answer -> !answer.<List<Object>>at("$.fields").isEmpty());
        assertThat(line.<Double>at("$.fields[0].field.left"))
                .as("where the line begins, left of its label")
                .isBetween(0.09, 0.115);
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
        Api.Answer done = director.post("/api/my-signatures/{id}/sign", given, turn);
        assertThat(done.status())
                .as(new String(done.bytes(), StandardCharsets.UTF_8))
                .isEqualTo(200);
        assertThat(done.<Boolean>at("$.done")).isTrue();
        Api.Answer signed = api.get("/api/documents/{id}", paper);
        assertThat(signed.<String>at("$.fields['Policy number']")).isEqualTo("PL-4711");
        try (var copy = Loader.loadPDF(
                api.get("/api/documents/{id}/versions/2/content", paper).bytes())) {
            assertThat(new PDFTextStripper().getText(copy)).contains("PL-4711");
        }
    }
}
