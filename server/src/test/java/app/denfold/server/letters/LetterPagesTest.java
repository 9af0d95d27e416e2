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
import app.denfold.server.marks.MarkedPapers;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What stands on the pages of letters besides their words, and what follows them. */
@ServerTest
class LetterPagesTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    private static UUID image(Api api) throws Exception {
        Api.Answer taken = api.upload("/api/set-up/letter-images", "map.jpg", Papers.png(), Map.of());
        assertThat(taken.status()).as(taken.body()).isEqualTo(201);
        return taken.id("$.id");
    }

    private static UUID pdf(Api api, String words) throws Exception {
        return api.upload("/api/set-up/letter-forms", "rules.pdf", Papers.pdf(words), Map.of())
                .id("$.id");
    }

    private static Map<String, Object> picture(UUID id, int width) {
        return Map.of("type", "IMAGE", "text", "The way to the yard", "picture", Map.of("id", id, "width", width));
    }

    private static Map<String, Object> attachment(UUID form, String name, boolean always) {
        return Map.of("formId", form, "name", name, "always", always);
    }

    private static Map<String, Object> saying(Object content, Map<String, Object> more) {
        Map<String, Object> words = new HashMap<>(
                Map.of("asks", List.of(), "blocks", List.of(block("a", true, line(words("Hello")), content))));
        words.putAll(more);
        return words;
    }

    @Test
    void aPictureAndWordsOnEachPageStandInTheLetterAndTheModelGoesOutAndInWithThem() throws Exception {
        Api api = practice.administrator();
        UUID image = image(api);
        UUID rules = pdf(api, "House rules of the yard");
        UUID model = model(api, "letter");
        Map<String, Object> sheet = Map.of(
                "head",
                false,
                "top",
                List.of(line(words("For "), place("person.name", "PLAIN", true))),
                "foot",
                List.of(line(words("Bank 12 34"))),
                "numbered",
                false);
        Api.Answer kept = version(
                api,
                model,
                "en-GB",
                TODAY,
                saying(
                        picture(image, 60),
                        Map.of("sheet", sheet, "attachments", List.of(attachment(rules, "House rules", true)))));
        assertThat(kept.status()).as(kept.body()).isEqualTo(201);
        UUID person = api.newEmployee("Sheetson", null);
        assertThat(api.get("/api/letter-images/{id}", image).bytes()).startsWith(0x89, 'P', 'N', 'G');
        UUID letter = begin(api, person, model, "en-GB", TODAY).id("$.id");
        assertThat(api.post("/api/letters/{id}/pages", null, letter).<Integer>at("$.pages"))
                .isEqualTo(2);
        String text = paper(api, file(api, letter, 0).id("$.documentId"));
        assertThat(text)
                .contains("Sheetson", "Bank 12 34", "Hello", "House rules of the yard")
                .doesNotContain("1 / 1");

        byte[] zip = api.get("/api/letter-models/{id}/file", model).bytes();
        Api.Answer taken = api.upload("/api/set-up/letter-models/file", "model.zip", zip, Map.of());
        assertThat(taken.status()).as(taken.body()).isEqualTo(201);
        UUID again = begin(api, person, taken.id("$.id"), "en-GB", TODAY).id("$.id");
        assertThat(paper(api, file(api, again, 0).id("$.documentId"))).isEqualTo(text);
        String words = "$[?(@.id=='" + taken.id("$.id") + "')].versions[0].id";
        String version = api.get("/api/letter-models").<List<String>>at(words).get(0);
        assertThat(api.get("/api/letter-models/versions/{id}", version).body())
                .as("its picture is one of its own")
                .contains("The way to the yard")
                .doesNotContain(image.toString(), rules.toString());
    }

    @Test
    void whatTheWriterChoosesFollowsAndWhatIsCoveredOnItStaysCovered() throws Exception {
        Api api = practice.administrator();
        UUID rules = pdf(api, "House rules of the yard");
        UUID prices = pdf(api, "Prices of this year");
        UUID model = model(api, "letter");
        version(
                api,
                model,
                "en-GB",
                TODAY,
                saying(
                        line(words("See below")),
                        Map.of(
                                "attachments",
                                List.of(
                                        attachment(rules, "House rules", false),
                                        attachment(prices, "Prices", false)))));
        UUID person = api.newEmployee("Attachson", null);
        UUID note = MarkedPapers.read(api, person, "To Quillfeather|about the riding lessons of her daughter.");
        MarkedPapers.cover(api, note, "Quillfeather");
        assertThat(api.get("/api/documents/{id}/versions/1/marks", note).<List<Integer>>at("$[*].page"))
                .containsExactly(1);
        UUID letter = begin(api, person, model, "en-GB", TODAY).id("$.id");
        int changes = write(api, letter, 0, Map.of("attached", List.of(prices), "papers", List.of(note)))
                .at("$.changes");
        Api.Answer shown = api.get("/api/letters/{id}", letter);
        assertThat(shown.<List<Boolean>>at("$.attachments[*].attached")).containsExactly(false, true);
        assertThat(shown.<List<String>>at("$.papers[*].id")).containsExactly(note.toString());
        UUID filed = file(api, letter, changes).id("$.documentId");
        assertThat(paper(api, filed))
                .containsSubsequence("See below", "Prices of this year")
                .doesNotContain("House rules", "Quillfeather");
        Api.Answer copy = MarkedPapers.draft(api, filed, "Mill lane school", false, false, false);
        assertThat(copy.status()).as(copy.body()).isEqualTo(201);
        Api.Answer marks = api.get("/api/documents/{id}/versions/1/marks", filed);
        assertThat(marks.<List<Integer>>at("$[*].page")).containsExactly(3);
    }

    @Test
    void whatCannotBeAttachedOrPutInIsSaidAndNothingIsShownToWhomItIsHidden() throws Exception {
        Api api = practice.administrator();
        UUID model = model(api, "letter");
        UUID rules = pdf(api, "House rules");
        assertThat(version(api, model, "en-GB", TODAY, saying(picture(UUID.randomUUID(), 60), Map.of()))
                        .<String>at("$.detail"))
                .contains("picture");
        assertThat(version(api, model, "en-GB", TODAY, saying(picture(image(api), 600), Map.of()))
                        .<String>at("$.detail"))
                .contains("mm wide");
        Object unknown = List.of(attachment(UUID.randomUUID(), "Gone", true));
        assertThat(version(api, model, "en-GB", TODAY, saying(line(words("x")), Map.of("attachments", unknown)))
                        .<String>at("$.detail"))
                .contains("attachment");
        assertThat(api.upload("/api/set-up/letter-images", "map.png", Papers.pdf("no picture"), Map.of())
                        .<String>at("$.detail"))
                .contains("no whole picture");
        assertThat(practice.colleague(null, true, true)
                        .upload("/api/set-up/letter-images", "map.png", Papers.png(), Map.of())
                        .status())
                .isEqualTo(403);
        Object always = List.of(attachment(rules, "House rules", true));
        version(api, model, "en-GB", TODAY, saying(line(words("x")), Map.of("attachments", always)));
        UUID person = api.newEmployee("Hideson", null);
        UUID secret = api.fileNewPaper(person, "first-aid", TODAY.minusDays(2));
        UUID other = api.fileNewPaper(api.newEmployee("Otherson", null), "letter", TODAY.minusDays(2));
        UUID letter = begin(api, person, model, "en-GB", TODAY).id("$.id");
        write(api, letter, 0, Map.of("papers", List.of(other)));
        assertThat(api.post("/api/letters/{id}/pages", null, letter).<String>at("$.code"))
                .isEqualTo("other-file");
        write(api, letter, 1, Map.of("papers", List.of(secret)));
        assertThat(api.post("/api/letters/{id}/pages", null, letter).status()).isEqualTo(200);
        api.post("/api/documents/discard", Map.of("documents", List.of(secret)));
        assertThat(api.post("/api/letters/{id}/pages", null, letter).<String>at("$.code"))
                .isEqualTo("attached-unseen");
        Api.Answer unseen = api.get("/api/letters/{id}", letter);
        assertThat(unseen.<List<String>>at("$.papers[*].id")).containsExactly(secret.toString());
        assertThat(unseen.<List<String>>at("$.papers[*].name")).isEmpty();
        assertThat(file(api, letter, 2).<String>at("$.code")).isEqualTo("attached-unseen");
    }

    @Test
    void aVersionSaysWhatChangedOnEachPageAndWhatFollows() throws Exception {
        Api api = practice.administrator();
        UUID model = model(api, "letter");
        UUID rules = pdf(api, "House rules");
        UUID prices = pdf(api, "Prices");
        Map<String, Object> before =
                Map.of("head", true, "top", List.of(), "foot", List.of(line(words("Bank 12 34"))), "numbered", true);
        Map<String, Object> after =
                Map.of("head", false, "top", List.of(), "foot", List.of(line(words("Bank 56 34"))), "numbered", true);
        Object always = List.of(attachment(rules, "House rules", true));
        Object chosen = List.of(attachment(prices, "Prices", false));
        version(api, model, "en-GB", TODAY, saying(line(words("x")), Map.of("sheet", before, "attachments", always)));
        UUID newer = version(
                        api,
                        model,
                        "en-GB",
                        TODAY,
                        saying(line(words("x")), Map.of("sheet", after, "attachments", chosen)))
                .id("$.id");
        Api.Answer changes = api.get("/api/letter-models/versions/{id}/changes", newer);
        assertThat(changes.<List<String>>at("$.notes"))
                .containsExactly(
                        "It no longer has the practice’s head.",
                        "“Prices” is attached now where chosen.",
                        "“House rules” is no longer attached.");
        assertThat(changes.<List<String>>at("$.parts[*].name")).containsExactly("At the foot of each page");
        assertThat(changes.<List<String>>at("$.parts[0].words[*].what"))
                .containsExactly("KEPT", "REMOVED", "ADDED", "KEPT");
    }
}
