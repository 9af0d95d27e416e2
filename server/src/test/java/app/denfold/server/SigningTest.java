package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;

@ServerTest
class SigningTest {

    private static final LocalDate TODAY = LocalDate.now();
    private static final Map<String, Object> PEN = Map.of(
            "strokes",
            List.of(List.of(Map.of("x", 0.1, "y", 0.5), Map.of("x", 0.5, "y", 0.2), Map.of("x", 0.8, "y", 0.6))));

    @Autowired
    TestPractice practice;

    @Autowired
    MockMvc mvc;

    @TempDir
    Path folder;

    private static UUID start(Api api, UUID document, String... roles) throws Exception {
        List<Map<String, String>> signers = java.util.Arrays.stream(roles)
                .map(r -> Map.of("role", r, "signer", "Signer as " + r))
                .toList();
        Object version = api.shown(document).get(0).get("version");
        return api.post("/api/documents/{id}/desk-signings", Map.of("version", version, "signers", signers), document)
                .id("$.id");
    }

    private static Api.Answer sign(Api api, UUID signing, String role, Object mark) throws Exception {
        return api.post("/api/desk-signings/{id}/signatures", Map.of("role", role, "signature", mark), signing);
    }

    private String pdfsig(byte[] pdf) throws Exception {
        Path file = Files.write(folder.resolve(UUID.randomUUID() + ".pdf"), pdf);
        Process process = new ProcessBuilder("pdfsig", file.toString())
                .redirectErrorStream(true)
                .start();
        return new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
    }

    @Test
    void twoSignersMakeASealedVersionAndTheSlotIsOnFile() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Signed", null);
        UUID document = api.fileNewPaper(file, "contract", TODAY.minusDays(2));
        assertThat(api.slot(file, "contract")).isEqualTo("awaiting-signature");
        UUID signing = start(api, document, "employee", "director");
        assertThat(sign(api, signing, "director", PEN).<String>at("$.code")).isEqualTo("not-his-turn");
        assertThat(sign(api, signing, "employee", PEN).<String>at("$.state")).isEqualTo("OPEN");
        assertThat(api.slot(file, "contract")).isEqualTo("awaiting-signature");
        assertThat(sign(api, signing, "director", Map.of("typed", "Signer as director"))
                        .<String>at("$.state"))
                .isEqualTo("COMPLETE");
        assertThat(api.slot(file, "contract")).isEqualTo("on-file");
        Api.Answer paper = api.get("/api/documents/{id}", document);
        assertThat(paper.<List<Integer>>at("$.versions[*].pages")).containsExactly(1, 2);
        assertThat(paper.<String>at("$.name")).doesNotContain("unsigned");
        byte[] pdf = api.get("/api/documents/{id}/versions/2/content", document).bytes();
        assertThat(pdfsig(pdf)).contains("Signature is Valid.", "Total document signed");
        pdf[new String(pdf, StandardCharsets.ISO_8859_1).indexOf("/MediaBox") + 12] ^= 1;
        assertThat(pdfsig(pdf)).doesNotContain("Signature is Valid.");
    }

    private static Api.Answer check(Api by, byte[] pdf) throws Exception {
        return by.upload("/api/copies/check", "copy.pdf", pdf, Map.of());
    }

    @Test
    void aStrangerLearnsWhetherACopyIsUnchangedAndStillTheNewest() throws Exception {
        Api api = practice.administrator();
        UUID document = api.fileNewPaper(api.newEmployee("Checked", null), "contract", TODAY.minusDays(2));
        UUID signing = start(api, document, "employee", "director");
        sign(api, signing, "employee", PEN);
        sign(api, signing, "director", PEN);
        byte[] copy =
                api.get("/api/documents/{id}/versions/2/content", document).bytes();
        Api stranger = Api.nobody(mvc);
        Api.Answer good = check(stranger, copy);
        assertThat(good.<String>at("$.verdict")).isEqualTo("UNCHANGED");
        assertThat(good.<List<String>>at("$.signedBy[*].name"))
                .containsExactly("Signer as employee", "Signer as director");
        assertThat(good.<Boolean>at("$.newerExists")).isFalse();

        byte[] other = copy.clone();
        other[new String(other, StandardCharsets.ISO_8859_1).indexOf("/MediaBox") + 12] ^= 1;
        Api.Answer changed = check(stranger, other);
        assertThat(changed.<String>at("$.verdict")).isEqualTo("CHANGED");
        assertThat(changed.<List<Object>>at("$.signedBy"))
                .as("nothing is told to who does not hold the copy")
                .isEmpty();
        Api.Answer more = check(stranger, withAPageMore(copy));
        assertThat(more.<String>at("$.verdict")).isEqualTo("ADDED_TO");
        assertThat(more.<List<String>>at("$.added")).contains("one page more");
        assertThat(more.<List<String>>at("$.signedBy[*].name")).hasSize(2);

        byte[] unsealed =
                api.get("/api/documents/{id}/versions/1/content", document).bytes();
        assertThat(check(stranger, unsealed).<String>at("$.verdict"))
                .as("whether it is filed here is not told")
                .isEqualTo("NO_SEAL");
        assertThat(check(stranger, "no paper".getBytes(StandardCharsets.UTF_8)).<String>at("$.problems[0].field"))
                .isEqualTo("file");
        api.renew(document, "newer.pdf", Papers.pdf("A newer contract"));
        assertThat(check(stranger, copy).<Boolean>at("$.newerExists")).isTrue();
    }

    private static byte[] withAPageMore(byte[] pdf) throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (var document = org.apache.pdfbox.Loader.loadPDF(pdf)) {
            document.addPage(new org.apache.pdfbox.pdmodel.PDPage());
            document.getPages().getCOSObject().setNeedToBeUpdated(true);
            document.saveIncremental(out);
        }
        return out.toByteArray();
    }

    @Test
    void anEndedSigningKeepsWhatWasGivenAndTheLaterSignersCopyHoldsBoth() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Halfway", null);
        UUID document = api.fileNewPaper(file, "contract", TODAY.minusDays(2));
        UUID first = start(api, document, "employee", "director");
        sign(api, first, "employee", PEN);
        assertThat(api.post("/api/desk-signings/{id}/withdraw", null, first).status())
                .isEqualTo(204);
        assertThat(api.get("/api/documents/{id}", document).<List<Integer>>at("$.versions[*].number"))
                .hasSize(2);
        UUID second = start(api, document, "director");
        sign(api, second, "director", Map.of("typed", "Signer as director"));
        byte[] pdf = api.get("/api/documents/{id}/versions/3/content", document).bytes();
        assertThat(pdfsig(pdf)).contains("Signature is Valid.");
        try (var copy = org.apache.pdfbox.Loader.loadPDF(pdf)) {
            assertThat(new org.apache.pdfbox.text.PDFTextStripper().getText(copy))
                    .contains("Signer as employee", "Signer as director");
        }
    }

    @Test
    void noSignatureIsTakenThatIsNone() throws Exception {
        Api api = practice.administrator();
        UUID document = api.fileNewPaper(api.newEmployee("Unsigned", null), "contract", TODAY.minusDays(2));
        UUID signing = start(api, document, "employee", "director");
        assertThat(sign(api, signing, "employee", Map.of()).status()).isEqualTo(422);
        assertThat(sign(api, signing, "employee", Map.of("typed", "  ")).status())
                .isEqualTo(422);
        assertThat(sign(api, signing, "employee", Map.of("typed", "Bram Ostervelt"))
                        .<String>at("$.problems[0].message"))
                .contains("is not the name of Signer as employee");
        Map<String, Object> outside = Map.of(
                "strokes",
                List.of(List.of(Map.of("x", 3, "y", 0.5), Map.of("x", 0.5, "y", 0.5), Map.of("x", 0.6, "y", 0.5))));
        assertThat(sign(api, signing, "employee", outside).<String>at("$.problems[0].message"))
                .contains("inside the box");
        Map<String, Object> stranger =
                Map.of("version", 1, "signers", List.of(Map.of("role", "vet", "signer", "A vet")));
        assertThat(api.post("/api/documents/{id}/desk-signings", stranger, document)
                        .status())
                .isEqualTo(409);
    }

    @Test
    void theScreenBelongsToTheSigningUntilItIsUnlocked() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Locked", null);
        UUID document = api.fileNewPaper(file, "contract", TODAY.minusDays(2));
        UUID signing = start(api, document, "employee", "director");
        UUID other = start(api, api.fileNewPaper(file, "contract", TODAY.minusDays(1)), "employee");
        assertThat(api.post("/api/desk-lock", Map.of("signings", List.of(signing)))
                        .status())
                .isEqualTo(204);
        assertThat(api.get("/api/session").<List<String>>at("$.lockedTo")).containsExactly(signing.toString());
        for (String address : List.of(
                "/api/files/" + file,
                "/api/documents/" + document,
                "/api/documents/" + document + "/versions/1/content",
                "/api/today",
                "/api/desk-signings/" + other,
                "/api/desk-signings/" + signing + "/../" + other)) {
            assertThat(api.get(address).status()).as(address).isIn(400, 403);
        }
        assertThat(api.post("/api/desk-signings/{id}/withdraw", null, signing).status())
                .isEqualTo(403);
        assertThat(api.post("/api/desk-lock", Map.of("signings", List.of(other)))
                        .status())
                .as("nobody moves the lock")
                .isEqualTo(403);
        assertThat(api.get("/api/desk-signings/{id}/pages/1", signing).status()).isEqualTo(200);
        sign(api, signing, "employee", PEN);
        assertThat(sign(api, signing, "director", PEN).<String>at("$.state")).isEqualTo("COMPLETE");
        assertThat(api.post("/api/desk-unlock", Map.of("password", "a guess")).<String>at("$.problems[0].message"))
                .contains("not the password of");
        assertThat(api.get("/api/today").status()).isEqualTo(403);
        assertThat(api.post("/api/desk-unlock", Map.of("password", TestPractice.PASSWORD))
                        .status())
                .isEqualTo(204);
        assertThat(api.get("/api/today").status()).isEqualTo(200);
    }
}
