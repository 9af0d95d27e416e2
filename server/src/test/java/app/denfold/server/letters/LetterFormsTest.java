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
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
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
}
