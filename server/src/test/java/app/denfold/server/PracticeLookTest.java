package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;

import jakarta.mail.internet.MimeMessage;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;

/** What the practice is called and looks like, set by an administrator, is what everybody meets. */
@ServerTest
class PracticeLookTest {

    private static final String MARK = "/api/set-up/practice/mark";
    private static final String LOOK = "/api/set-up/practice/look";

    @Autowired
    TestPractice practice;

    @Autowired
    MockMvc mvc;

    @Autowired
    JdbcClient jdbc;

    private Api api;
    private Map<String, Object> before;

    @BeforeEach
    void remember() throws Exception {
        api = practice.administrator();
        before = look(api.get("/api/practice").at("$.name"), "#3b4f63", null, null);
    }

    @AfterEach
    void asItWas() throws Exception {
        api = practice.administrator();
        api.send(HttpMethod.PUT, LOOK, before);
        api.send(HttpMethod.DELETE, MARK, null);
        api.send(
                HttpMethod.PUT,
                "/api/set-up/practice/sessions",
                Map.of("idleMinutes", 480, "mostHours", 24, "secondFactor", List.of()));
    }

    private static Map<String, Object> look(String name, String colour, String from, String replyTo) {
        Map<String, Object> look = new HashMap<>(
                Map.of("name", name, "address", "", "colour", colour, "languages", List.of("en"), "replyTo", ""));
        look.put("mailFrom", from);
        look.put("replyTo", replyTo);
        return look;
    }

    @Test
    void nameAddressAndSenderStandWhereThePracticeIsMet() throws Exception {
        Map<String, Object> wanted =
                look("Oakhollin Yard", "#24533a", "office@oakhollin.example", "desk@oakhollin.example");
        wanted.put("address", "3 Fen Lane\nOakhollin");
        wanted.put("languages", List.of("en", "de"));
        Api.Answer kept = api.send(HttpMethod.PUT, LOOK, wanted);
        assertThat(kept.status()).as(kept.body()).isEqualTo(204);
        Api.Answer met = Api.nobody(mvc).get("/api/practice");
        assertThat(met.<String>at("$.name")).isEqualTo("Oakhollin Yard");
        assertThat(met.<String>at("$.address")).isEqualTo("3 Fen Lane\nOakhollin");
        assertThat(met.<String>at("$.colour")).isEqualTo("#24533a");
        assertThat(met.<List<String>>at("$.languages")).containsExactly("en", "de");
        Api.Answer installed = Api.nobody(mvc).get("/api/practice/app.webmanifest");
        assertThat(installed.<String>at("$.name")).isEqualTo("Oakhollin Yard");
        assertThat(installed.<String>at("$.short_name")).isEqualTo("Oakhollin");
        assertThat(installed.<String>at("$.theme_color")).isEqualTo("#24533a");
        assertThat(met.body()).as("what only administrators know").doesNotContain("office@", "desk@");

        Api.nobody(mvc)
                .post(
                        "/api/forgotten-password",
                        Map.of("email", api.get("/api/session").at("$.email")));
        String holder = api.get("/api/session").at("$.email");
        TestMail.linkTo(holder);
        MimeMessage mail = TestMail.messagesTo(holder).get(0);
        assertThat(mail.getFrom()[0]).hasToString("Oakhollin Yard <office@oakhollin.example>");
        assertThat(mail.getReplyTo()[0]).hasToString("Oakhollin Yard <desk@oakhollin.example>");
        assertThat(TestMail.to(holder).get(0).replace("\r", ""))
                .contains("Kind regards,\nOakhollin Yard\n3 Fen Lane\nOakhollin");
    }

    @Test
    void whatCannotBeReadOrIsNoneIsRefusedAtItsField() throws Exception {
        Map<String, String> refused = new HashMap<>();
        for (var wrong : List.of(
                Map.entry("colour", "#ffee88"),
                Map.entry("colour", "green"),
                Map.entry("languages", List.of("zz")),
                Map.entry("languages", List.of()),
                Map.entry("name", " "),
                Map.entry("mailFrom", "nobody"))) {
            Map<String, Object> look = look("Oakhollin Yard", "#24533a", null, null);
            look.put(wrong.getKey(), wrong.getValue());
            Api.Answer answer = api.send(HttpMethod.PUT, LOOK, look);
            assertThat(answer.status()).as(wrong + answer.body()).isEqualTo(422);
            refused.put(wrong.toString(), answer.at("$.problems[0].field"));
            assertThat(answer.<String>at("$.problems[0].field")).startsWith(wrong.getKey());
        }
        assertThat(refused).hasSize(6);
        assertThat(Api.nobody(mvc).get("/api/practice").<String>at("$.name")).isEqualTo(before.get("name"));
    }

    @Test
    void theMarkIsDrawnAnewAndStandsOnCoverSheets() throws Exception {
        BufferedImage picture = new BufferedImage(1200, 600, BufferedImage.TYPE_INT_RGB);
        picture.createGraphics().fillRect(0, 0, 600, 600);
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(picture, "png", png);
        assertThat(api.upload(MARK, "mark.png", png.toByteArray(), Map.of()).status())
                .isEqualTo(204);
        String mark = Api.nobody(mvc).get("/api/practice").at("$.mark");
        byte[] kept = mvc.perform(get("/api/practice/mark").param("v", mark))
                .andReturn()
                .getResponse()
                .getContentAsByteArray();
        assertThat(ImageIO.read(new ByteArrayInputStream(kept)).getWidth()).isEqualTo(640);
        try (PDDocument sheet =
                Loader.loadPDF(api.get("/api/cover-sheets?type=letter").bytes())) {
            assertThat(sheet.getPage(0).getResources().getXObjectNames()).hasSize(1);
            assertThat(new PDFTextStripper().getText(sheet)).contains((String) before.get("name"));
        }
        Api.Answer words = api.upload(MARK, "mark.png", "no picture".getBytes(StandardCharsets.UTF_8), Map.of());
        assertThat(words.status()).isEqualTo(422);
        assertThat(words.<String>at("$.problems[0].field")).isEqualTo("mark");
        assertThat(Api.nobody(mvc).get("/api/practice").<String>at("$.mark")).isEqualTo(mark);
    }

    @Test
    void sessionsEndAfterWhatThePracticeAllows() throws Exception {
        String limits = "/api/set-up/practice/sessions";
        assertThat(api.send(
                                HttpMethod.PUT,
                                limits,
                                Map.of("idleMinutes", 1, "mostHours", 24, "secondFactor", List.of()))
                        .<String>at("$.problems[0].field"))
                .isEqualTo("idleMinutes");
        Api colleague = practice.colleague(null, false, true);
        Api other = practice.colleague(null, false, true);
        String idle = colleague.get("/api/session").id("$.id").toString();
        assertThat(other.get("/api/session").status()).isEqualTo(200);
        // last used an hour ago
        int aged = jdbc.sql("""
                        update spring_session
                        set last_access_time = last_access_time - 3600000, expiry_time = expiry_time - 3600000
                        where principal_name like '%' || :id
                        """).param("id", idle).update();
        assertThat(aged).isPositive();
        assertThat(api.send(
                                HttpMethod.PUT,
                                limits,
                                Map.of("idleMinutes", 30, "mostHours", 24, "secondFactor", List.of()))
                        .status())
                .isEqualTo(204);
        assertThat(colleague.get("/api/session").status()).isEqualTo(401);
        assertThat(other.get("/api/session").status()).isEqualTo(200);
        assertThat(practice.colleague(null, false, true)
                        .send(
                                HttpMethod.PUT,
                                limits,
                                Map.of("idleMinutes", 30, "mostHours", 24, "secondFactor", List.of()))
                        .status())
                .isEqualTo(403);
    }
}
