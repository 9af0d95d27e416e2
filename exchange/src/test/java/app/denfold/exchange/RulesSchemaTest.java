package app.denfold.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowable;

import com.networknt.schema.InputFormat;
import com.networknt.schema.JsonSchema;
import com.networknt.schema.JsonSchemaFactory;
import com.networknt.schema.SpecVersion;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What the schema describes is what the reader takes, and the other way round. */
class RulesSchemaTest {

    private static final Set<String> TYPES = Set.of("card", "licence", "bill");

    private static JsonSchema schema(String part) throws IOException {
        try (InputStream parts = RulesJson.class.getResourceAsStream(RulesJson.SCHEMA)) {
            String schemas = new String(parts.readAllBytes(), StandardCharsets.UTF_8);
            return JsonSchemaFactory.getInstance(SpecVersion.VersionFlag.V202012)
                    .getSchema("{\"components\": {\"schemas\": " + schemas + "}," + " \"$ref\": \"#/components/schemas/"
                            + part + "\"}");
        }
    }

    private static boolean isDescribed(String part, String json) throws IOException {
        return schema(part).validate(json, InputFormat.JSON).isEmpty();
    }

    private static boolean isTaken(String checklist) {
        return catchThrowable(() -> RulesJson.checklist(checklist, TYPES)) == null;
    }

    private static String withEvidence(String evidence) {
        return "{\"code\": \"list\", \"requirements\": [{\"code\": \"one\", \"evidence\": " + evidence + "}]}";
    }

    private static String withCondition(String condition) {
        return "{\"code\": \"list\", \"appliesWhen\": " + condition + ", \"requirements\": []}";
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{\"type\": \"card\"}",
                "{\"type\": \"card\", \"count\": 2, \"within\": \"P2Y\"}",
                "{\"type\": \"card\", \"within\": null, \"notBefore\": {\"from\": \"start\", \"days\": -30}}",
                "{\"anyOf\": [{\"type\": \"card\"}, {\"allOf\": [{\"type\": \"licence\"}, {\"type\": \"bill\"}]}]}",
                "{\"points\": 3, \"of\": [{\"type\": \"card\", \"points\": 2, \"atMost\": 4}, {\"type\": \"bill\", \"points\": 1}]}",
                "{\"type\": \"card\", \"anyOf\": [{\"type\": \"bill\"}]}",
                "{\"anyOf\": []}",
                "{\"points\": 3}",
                "{\"points\": 0, \"of\": [{\"type\": \"card\", \"points\": 1}]}",
                "{\"type\": \"card\", \"count\": 0}",
                "{\"type\": 7}",
                "{\"type\": \"card\", \"notBefore\": {\"from\": \"birth\", \"days\": 3}}",
                "{}",
                "{\"kind\": \"card\"}"
            })
    void evidence(String evidence) throws IOException {
        String checklist = withEvidence(evidence);
        assertThat(isDescribed("ChecklistRule", checklist)).isEqualTo(isTaken(checklist));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "null",
                "{\"fact\": \"role\", \"is\": \"groom\"}",
                "{\"fact\": \"rides\", \"isNot\": true}",
                "{\"fact\": \"horses\", \"in\": [1, 2.5]}",
                "{\"ageUnder\": 18}",
                "{\"not\": {\"ageAtLeast\": 65}}",
                "{\"all\": [{\"any\": [{\"ageUnder\": 18}]}, {\"fact\": \"role\", \"is\": \"groom\"}]}",
                "{\"ageUnder\": 151}",
                "{\"ageUnder\": 18, \"ageAtLeast\": 3}",
                "{\"all\": [null]}",
                "{\"is\": \"groom\"}",
                "{\"fact\": \"role\", \"is\": {}}"
            })
    void conditions(String condition) throws IOException {
        String checklist = withCondition(condition);
        assertThat(isDescribed("ChecklistRule", checklist)).isEqualTo(isTaken(checklist));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{\"code\": \"one\", \"evidence\": {\"type\": \"card\"}, \"signedBy\": [\"owner\"], \"leadDays\": 30,"
                        + " \"graceDays\": 0, \"needsReview\": true, \"level\": \"advisory\","
                        + " \"due\": {\"from\": \"fact\", \"name\": \"visit\", \"days\": -3}}",
                "{\"code\": \"one\", \"evidence\": {\"type\": \"card\"}, \"due\": null, \"appliesWhen\": null}",
                "{\"code\": \"one\"}",
                "{\"evidence\": {\"type\": \"card\"}}",
                "{\"code\": \"one\", \"evidence\": {\"type\": \"card\"}, \"leadDays\": -1}",
                "{\"code\": \"one\", \"evidence\": {\"type\": \"card\"}, \"level\": \"urgent\"}",
                "{\"code\": \"one\", \"evidence\": {\"type\": \"card\"}, \"due\": {\"from\": \"birth\", \"days\": 3}}",
                "{\"code\": \"one\", \"evidence\": {\"type\": \"card\"}, \"colour\": \"red\"}"
            })
    void requirements(String requirement) throws IOException {
        String checklist =
                "{\"code\": \"list\", \"inForce\": {\"from\": \"2026-01-01\", \"to\": null}, \"requirements\": ["
                        + requirement + "]}";
        assertThat(isDescribed("ChecklistRule", checklist)).isEqualTo(isTaken(checklist));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{\"rule\": \"open\"}",
                "{\"rule\": \"stated\"}",
                "{\"rule\": \"period\", \"anchor\": \"effectiveDate\", \"period\": \"P2Y\", \"roundTo\": \"endOfMonth\"}",
                "{\"rule\": \"seasonEnd\", \"monthDay\": \"--08-31\"}",
                "{\"rule\": \"untilAge\", \"age\": 18}",
                "{\"rule\": \"whenever\"}",
                "{\"rule\": \"untilAge\", \"age\": 0}",
                "{\"rule\": \"period\", \"anchor\": \"moon\", \"period\": \"P2Y\"}",
                "{\"rule\": \"open\", \"weeks\": 3}",
                "{}"
            })
    void validity(String validity) throws IOException {
        assertThat(isDescribed("ValidityRule", validity))
                .isEqualTo(catchThrowable(() -> RulesJson.validity(validity)) == null);
    }
}
