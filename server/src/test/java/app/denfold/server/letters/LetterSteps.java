package app.denfold.server.letters;

import static app.denfold.server.marks.MarkedPapers.text;

import app.denfold.server.Api;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import org.springframework.http.HttpMethod;

/** What tests of letters do, step by step. */
final class LetterSteps {

    private LetterSteps() {}

    static Map<String, Object> words(String text) {
        return Map.of("type", "WORDS", "text", text);
    }

    static Map<String, Object> place(String what, String format, boolean must) {
        return Map.of("type", "PLACE", "place", Map.of("what", what, "format", format, "mustBeKnown", must));
    }

    @SafeVarargs
    static Map<String, Object> line(Map<String, Object>... content) {
        return Map.of("type", "PARAGRAPH", "content", List.of(content));
    }

    static Map<String, Object> block(String id, boolean locked, Object... content) {
        return new HashMap<>(Map.of("id", id, "locked", locked, "optional", false, "content", List.of(content)));
    }

    static UUID model(Api api, String type) throws Exception {
        return api.post(
                        "/api/set-up/letter-models",
                        Map.of(
                                "changes",
                                0,
                                "name",
                                "Model " + UUID.randomUUID(),
                                "type",
                                type,
                                "kinds",
                                List.of("employee")))
                .id("$.id");
    }

    static Api.Answer version(Api api, UUID model, String language, LocalDate from, Object words) throws Exception {
        return api.post(
                "/api/set-up/letter-models/{id}/versions",
                Map.of("language", language, "holdsFrom", from, "words", words),
                model);
    }

    static Api.Answer begin(Api api, UUID file, UUID model, String language, LocalDate day) throws Exception {
        return api.post(
                "/api/files/{id}/letters", Map.of("modelId", model, "language", language, "effectiveOn", day), file);
    }

    static Api.Answer write(Api api, UUID letter, int changes, Map<String, Object> writing) throws Exception {
        Map<String, Object> all =
                new HashMap<>(Map.of("answers", Map.of(), "leftOut", List.of(), "corrected", Map.of()));
        all.putAll(writing);
        return api.send(HttpMethod.PUT, "/api/letters/{id}", Map.of("changes", changes, "writing", all), letter);
    }

    static Api.Answer file(Api api, UUID letter, int changes) throws Exception {
        return api.post("/api/letters/{id}/filing", Map.of("changes", changes), letter);
    }

    static String paper(Api api, UUID document) throws Exception {
        return text(api.get("/api/documents/{id}/versions/1/content", document).bytes());
    }

    /** Asks for a fee; its greeting can be corrected, a part is for minors only, the thanks can be left out. */
    static Map<String, Object> contract() {
        Map<String, Object> minors = block("minors", true, line(words("Only for minors")));
        minors.put("when", Map.of("ageUnder", 18));
        Map<String, Object> thanks = block("thanks", true, line(words("We are glad to have you")));
        thanks.put("optional", true);
        thanks.put("name", "Thanks");
        return Map.of(
                "asks",
                List.of(Map.of("code", "fee", "label", "Monthly fee", "kind", "NUMBER")),
                "blocks",
                List.of(
                        block("greeting", false, line(words("Dear "), place("person.givenName", "PLAIN", true))),
                        block(
                                "fee",
                                true,
                                line(
                                        words("You pay "),
                                        place("ask.fee * 12", "MONEY", true),
                                        words(" a year from "),
                                        place("day", "LONG_DATE", true))),
                        minors,
                        thanks));
    }

    /** Threads that end with the test. */
    record Closing(ExecutorService service) implements AutoCloseable {
        @Override
        public void close() {
            service.shutdown();
        }
    }
}
