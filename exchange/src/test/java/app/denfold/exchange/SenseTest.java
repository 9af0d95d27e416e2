package app.denfold.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import app.denfold.core.rules.FactValue;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Rules that can be evaluated but that nobody can have meant are told to whoever writes them, at their place. */
class SenseTest {

    /** A practice that knows the fact {@code role}, an instructor or a groom, and the date {@code firstDay}. */
    private static final Sense YARD = new Sense() {
        @Override
        public Optional<String> unknownFact(String fact) {
            return Set.of("kind", "role", "firstDay").contains(fact)
                    ? Optional.empty()
                    : Optional.of("No kind of file has a fact called " + fact);
        }

        @Override
        public Optional<String> impossibleValue(String fact, FactValue value) {
            return !fact.equals("role")
                            || value.equals(FactValue.text("instructor"))
                            || value.equals(FactValue.text("groom"))
                    ? Optional.empty()
                    : Optional.of("Not a role");
        }

        @Override
        public Optional<String> undatedFact(String fact) {
            return fact.equals("firstDay") ? Optional.empty() : Optional.of("Not a date");
        }
    };

    private static BadInput refusal(String parts) {
        String json = "{\"code\":\"l\",\"requirements\":[{\"code\":\"r\"," + parts + "}]}";
        RulesJson.checklist(json, Set.of("t", "u"));
        return catchThrowableOfType(BadInput.class, () -> RulesJson.checklist(json, Set.of("t", "u"), YARD));
    }

    private static BadInput conditionRefused(String condition) {
        return refusal("\"evidence\":{\"type\":\"t\"},\"appliesWhen\":" + condition);
    }

    private static BadInput pointsRefused(String points) {
        return refusal("\"evidence\":" + points);
    }

    @Test
    void aConditionOnAnUnknownFactIsRefusedAtTheFact() {
        BadInput bad = conditionRefused("{\"all\":[{\"fact\":\"rle\",\"is\":\"groom\"}]}");

        assertThat(bad.at()).isEqualTo("/requirements/0/appliesWhen/all/0/fact");
        assertThat(bad).hasMessage("No kind of file has a fact called rle");
    }

    @Test
    void aValueThatTheFactCannotHaveIsRefusedAtTheValue() {
        assertThat(conditionRefused("{\"fact\":\"role\",\"in\":[\"groom\",\"pilot\"]}")
                        .at())
                .isEqualTo("/requirements/0/appliesWhen/in/1");
        assertThat(conditionRefused("{\"fact\":\"role\",\"isNot\":\"groom\"}")).isNull();
    }

    @Test
    void aDueDayCountedFromAFactThatIsNoDateIsRefused() {
        assertThat(refusal("\"evidence\":{\"type\":\"t\"},\"due\":{\"from\":\"fact\",\"name\":\"role\",\"days\":1}")
                        .at())
                .isEqualTo("/requirements/0/due/name");
        assertThat(refusal(
                        "\"evidence\":{\"type\":\"t\"},\"due\":{\"from\":\"fact\",\"name\":\"firstDay\",\"days\":1}"))
                .isNull();
    }

    @Test
    void pointsThatCanNeverBeReachedAreRefusedWithTheMostThereCanBe() {
        BadInput bad = pointsRefused(
                "{\"points\":100,\"of\":[{\"type\":\"t\",\"points\":40,\"atMost\":2},{\"type\":\"u\",\"points\":10,\"atMost\":1}]}");

        assertThat(bad.at()).isEqualTo("/requirements/0/evidence/points");
        assertThat(bad).hasMessage("100 points can never be reached: these papers give 90 at the most");
        assertThat(pointsRefused("{\"points\":100,\"of\":[{\"type\":\"t\",\"points\":40}]}"))
                .isNull();
    }
}
