package app.denfold.server.letters;

import static app.denfold.server.letters.LetterSteps.begin;
import static app.denfold.server.letters.LetterSteps.block;
import static app.denfold.server.letters.LetterSteps.file;
import static app.denfold.server.letters.LetterSteps.line;
import static app.denfold.server.letters.LetterSteps.model;
import static app.denfold.server.letters.LetterSteps.paper;
import static app.denfold.server.letters.LetterSteps.place;
import static app.denfold.server.letters.LetterSteps.version;
import static app.denfold.server.letters.LetterSteps.words;
import static app.denfold.server.letters.LetterSteps.write;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Api;
import app.denfold.server.Papers;
import app.denfold.server.ServerTest;
import app.denfold.server.TestPractice;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** PDF forms of others: bound once to what the file knows, then filled in like a letter. */
@ServerTest
class LetterFormsTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    private static Api.Answer form(Api api, String name, byte[] bytes) throws Exception {
        return api.upload("/api/set-up/letter-forms", name, bytes, Map.of());
    }

    private static Map<String, Object> at(String block, String field, String kind, int page) {
        Map<String, Object> box = new HashMap<>(Map.of(
                "block", block, "kind", kind, "page", page, "left", 0.1, "top", 0.5, "width", 0.3, "height", 0.03));
        box.put("field", field);
        return box;
    }

    private static Map<String, Object> bound(UUID form, List<Object> blocks, List<Object> boxes) {
        return Map.of(
                "asks",
                List.of(Map.of("code", "policy", "label", "Policy", "kind", "TEXT")),
                "blocks",
                blocks,
                "form",
                Map.of("formId", form, "leaveOpen", false, "boxes", boxes));
    }

    @Test
    void aFormIsFilledFromTheFileAskedForTheRestCorrectedAndFiled() throws Exception {
        Api api = practice.administrator();
        Api.Answer taken = form(api, "claim.pdf", Papers.form("Claim for Hallam Insurance", "insured", ""));
        assertThat(taken.<List<String>>at("$.fields[*].name")).containsExactly("insured");
        UUID form = taken.id("$.id");
        assertThat(practice.colleague(null, true, true)
                        .get("/api/letter-forms/{id}/pages/1", form)
                        .bytes())
                .startsWith(0x89, 'P', 'N', 'G');
        UUID model = model(api, "letter");
        Api.Answer kept = version(
                api,
                model,
                "en-GB",
                TODAY.minusDays(1),
                bound(
                        form,
                        List.of(
                                block("insured", false, line(place("person.name", "PLAIN", true))),
                                block("policy", true, line(place("ask.policy", "CAPITALS", true))),
                                block("tick", true, line(place("person.familyName", "PLAIN", false))),
                                block("open", true, line(place("fact.role", "PLAIN", false)))),
                        List.of(
                                at("insured", "insured", "TEXT", 1),
                                at("policy", null, "TEXT", 1),
                                at("tick", null, "TICK", 1),
                                at("open", null, "TEXT", 1))));
        assertThat(kept.status()).as(kept.body()).isEqualTo(201);
        UUID letter = begin(api, api.newEmployee("Formson", null), model, "en-GB", TODAY)
                .id("$.id");
        assertThat(api.get("/api/letters/{id}", letter).<List<String>>at("$.asks[?(@.mustBeKnown==true)].name"))
                .containsExactly("ask.policy");
        assertThat(file(api, letter, 0).<String>at("$.code")).isEqualTo("missing");
        int changes = write(
                        api,
                        letter,
                        0,
                        Map.of(
                                "answers",
                                Map.of("ask.policy", "hm-77"),
                                "corrected",
                                Map.of("insured", List.of(line(words("Tamsin and Jo Formson"))))))
                .at("$.changes");
        assertThat(api.post("/api/letters/{id}/pages", null, letter).<Integer>at("$.pages"))
                .isEqualTo(1);
        UUID paper = file(api, letter, changes).id("$.documentId");
        assertThat(paper(api, paper))
                .contains("Claim for Hallam Insurance", "Tamsin and Jo Formson", "HM-77")
                .doesNotContain("……");
    }

    @Test
    void whatCannotBeAFormOrDoesNotFitIsSaid() throws Exception {
        Api api = practice.administrator();
        assertThat(form(api, "photo.png", Papers.png()).<String>at("$.detail")).contains("is no PDF");
        assertThat(form(api, "locked.pdf", Papers.lockedPdf()).status()).isEqualTo(422);
        assertThat(form(practice.colleague(null, true, true), "claim.pdf", Papers.pdf("x"))
                        .status())
                .isEqualTo(403);
        UUID form = form(api, "flat.pdf", Papers.pdf("A flat form")).id("$.id");
        UUID model = model(api, "letter");
        List<Object> blocks = List.of(block("a", true, line(place("person.name", "PLAIN", true))));
        for (Map<String, Object> wrong :
                List.of(at("a", "nosuch", "TEXT", 1), at("a", null, "TEXT", 2), at("other", null, "TEXT", 1))) {
            assertThat(version(api, model, "en-GB", TODAY, bound(form, blocks, List.of(wrong)))
                            .status())
                    .as(wrong.toString())
                    .isEqualTo(422);
        }
        assertThat(version(
                                api,
                                model,
                                "en-GB",
                                TODAY,
                                bound(UUID.randomUUID(), blocks, List.of(at("a", null, "TEXT", 1))))
                        .<String>at("$.detail"))
                .contains("not known");
        assertThat(api.get("/api/letter-forms/{id}", UUID.randomUUID()).status())
                .isEqualTo(404);
    }

    @Test
    void nothingFollowsAFormWhoseFieldsStayOpen() throws Exception {
        Api api = practice.administrator();
        UUID form = form(api, "claim.pdf", Papers.form("Claim for Hallam Insurance", "insured", ""))
                .id("$.id");
        UUID model = model(api, "letter");
        List<Object> blocks = List.of(block("insured", false, line(place("person.name", "PLAIN", true))));
        Map<String, Object> open = new HashMap<>(bound(form, blocks, List.of(at("insured", "insured", "TEXT", 1))));
        open.put(
                "form",
                Map.of("formId", form, "leaveOpen", true, "boxes", List.of(at("insured", "insured", "TEXT", 1))));
        open.put("attachments", List.of(Map.of("formId", form, "name", "Again", "always", true)));
        assertThat(version(api, model, "en-GB", TODAY, open).<String>at("$.detail"))
                .contains("would be lost");
        open.remove("attachments");
        version(api, model, "en-GB", TODAY, open);
        UUID person = api.newEmployee("Openson", null);
        UUID letter = begin(api, person, model, "en-GB", TODAY).id("$.id");
        assertThat(api.get("/api/letters/{id}", letter).<Boolean>at("$.attachable"))
                .isFalse();
        UUID paper = api.fileNewPaper(person, "letter", TODAY.minusDays(2));
        int changes = write(api, letter, 0, Map.of("papers", List.of(paper))).at("$.changes");
        assertThat(file(api, letter, changes).<String>at("$.code")).isEqualTo("form-stays-open");
    }

    @Test
    void aModelGoesOutAsAnOpenFileAndComesInAgain() throws Exception {
        Api api = practice.administrator();
        UUID form = form(api, "claim.pdf", Papers.form("Claim for Hallam Insurance", "insured", ""))
                .id("$.id");
        UUID model = model(api, "letter");
        List<Object> blocks = List.of(block("insured", false, line(place("person.name", "PLAIN", true))));
        version(api, model, "en-GB", TODAY, bound(form, blocks, List.of(at("insured", "insured", "TEXT", 1))));
        version(
                api,
                model,
                "de-AT",
                TODAY,
                Map.of("asks", List.of(), "blocks", List.of(block("a", true, line(words("Guten Tag"))))));
        byte[] zip = api.get("/api/letter-models/{id}/file", model).bytes();
        Api.Answer taken = api.upload("/api/set-up/letter-models/file", "model.zip", zip, Map.of());
        assertThat(taken.status()).as(taken.body()).isEqualTo(201);
        Api.Answer models = api.get("/api/letter-models");
        String of = "$[?(@.id=='" + taken.id("$.id") + "')].";
        assertThat(models.<List<String>>at(of + "versions[*].language")).containsExactly("en-GB", "de-AT");
        String original =
                models.<List<String>>at("$[?(@.id=='" + model + "')].name").get(0);
        assertThat(models.<List<String>>at(of + "name")).containsExactly(original + " 2");
        String first = models.<List<String>>at(of + "versions[0].id").get(0);
        Api.Answer words = api.get("/api/letter-models/versions/{id}", first);
        assertThat(words.id("$.words.form.formId")).isNotEqualTo(form);
        UUID letter = begin(api, api.newEmployee("Takenin", null), taken.id("$.id"), "en-GB", TODAY)
                .id("$.id");
        assertThat(paper(api, file(api, letter, 0).id("$.documentId"))).contains("Tamsin Takenin");

        String lacking = "{\"format\":\"den-fold-letter-model/1\",\"name\":\"Lacks\",\"type\":\"letter\","
                + "\"kinds\":[\"employee\"],\"forms\":[],\"versions\":[{\"language\":\"en-GB\","
                + "\"holdsFrom\":\"2026-01-01\",\"words\":{\"asks\":[],\"blocks\":[{\"id\":\"a\"}]}}]}";
        for (byte[] wrong : List.of(
                "no zip".getBytes(StandardCharsets.UTF_8),
                zipped("{\"format\":\"x\"}"),
                zipped("["),
                zipped(lacking))) {
            Api.Answer refused = api.upload("/api/set-up/letter-models/file", "model.zip", wrong, Map.of());
            assertThat(refused.status()).isEqualTo(422);
            assertThat(refused.<String>at("$.detail")).contains("is no file of a model");
        }
        String elsewhere = "{\"format\":\"den-fold-letter-model/1\",\"name\":\"Other\",\"type\":\"elsewhere\","
                + "\"kinds\":[\"employee\"],\"versions\":[],\"forms\":[]}";
        assertThat(api.upload("/api/set-up/letter-models/file", "model.zip", zipped(elsewhere), Map.of())
                        .<String>at("$.detail"))
                .contains("no document type elsewhere");
        assertThat(practice.colleague(null, true, true)
                        .upload("/api/set-up/letter-models/file", "model.zip", zip, Map.of())
                        .status())
                .isEqualTo(403);
    }

    @Test
    void aTextDocumentIsWhatAModelBeginsWith() throws Exception {
        Api api = practice.administrator();
        String picture =
                "{\\pict\\pngblip\\picwgoal2835\\pichgoal3969 " + HexFormat.of().formatHex(Papers.png()) + "}";
        byte[] rtf = ("{\\rtf1\\ansi\\pard {\\b Agreement}\\par Between us and \\{person.name\\}.\\par " + picture
                        + "\\par}")
                .getBytes(StandardCharsets.US_ASCII);
        Api.Answer read = api.upload("/api/set-up/letter-models/words", "old.rtf", rtf, Map.of());
        assertThat(read.<List<String>>at("$.pieces[*].content[*].type"))
                .as(read.body())
                .containsExactly("WORDS", "WORDS", "PLACE", "WORDS");
        assertThat(read.<Integer>at("$.images")).as("those left out").isZero();
        assertThat(read.<Integer>at("$.pieces[2].picture.width")).isEqualTo(50);
        assertThat(read.<List<String>>at("$.pieces[0].content[0].marks")).containsExactly("BOLD");
        assertThat(api.upload("/api/set-up/letter-models/words", "old.pdf", Papers.pdf("x"), Map.of())
                        .<String>at("$.detail"))
                .contains("is no text document");
        assertThat(practice.colleague(null, true, true)
                        .upload("/api/set-up/letter-models/words", "old.rtf", rtf, Map.of())
                        .status())
                .isEqualTo(403);
    }

    private static byte[] zipped(String json) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            zip.putNextEntry(new ZipEntry("model.json"));
            zip.write(json.getBytes(StandardCharsets.UTF_8));
        }
        return bytes.toByteArray();
    }
}
