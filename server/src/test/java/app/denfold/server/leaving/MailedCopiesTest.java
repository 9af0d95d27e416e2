package app.denfold.server.leaving;

import static app.denfold.server.Patience.await;
import static app.denfold.server.marks.MarkedPapers.cover;
import static app.denfold.server.marks.MarkedPapers.draft;
import static app.denfold.server.marks.MarkedPapers.read;
import static app.denfold.server.marks.MarkedPapers.text;
import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import app.denfold.server.Api;
import app.denfold.server.ServerTest;
import app.denfold.server.TestMail;
import app.denfold.server.TestPractice;
import jakarta.mail.BodyPart;
import jakarta.mail.internet.MimeMultipart;
import jakarta.servlet.http.Cookie;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.MockMvc;

/** Copies leave by mail: attached, or behind a link that opens with a code and ends. */
@ServerTest
class MailedCopiesTest {

    private static final String SECRET = "Quillfeather";

    @Autowired
    TestPractice practice;

    @Autowired
    MockMvc mvc;

    private static Map<String, Object> letter(String to, LocalDate endsOn, UUID... copies) {
        Map<String, Object> letter = new HashMap<>(Map.of(
                "copies",
                List.of(copies),
                "to",
                to,
                "subject",
                "Papers of the yard",
                "words",
                "Dear Hallam,\n\nas you asked.",
                "evenIfReadable",
                false));
        letter.put("endsOn", endsOn);
        return letter;
    }

    private UUID covered(Api api, UUID file) throws Exception {
        UUID paper = read(api, file, "To " + SECRET + "|about the riding lessons of Tamsin Korhola.");
        cover(api, paper, SECRET);
        return paper;
    }

    private static String mailed(Api api, UUID file, String field) throws Exception {
        return String.valueOf(api.get("/api/files/{id}/copy-mails", file).<Object>at("$[0]." + field));
    }

    @Test
    void anAttachedCopyHoldsNothingOfWhatIsCoveredAndItsDeliveryIsTold() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Attached", null);
        UUID paper = covered(api, file);
        String to = TestPractice.newAddress();
        Api.Answer draft = draft(api, paper, "Hallam Insurance", false, false, true);
        UUID copy = draft.id("$[0].id");
        int number = draft.at("$[0].number");
        assertThat(api.post("/api/copies-out/mail", letter("no address", null, copy))
                        .status())
                .isEqualTo(422);
        assertThat(api.post("/api/copies-out/mail", letter(to, null, copy)).status())
                .isEqualTo(201);
        assertThat(api.post("/api/copies-out/mail", letter(to, null, copy)).status())
                .as("given twice")
                .isEqualTo(409);

        TestMail.waitFor(to, 1);
        MimeMultipart parts = (MimeMultipart) TestMail.messagesTo(to).get(0).getContent();
        BodyPart attached = parts.getBodyPart(parts.getCount() - 1);
        assertThat(attached.getFileName()).isEqualTo("Letter, copy " + number + ".pdf");
        assertThat(text(attached.getInputStream().readAllBytes()))
                .contains("for Hallam Insurance")
                .doesNotContain(SECRET);
        await().until(() -> !mailed(api, file, "deliveredAt").equals("null"));
        assertThat(mailed(api, file, "copies")).contains(String.valueOf(number));
        assertThat(api.get("/api/files/{id}/copies", file).<String>at("$[0].way"))
                .isEqualTo("MAIL");
        assertThat(api.get("/api/files/{id}/trail", file).body())
                .contains("mailed to " + to + ", attached, copy " + number + " of")
                .contains("for Hallam Insurance, 1 place covered");
    }

    @Test
    void aLinkOpensWithItsCodeOnlyAndEnds() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Linked", null);
        UUID copy = draft(api, covered(api, file), "Hallam Insurance", false, false, true)
                .id("$[0].id");
        String to = TestPractice.newAddress();
        LocalDate ends = LocalDate.now().plusDays(14);
        assertThat(api.post("/api/copies-out/mail", letter(to, ends.plusDays(200), copy))
                        .status())
                .isEqualTo(422);
        assertThat(api.post("/api/copies-out/mail", letter(to, ends, copy)).status())
                .isEqualTo(201);
        String token = TestMail.copiesLinkTo(to);
        Api nobody = Api.nobody(mvc);
        assertThat(nobody.get("/api/linked-copies/{t}/door", token).<Boolean>at("$.open"))
                .isFalse();
        for (String path : List.of("", "/" + copy + "/content", "/" + copy + "/pages/1")) {
            assertThat(nobody.get("/api/linked-copies/" + token + path).status())
                    .as(path)
                    .isEqualTo(401);
        }
        assertThat(nobody.get("/api/linked-copies/{t}/door", "x".repeat(43)).status())
                .isEqualTo(410);

        Api reader = nobody.with(keyFor(token, to));
        Api.Answer all = reader.get("/api/linked-copies/{t}", token);
        assertThat(all.<List<String>>at("$.copies[*].id")).containsExactly(copy.toString());
        assertThat(reader.get("/api/linked-copies/{t}/{c}/pages/1", token, copy).status())
                .isEqualTo(200);
        assertThat(text(reader.get("/api/linked-copies/{t}/{c}/content", token, copy)
                        .bytes()))
                .contains("for Hallam Insurance")
                .doesNotContain(SECRET);
        assertThat(reader.get("/api/linked-copies/{t}/{c}/content", token, UUID.randomUUID())
                        .status())
                .isEqualTo(404);
        assertThat(mailed(api, file, "firstOpenedAt")).isNotEqualTo("null");
        assertThat(api.get("/api/files/{id}/trail", file).body())
                .contains("opened the papers that", "by the link that went to " + to);

        UUID mail = UUID.fromString(mailed(api, file, "id"));
        assertThat(practice.colleague(null, true, false)
                        .post("/api/copy-mails/{id}/end", null, mail)
                        .status())
                .isEqualTo(403);
        assertThat(api.post("/api/copy-mails/{id}/end", null, mail).status()).isEqualTo(204);
        assertThat(reader.get("/api/linked-copies/{t}", token).<String>at("$.code"))
                .isEqualTo("link-ended");
        assertThat(mailed(api, file, "isOver")).isEqualTo("true");
    }

    private Cookie keyFor(String token, String address) throws Exception {
        int before = TestMail.to(address).size();
        assertThat(Api.nobody(mvc)
                        .post("/api/linked-copies/{t}/code", null, token)
                        .status())
                .isEqualTo(204);
        TestMail.waitFor(address, before + 1);
        MockHttpServletResponse entered = mvc.perform(post("/api/linked-copies/{t}/enter", token)
                        .with(csrf())
                        .contentType("application/json")
                        .content("{\"code\":\"" + TestMail.codeTo(address) + "\"}"))
                .andReturn()
                .getResponse();
        assertThat(entered.getStatus()).isEqualTo(204);
        return entered.getCookie("DENFOLD_COPIES");
    }

    @Test
    void fiveWrongCodesCloseALinkAndWhatIsInTheWastebasketLiesBehindNone() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Closed", null);
        UUID paper = covered(api, file);
        UUID copy = draft(api, paper, "Hallam Insurance", false, false, true).id("$[0].id");
        String to = TestPractice.newAddress();
        api.post("/api/copies-out/mail", letter(to, LocalDate.now().plusDays(1), copy));
        String token = TestMail.copiesLinkTo(to);
        Api reader = Api.nobody(mvc).with(keyFor(token, to));
        assertThat(api.post("/api/documents/discard", Map.of("documents", List.of(paper)))
                        .status())
                .isLessThan(300);
        assertThat(reader.get("/api/linked-copies/{t}", token).<List<?>>at("$.copies"))
                .isEmpty();
        assertThat(reader.get("/api/linked-copies/{t}/{c}/content", token, copy).status())
                .isEqualTo(404);

        UUID another = draft(api, covered(api, file), "Hallam Insurance", false, false, true)
                .id("$[0].id");
        String other = TestPractice.newAddress();
        api.post("/api/copies-out/mail", letter(other, LocalDate.now().plusDays(1), another));
        String second = TestMail.copiesLinkTo(other);
        Api nobody = Api.nobody(mvc);
        nobody.post("/api/linked-copies/{t}/code", null, second);
        String right = TestMail.codeTo(other);
        String wrong = right.startsWith("1") ? "200000" : "100000";
        for (int i = 0; i < 4; i++) {
            assertThat(nobody.post("/api/linked-copies/{t}/enter", Map.of("code", wrong), second)
                            .status())
                    .isEqualTo(422);
        }
        assertThat(nobody.post("/api/linked-copies/{t}/enter", Map.of("code", wrong), second)
                        .status())
                .isEqualTo(410);
        assertThat(nobody.post("/api/linked-copies/{t}/enter", Map.of("code", right), second)
                        .status())
                .isEqualTo(410);
    }

    @Test
    void aSensitivePaperGoesToNoColleagueWhoMayNotSeeItAndIsNeverAttached() throws Exception {
        Api api = practice.administrator();
        String type = "secret-" + UUID.randomUUID().toString().substring(0, 8);
        Map<String, Object> details = Map.ofEntries(
                Map.entry("version", 0),
                Map.entry("label", "Report " + type),
                Map.entry("section", "health"),
                Map.entry("validity", Map.of("rule", "open")),
                Map.entry("namingPattern", "{type}"),
                Map.entry("needsReview", false),
                Map.entry("sensitive", true),
                Map.entry("synonyms", List.of()),
                Map.entry("signers", List.of()),
                Map.entry("fields", List.of()));
        api.send(HttpMethod.PUT, "/api/set-up/document-types/{code}", details, type);
        UUID file = api.newEmployee("Sensible", null);
        UUID paper = api.fileNewPaper(file, type, LocalDate.now().minusDays(2));
        UUID copy = draft(api, paper, "Dilan", false, false, true).id("$[0].id");
        LocalDate ends = LocalDate.now().plusDays(3);
        String colleague =
                practice.colleague(null, false, true).get("/api/session").at("$.email");
        assertThat(api.post("/api/copies-out/mail", letter(colleague, ends, copy))
                        .<String>at("$.code"))
                .isEqualTo("reader-may-not");
        String outside = TestPractice.newAddress();
        assertThat(api.post("/api/copies-out/mail", letter(outside, null, copy)).<String>at("$.code"))
                .isEqualTo("sensitive-attached");
        assertThat(api.post("/api/copies-out/mail", letter(outside, ends, copy)).status())
                .isEqualTo(201);
        Api blind = practice.colleague(null, false, true);
        assertThat(blind.get("/api/files/{id}/copy-mails", file).<List<?>>at("$"))
                .isEmpty();
        assertThat(blind.get("/api/files/{id}/trail", file).body()).doesNotContain(outside);
        assertThat(practice.colleague(null, true, false)
                        .post("/api/copies-out/mail", letter(outside, ends, copy))
                        .status())
                .isEqualTo(403);
    }
}
