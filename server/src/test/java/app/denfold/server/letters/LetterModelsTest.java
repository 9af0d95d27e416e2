package app.denfold.server.letters;

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
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Api;
import app.denfold.server.ServerTest;
import app.denfold.server.TestPractice;
import java.time.LocalDate;
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

/** What letters are written by: versions that never change, and what cannot be one. */
@ServerTest
class LetterModelsTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    @Test
    void theVersionIsTheOneOfItsLanguageThatHoldsOnTheDayAndOldLettersKeepTheirs() throws Exception {
        Api api = practice.administrator();
        UUID model = model(api, "letter");
        Object old = Map.of("asks", List.of(), "blocks", List.of(block("a", true, line(words("The old words")))));
        Object next = Map.of("asks", List.of(), "blocks", List.of(block("a", true, line(words("The new words")))));
        Object german = Map.of(
                "asks",
                List.of(),
                "blocks",
                List.of(block("a", true, line(words("Am "), place("day", "LONG_DATE", true)))));
        version(api, model, "en-GB", TODAY.minusYears(1), old);
        version(api, model, "en-GB", TODAY.plusMonths(1), next);
        version(api, model, "de-AT", TODAY.minusYears(1), german);
        UUID file = api.newEmployee("Versionless", null);
        assertThat(begin(api, file, model, "fr", TODAY).<String>at("$.detail")).contains("no version in this language");
        assertThat(begin(api, file, model, "en-GB", TODAY.minusYears(2)).status())
                .isEqualTo(422);
        UUID now = begin(api, file, model, "en-GB", TODAY).id("$.id");
        UUID later = begin(api, file, model, "en-GB", TODAY.plusMonths(1)).id("$.id");
        UUID auf = begin(api, file, model, "de-AT", LocalDate.of(2027, 3, 1)).id("$.id");
        version(api, model, "en-GB", TODAY.minusDays(1), next);
        String first = "$.blocks[0].content[0].content[*].text";
        assertThat(api.get("/api/letters/{id}", now).<List<String>>at(first)).containsExactly("The old words");
        assertThat(api.get("/api/letters/{id}", later).<List<String>>at(first)).containsExactly("The new words");
        assertThat(api.get("/api/letters/{id}", auf).<List<String>>at(first)).containsExactly("Am ", "1. März 2027");
        assertThat(paper(api, file(api, now, 0).id("$.documentId"))).contains("The old words");
        Api.Answer models = api.get("/api/letter-models");
        assertThat(models.<List<Boolean>>at("$[?(@.id=='" + model + "')].versions[*].isInForce"))
                .containsExactly(false, false, true, true);
    }

    @Test
    void whatCannotBeIsRefusedInWords() throws Exception {
        Api api = practice.administrator();
        UUID model = model(api, "letter");
        Object unknown = Map.of(
                "asks", List.of(), "blocks", List.of(block("a", true, line(place("fact.nosuch", "PLAIN", true)))));
        assertThat(version(api, model, "en-GB", TODAY, unknown).body())
                .contains("Nothing is known by the name “fact.nosuch”");
        Object unreadable = Map.of(
                "asks", List.of(), "blocks", List.of(block("a", true, line(place("day plus a bit", "PLAIN", true)))));
        assertThat(version(api, model, "en-GB", TODAY, unreadable).body()).contains("cannot be read");
        Map<String, Object> odd = block("a", true, line(words("x")));
        odd.put("when", Map.of("fact", "nosuch", "is", "x"));
        assertThat(version(api, model, "en-GB", TODAY, Map.of("asks", List.of(), "blocks", List.of(odd)))
                        .status())
                .isEqualTo(422);
        Map<String, Object> empty = Map.of("id", "a", "locked", true, "optional", false);
        assertThat(version(api, model, "en-GB", TODAY, Map.of("asks", List.of(), "blocks", List.of(empty)))
                        .status())
                .as("a part without content")
                .isEqualTo(422);
        assertThat(version(api, model, "no language!", TODAY, contract()).status())
                .isEqualTo(422);
        assertThat(version(practice.colleague(null, true, true), model, "en-GB", TODAY, contract())
                        .status())
                .isEqualTo(403);
        Api.Answer tried = api.post(
                "/api/set-up/letter-models/try",
                Map.of(
                        "fileId",
                        api.newEmployee("Tried", null),
                        "version",
                        Map.of("language", "en-GB", "holdsFrom", TODAY, "words", contract())));
        assertThat(tried.<List<String>>at("$.missing[*].name")).containsExactly("ask.fee");
        assertThat(begin(api, api.newFile("patient", "Wrongkind", null, "Therapy"), model, "en-GB", TODAY)
                        .status())
                .isEqualTo(422);
        api.post("/api/set-up/letter-models/{id}/retirement", Map.of("retired", true), model);
        assertThat(begin(api, api.newEmployee("Retired", null), model, "en-GB", TODAY)
                        .<String>at("$.code"))
                .isEqualTo("retired");
    }

    @Test
    void ofWordsThatCannotBeNoModelIsLeftAndOfManyWritersEachGetsANumber() throws Exception {
        Api api = practice.administrator();
        String name = "Together " + UUID.randomUUID();
        Map<String, Object> version =
                new HashMap<>(Map.of("language", "en-GB", "holdsFrom", TODAY, "words", unknownWords()));
        Map<String, Object> model = new HashMap<>(
                Map.of("changes", 0, "name", name, "type", "letter", "kinds", List.of("employee"), "version", version));
        assertThat(api.post("/api/set-up/letter-models", model).status()).isEqualTo(422);
        assertThat(api.get("/api/letter-models").body()).doesNotContain(name);
        version.put("words", contract());
        UUID made = api.post("/api/set-up/letter-models", model).id("$.id");
        model.put("name", name + " again");
        version.put("words", unknownWords());
        assertThat(change(api, made, model).status()).isEqualTo(422);
        assertThat(api.get("/api/letter-models").body())
                .as("neither name nor words")
                .doesNotContain(name + " again");
        List<Callable<Integer>> many = Collections.nCopies(
                4, () -> version(api, made, "en-GB", TODAY, contract()).status());
        try (LetterSteps.Closing four = new LetterSteps.Closing(Executors.newFixedThreadPool(4))) {
            for (Future<Integer> one : four.service().invokeAll(many)) {
                assertThat(one.get()).isEqualTo(201);
            }
        }
        assertThat(api.get("/api/letter-models").<List<Integer>>at("$[?(@.id=='" + made + "')].versions[*].number"))
                .containsExactly(1, 2, 3, 4, 5);
    }

    private static Map<String, Object> unknownWords() {
        return Map.of(
                "asks", List.of(), "blocks", List.of(block("a", true, line(place("fact.nosuch", "PLAIN", true)))));
    }

    private static Api.Answer change(Api api, UUID model, Object body) throws Exception {
        return api.send(HttpMethod.PUT, "/api/set-up/letter-models/{id}", body, model);
    }

    @Test
    void aVersionSaysWordByWordWhatItChanged() throws Exception {
        Api api = practice.administrator();
        UUID model = model(api, "letter");
        Map<String, Object> gone = block("gone", false, line(words("Farewell")));
        version(
                api,
                model,
                "en-GB",
                TODAY,
                Map.of(
                        "asks",
                        List.of(Map.of("code", "fee", "label", "Fee", "kind", "NUMBER")),
                        "blocks",
                        List.of(block("a", false, line(words("You pay the fee monthly."))), gone)));
        version(api, model, "de-AT", TODAY, Map.of("asks", List.of(), "blocks", List.of(gone)));
        UUID newer = version(
                        api,
                        model,
                        "en-GB",
                        TODAY,
                        Map.of(
                                "asks",
                                List.of(),
                                "blocks",
                                List.of(block("a", true, line(words("You pay the small fee yearly."))))))
                .id("$.id");
        Api.Answer changes = api.get("/api/letter-models/versions/{id}/changes", newer);
        assertThat(changes.<Integer>at("$.from.number")).isEqualTo(1);
        assertThat(changes.<List<String>>at("$.notes")).containsExactly("“Fee” is no longer asked.");
        assertThat(changes.<List<String>>at("$.parts[0].words[*].text"))
                .containsExactly("You pay the ", "small ", "fee ", "monthly", "yearly", ".");
        assertThat(changes.<List<String>>at("$.parts[0].words[*].what"))
                .containsExactly("KEPT", "ADDED", "KEPT", "REMOVED", "ADDED", "KEPT");
        assertThat(changes.<List<String>>at("$.parts[0].notes")).containsExactly("Its words are fixed now.");
        assertThat(changes.<String>at("$.parts[1].what")).isEqualTo("REMOVED");
        assertThat(changes.<String>at("$.parts[1].words[0].text")).isEqualTo("Farewell");
    }
}
