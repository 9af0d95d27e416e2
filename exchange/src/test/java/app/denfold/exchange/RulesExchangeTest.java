package app.denfold.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.util.Set;
import org.junit.jupiter.api.Test;

/** Types and checklists as they are exchanged between practices. */
class RulesExchangeTest {

    private static final String RULES = """
            {"documentTypes": [{"code": "fit", "validity": {"rule": "period", "period": "P1Y"}}],
             "checklists": [{"code": "saddles", "requirements": [
               {"code": "fit", "evidence": {"anyOf": [{"type": "fit"}, {"type": "known"}]}}]}]}""";

    private static BadInput refusal(String json) {
        return catchThrowableOfType(BadInput.class, () -> RulesJson.rules(json, Set.of("known"), Sense.ANY));
    }

    @Test
    void checklistsMayNameTheTypesBesideThemAndTheKnownOnes() {
        RulesJson.Rules rules = RulesJson.rules(RULES, Set.of("known"), Sense.ANY);
        assertThat(rules.types()).containsOnlyKeys("fit");
        assertThat(rules.checklists()).containsOnlyKeys("saddles");
        assertThat(rules.types().get("fit")).contains("P1Y");
    }

    @Test
    void eitherPartMayBeLeftOut() {
        assertThat(RulesJson.rules("{}", Set.of(), Sense.ANY).types()).isEmpty();
        assertThat(RulesJson.rules("{\"checklists\": []}", Set.of(), Sense.ANY).checklists())
                .isEmpty();
    }

    @Test
    void whatIsWrongIsToldAtItsPlace() {
        assertThat(refusal(RULES.replace("known", "unknown")).at())
                .isEqualTo("/checklists/0/requirements/0/evidence/anyOf/1/type");
        assertThat(refusal(RULES.replace("P1Y", "P0Y")).at()).isEqualTo("/documentTypes/0/validity/period");
        assertThat(refusal("{\"types\": []}").at()).isEqualTo("/types");
        assertThat(refusal("[1, 2").at()).isEmpty();
        assertThat(refusal(RULES.replace("\"code\": \"saddles\"", "\"code\": \"\""))
                        .at())
                .isEqualTo("/checklists/0/code");
    }
}
