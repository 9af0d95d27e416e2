package app.denfold.server.letters;

import static app.denfold.server.Patience.await;
import static app.denfold.server.letters.LetterSteps.begin;
import static app.denfold.server.letters.LetterSteps.block;
import static app.denfold.server.letters.LetterSteps.contract;
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
import app.denfold.server.ServerTest;
import app.denfold.server.TestPractice;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;

/** From a model to the paper in the file. */
@ServerTest
class LettersTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    @Test
    void aContractIsAskedForWhatIsMissingCorrectedLookedAtAndFiled() throws Exception {
        Api api = practice.administrator();
        UUID model = model(api, "contract");
        assertThat(version(api, model, "en-GB", TODAY.minusYears(1), contract()).status())
                .isEqualTo(201);
        UUID file = api.newEmployee("Letterson", null);
        LocalDate day = TODAY.plusDays(10);
        UUID letter = begin(api, file, model, "en-GB", day).id("$.id");

        Api.Answer begun = api.get("/api/letters/{id}", letter);
        assertThat(begun.<Boolean>at("$.ready")).isFalse();
        assertThat(begun.<List<String>>at("$.asks[?(@.mustBeKnown==true)].label"))
                .contains("Monthly fee");
        assertThat(begun.<List<String>>at("$.blocks[*].id")).containsExactly("greeting", "fee", "thanks");
        assertThat(file(api, letter, 0).<String>at("$.code")).isEqualTo("missing");
        assertThat(api.post("/api/letters/{id}/pages", null, letter).<Integer>at("$.pages"))
                .as("it can be looked at before it is whole")
                .isEqualTo(1);

        int changes = write(
                        api,
                        letter,
                        0,
                        Map.of(
                                "answers", Map.of("ask.fee", "100.50"),
                                "leftOut", List.of("thanks"),
                                "corrected", Map.of("greeting", List.of(line(words("My dear friend"))))))
                .at("$.changes");
        Api.Answer written = api.get("/api/letters/{id}", letter);
        assertThat(written.<Boolean>at("$.ready")).isTrue();
        assertThat(written.<List<Boolean>>at("$.blocks[*].differs")).containsExactly(true, false, false);
        String key = api.post("/api/letters/{id}/pages", null, letter).at("$.key");
        assertThat(api.post("/api/letters/{id}/pages", null, letter).<String>at("$.key"))
                .as("laid out once")
                .isEqualTo(key);
        assertThat(api.get("/api/letters/{id}/pages/1", letter).bytes()).startsWith(0x89, 'P', 'N', 'G');

        Api.Answer filed = file(api, letter, changes);
        UUID document = filed.id("$.documentId");
        assertThat(filed.<String>at("$.name")).startsWith("Contract");
        assertThat(paper(api, document))
                .contains("My dear friend", "You pay €1,206.00 a year from")
                .doesNotContain("Only for minors", "We are glad");
        Api.Answer about = api.get("/api/documents/{id}", document);
        assertThat(about.<String>at("$.effectiveDate")).isEqualTo(day.toString());
        assertThat(file(api, letter, changes + 1).<String>at("$.code")).isEqualTo("filed");
        assertThat(api.get("/api/files/{id}/letters", file).<String>at("$[0].documentId"))
                .isEqualTo(document.toString());
        assertThat(api.get("/api/letters").<List<String>>at("$.filed[*].id")).contains(letter.toString());
        assertThat(api.get("/api/files/{id}/trail", file).body()).contains("began the letter", "written as");
    }

    @Test
    void whatIsLaidOutJustThenDoesNotKeepALetterFromBeingFiled() throws Exception {
        Api api = practice.administrator();
        UUID model = model(api, "letter");
        version(
                api,
                model,
                "en-GB",
                TODAY.minusDays(1),
                Map.of("asks", List.of(), "blocks", List.of(block("a", false, line(words("Hello"))))));
        UUID letter = begin(api, api.newEmployee("Hurrieson", null), model, "en-GB", TODAY)
                .id("$.id");
        List<Callable<Api.Answer>> all =
                new ArrayList<>(Collections.nCopies(4, () -> api.post("/api/letters/{id}/pages", null, letter)));
        all.add(2, () -> {
            // what was laid out before this is old when it is done
            write(api, letter, 0, Map.of("corrected", Map.of("a", List.of(line(words("Good day"))))));
            return file(api, letter, 1);
        });
        try (LetterSteps.Closing many = new LetterSteps.Closing(Executors.newFixedThreadPool(all.size()))) {
            List<Future<Api.Answer>> answers = many.service().invokeAll(all);
            Api.Answer filed = answers.get(2).get();
            assertThat(filed.status()).as(filed.body()).isEqualTo(200);
            assertThat(paper(api, filed.id("$.documentId"))).contains("Good day");
            for (Future<Api.Answer> answer : answers) {
                Api.Answer one = answer.get();
                assertThat(one.status() == 200 || one.body().contains("was filed meanwhile"))
                        .as(one.body())
                        .isTrue();
            }
        }
    }

    @Test
    void twoWritersAreToldOfEachOtherAndOnlyOneOfThemFiles() throws Exception {
        Api api = practice.administrator();
        UUID model = model(api, "letter");
        version(
                api,
                model,
                "en-GB",
                TODAY.minusDays(1),
                Map.of("asks", List.of(), "blocks", List.of(block("a", false, line(words("Hello"))))));
        UUID file = api.newEmployee("Twowriters", null);
        UUID letter = begin(api, file, model, "en-GB", TODAY).id("$.id");
        Api colleague = practice.colleague(null, true, true);
        int changes = write(colleague, letter, 0, Map.of("answers", Map.of())).at("$.changes");
        Api.Answer late = write(api, letter, 0, Map.of());
        assertThat(late.<String>at("$.code")).isEqualTo("changed-meanwhile");
        assertThat(late.<String>at("$.detail")).startsWith("Dilan Ozgune changed this letter");
        List<Callable<Integer>> both =
                List.of(() -> file(api, letter, changes).status(), () -> file(colleague, letter, changes)
                        .status());
        List<Integer> statuses = new ArrayList<>();
        try (LetterSteps.Closing many = new LetterSteps.Closing(Executors.newFixedThreadPool(2))) {
            for (Future<Integer> one : many.service().invokeAll(both)) {
                statuses.add(one.get());
            }
        }
        assertThat(statuses).containsExactlyInAnyOrder(200, 409);
        assertThat(api.get("/api/files/{id}/papers", file).<List<?>>at("$")).hasSize(1);
        assertThat(api.send(HttpMethod.DELETE, "/api/letters/{id}", null, letter)
                        .status())
                .isEqualTo(409);
        UUID other = begin(api, file, model, "en-GB", TODAY).id("$.id");
        api.post("/api/letters/{id}/pages", null, other);
        assertThat(api.send(HttpMethod.DELETE, "/api/letters/{id}", null, other).status())
                .isEqualTo(204);
        assertThat(api.get("/api/letters/{id}", other).status()).isEqualTo(404);
    }

    @Test
    void theSameLetterGoesToManyAndThoseThatLackSomethingStayOpen() throws Exception {
        Api api = practice.administrator();
        UUID model = model(api, "letter");
        Object words = Map.of(
                "asks",
                List.of(Map.of("code", "term", "label", "First day", "kind", "DAY")),
                "blocks",
                List.of(block(
                        "a",
                        false,
                        line(
                                words("Dear "),
                                place("person.givenName", "PLAIN", true),
                                words(" at "),
                                place("person.email", "PLAIN", true),
                                words(", it begins on "),
                                place("ask.term", "LONG_DATE", true)))));
        version(api, model, "en-GB", TODAY.minusDays(1), words);
        List<UUID> files = new ArrayList<>();
        for (String email : new String[] {"one@post.example", "two@post.example", null}) {
            files.add(api.newEmployee("Manyletters" + files.size(), email));
        }
        Map<String, Object> wish = Map.of("files", files, "modelId", model, "language", "en-GB", "effectiveOn", TODAY);
        UUID batch = api.post("/api/letter-batches", wish).id("$.id");
        assertThat(api.post("/api/letter-batches/{id}/filing", null, batch).<String>at("$.code"))
                .isEqualTo("missing");
        api.send(
                HttpMethod.PUT,
                "/api/letter-batches/{id}/answers",
                Map.of("answers", Map.of("ask.term", "2027-01-11")),
                batch);
        Api.Answer many = api.get("/api/letter-batches/{id}", batch);
        assertThat(many.<String>at("$.asks[0].answer")).isEqualTo("2027-01-11");
        assertThat(many.<List<Boolean>>at("$.letters[*].ready")).containsExactly(true, true, false);
        assertThat(many.<List<String>>at("$.letters[2].missing")).containsExactly("the mail address");
        UUID first = many.id("$.letters[0].id");
        int changes = api.get("/api/letters/{id}", first).at("$.changes");
        write(api, first, changes, Map.of("answers", Map.of("ask.term", "2027-01-18"), "corrected", Map.of()));
        assertThat(api.get("/api/letter-batches/{id}", batch).<List<Object>>at("$.asks[*].answer"))
                .as("one has another answer")
                .isEmpty();

        api.post("/api/letter-batches/{id}/filing", null, batch);
        await().until(() -> api.get("/api/letter-batches/{id}", batch)
                        .<List<Object>>at("$.letters[?(@.documentId)]")
                        .size()
                == 2);
        Api.Answer filed = api.get("/api/letter-batches/{id}", batch);
        assertThat(paper(api, filed.id("$.letters[0].documentId"))).contains("one@post.example", "18 January 2027");
        assertThat(paper(api, filed.id("$.letters[1].documentId"))).contains("two@post.example", "11 January 2027");
        await().until(() -> api.get("/api/jobs").body().contains("2 letters filed, 1 left open"));
        assertThat(practice.colleague(null, true, false)
                        .post("/api/letter-batches", wish)
                        .status())
                .isEqualTo(403);
    }

    @Test
    void lettersOfHiddenTypesAreHiddenAndThoseOfOtherTeamsToo() throws Exception {
        Api api = practice.administrator();
        UUID model = model(api, "clearance");
        version(
                api,
                model,
                "en-GB",
                TODAY.minusDays(1),
                Map.of("asks", List.of(), "blocks", List.of(block("a", false, line(words("Hello"))))));
        UUID file = api.newEmployee("Hiddenletter", null);
        UUID letter = begin(api, file, model, "en-GB", TODAY).id("$.id");
        Api blind = practice.colleague(null, false, true);
        for (String path : List.of("/api/letters/" + letter, "/api/letters/" + letter + "/pages/1")) {
            assertThat(blind.get(path).status()).as(path).isEqualTo(404);
        }
        assertThat(file(blind, letter, 0).status()).isEqualTo(404);
        assertThat(blind.get("/api/letters").body()).doesNotContain(letter.toString());
        assertThat(blind.get("/api/files/{id}/letters", file).body()).doesNotContain(letter.toString());
        assertThat(blind.get("/api/letter-models").body()).doesNotContain(model.toString());
        assertThat(begin(blind, file, model, "en-GB", TODAY).status()).isEqualTo(404);
        assertThat(write(practice.colleague(null, true, false), letter, 0, Map.of())
                        .status())
                .isEqualTo(403);
    }

    @Test
    void whatIsAnsweredIsKeptInTheFileIfWished() throws Exception {
        Api api = practice.administrator();
        UUID model = model(api, "letter");
        Object words = Map.of(
                "asks",
                List.of(Map.of("code", "fee", "label", "Fee", "kind", "NUMBER")),
                "blocks",
                List.of(block("a", false, line(place("fact.role", "PLAIN", true), place("ask.fee", "PLAIN", true)))));
        version(api, model, "en-GB", TODAY.minusYears(1), words);
        UUID file = api.newEmployee("Keptanswer", null);
        UUID letter = begin(api, file, model, "en-GB", TODAY).id("$.id");
        assertThat(api.get("/api/letters/{id}", letter).<List<Boolean>>at("$.asks[*].keepable"))
                .containsExactly(false, true);
        assertThat(keep(api, letter, 0, "fact.role").status())
                .as("not answered")
                .isEqualTo(422);
        int changes = write(api, letter, 0, Map.of("answers", Map.of("fact.role", "pilot", "ask.fee", "3")))
                .at("$.changes");
        assertThat(keep(api, letter, changes, "fact.role").<String>at("$.detail"))
                .contains("pilot");
        assertThat(keep(api, letter, changes, "ask.fee").status()).isEqualTo(422);
        changes = write(api, letter, changes, Map.of("answers", Map.of("fact.role", "groom", "ask.fee", "3")))
                .at("$.changes");
        assertThat(keep(practice.colleague(null, true, false), letter, changes, "fact.role")
                        .status())
                .isEqualTo(403);
        assertThat(keep(api, letter, changes - 1, "fact.role").<String>at("$.code"))
                .isEqualTo("changed-meanwhile");
        changes = keep(api, letter, changes, "fact.role").at("$.changes");
        assertThat(api.get("/api/files/{id}", file).<String>at("$.facts.role")).isEqualTo("groom");
        Api.Answer now = api.get("/api/letters/{id}", letter);
        assertThat(now.<List<String>>at("$.asks[*].name")).containsExactly("ask.fee");
        assertThat(now.<Integer>at("$.changes")).isEqualTo(changes);
        assertThat(paper(api, file(api, letter, changes).id("$.documentId"))).contains("groom3");
    }

    private static Api.Answer keep(Api api, UUID letter, int changes, String name) throws Exception {
        return api.post("/api/letters/{id}/kept-answers", Map.of("changes", changes, "name", name), letter);
    }

    @Test
    void aLineToSignOnIsFoundWhenSignaturesAreAskedFor() throws Exception {
        Api api = practice.administrator();
        UUID model = model(api, "contract");
        Object words = Map.of(
                "asks",
                List.of(),
                "blocks",
                List.of(block(
                        "a",
                        true,
                        line(words("Agreed.")),
                        Map.of("type", "SIGN_LINE", "text", "Signature of director"),
                        Map.of("type", "SIGN_LINE", "text", "Signature of employee"))));
        version(api, model, "en-GB", TODAY.minusYears(1), words);
        UUID letter = begin(api, api.newEmployee("Signline", null), model, "en-GB", TODAY)
                .id("$.id");
        UUID paper = file(api, letter, 0).id("$.documentId");
        Api.Answer proposal = api.get("/api/signature-requests/proposal?papers={p}", paper);
        assertThat(proposal.<List<String>>at("$.fields[*].field.role"))
                .as(proposal.body())
                .containsExactlyInAnyOrder("director", "employee");
        double director = proposal.<List<Number>>at("$.fields[?(@.field.role=='director')].field.top")
                .get(0)
                .doubleValue();
        double employee = proposal.<List<Number>>at("$.fields[?(@.field.role=='employee')].field.top")
                .get(0)
                .doubleValue();
        assertThat(director).as("each over its own line").isLessThan(employee);
    }

    @Test
    void aLetterSaysTheNextVisitAndWhatOtherPapersSayAsFarAsTheReaderMayKnow() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Saysmore", null);
        api.post("/api/files/{id}/visits", Map.of("day", TODAY.plusDays(5), "words", "trial lesson"), file);
        for (String policy : List.of("HMC 11", "HMC 22")) {
            UUID paper = api.fileNewPaper(file, "horse-insurance", TODAY.minusDays(policy.endsWith("2") ? 3 : 30));
            Map<String, Object> details =
                    new HashMap<>(Api.details(file, "horse-insurance", TODAY.minusDays(policy.endsWith("2") ? 3 : 30)));
            details.put("fields", Map.of("Policy number", policy));
            Map<String, Object> change = new HashMap<>(Map.of(
                    "changes", api.get("/api/documents/{id}", paper).<Integer>at("$.changes"), "details", details));
            assertThat(api.send(HttpMethod.PUT, "/api/documents/{id}/details", change, paper)
                            .status())
                    .isEqualTo(204);
        }
        api.fileNewPaper(file, "tetanus", TODAY.minusDays(8));
        UUID model = model(api, "letter");
        Api.Answer kept = version(
                api,
                model,
                "en-GB",
                TODAY.minusYears(1),
                Map.of(
                        "asks",
                        List.of(),
                        "blocks",
                        List.of(block(
                                "a",
                                true,
                                line(
                                        place("visit.next", "LONG_DATE", true),
                                        words(" for "),
                                        place("visit.for", "PLAIN", true),
                                        words(", insured as "),
                                        place("paper.horse-insurance.policy-number", "PLAIN", true),
                                        words(", tetanus "),
                                        place("paper.tetanus.date", "PLAIN", false))))));
        assertThat(kept.status()).as(kept.body()).isEqualTo(201);
        UUID letter = begin(api, file, model, "en-GB", TODAY).id("$.id");
        String words = api.get("/api/letters/{id}", letter)
                .<List<String>>at("$.blocks[0].content[0].content[*].text")
                .toString();
        assertThat(words).contains("trial lesson", "HMC 22", " 2026").doesNotContain("HMC 11", "\\u2026");
        api.post("/api/letters/{id}/pages", null, letter);
        assertThat(api.get("/api/letters/{id}/pages/1", letter).status()).isEqualTo(200);
        Api blind = practice.colleague(null, false, true);
        assertThat(blind.get("/api/letters/{id}/pages/1", letter).status())
                .as("pages that say what the reader may not know")
                .isEqualTo(404);
        assertThat(blind.get("/api/letters/{id}", letter)
                        .<List<String>>at("$.blocks[0].content[0].content[*].text")
                        .toString())
                .as("sensitive papers are not told")
                .contains("HMC 22", "\\u2026");
        assertThat(blind.get("/api/letter-names").body())
                .contains("paper.horse-insurance.policy-number")
                .doesNotContain("paper.tetanus");
    }
}
