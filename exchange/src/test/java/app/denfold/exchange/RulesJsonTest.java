package app.denfold.exchange;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import app.denfold.core.rules.Checklist;
import app.denfold.core.rules.Condition;
import app.denfold.core.rules.Due;
import app.denfold.core.rules.Evidence;
import app.denfold.core.rules.FactValue;
import app.denfold.core.rules.Requirement;
import app.denfold.core.rules.Validity;
import java.math.BigDecimal;
import java.time.MonthDay;
import java.time.Period;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;

class RulesJsonTest {

    private static Requirement requirement(String parts) {
        String json = "{\"code\":\"l\",\"requirements\":[{\"code\":\"r\",\"evidence\":{\"type\":\"t\"}" + parts + "}]}";
        return RulesJson.checklist(json, Set.of("t", "u")).requirements().get(0);
    }

    private static Evidence evidence(String json) {
        String list = "{\"code\":\"l\",\"requirements\":[{\"code\":\"r\",\"evidence\":" + json + "}]}";
        return RulesJson.checklist(list, Set.of("t", "u")).requirements().get(0).evidence();
    }

    private static BadInput refusal(Runnable reading) {
        return catchThrowableOfType(BadInput.class, reading::run);
    }

    @Test
    void everyValidityRuleIsRead() {
        assertThat(RulesJson.validity("{\"rule\":\"open\"}")).isEqualTo(new Validity.Open());
        assertThat(RulesJson.validity("{\"rule\":\"stated\"}")).isEqualTo(new Validity.Stated());
        assertThat(RulesJson.validity("{\"rule\":\"period\",\"period\":\"P6M\"}"))
                .isEqualTo(new Validity.ForPeriod(Validity.Anchor.DOCUMENT_DATE, Period.ofMonths(6), false));
        assertThat(
                        RulesJson.validity(
                                "{\"rule\":\"period\",\"anchor\":\"receivedDate\",\"period\":\"P1Y\",\"roundTo\":\"endOfMonth\"}"))
                .isEqualTo(new Validity.ForPeriod(Validity.Anchor.RECEIVED_DATE, Period.ofYears(1), true));
        assertThat(RulesJson.validity("{\"rule\":\"seasonEnd\",\"monthDay\":\"--08-31\"}"))
                .isEqualTo(new Validity.SeasonEnd(MonthDay.of(8, 31)));
        assertThat(RulesJson.validity("{\"rule\":\"untilAge\",\"age\":18}")).isEqualTo(new Validity.UntilAge(18));
    }

    @Test
    void aRuleWithAForeignKeyOrValueIsRefusedAtItsPlace() {
        assertThat(refusal(() -> RulesJson.validity("{\"rule\":\"open\",\"age\":18}"))
                        .at())
                .isEqualTo("/age");
        assertThat(refusal(() -> RulesJson.validity("{\"rule\":\"weekly\"}")).at())
                .isEqualTo("/rule");
        assertThat(refusal(() -> RulesJson.validity("{\"rule\":\"period\",\"period\":\"a year\"}"))
                        .at())
                .isEqualTo("/period");
        assertThat(refusal(() -> RulesJson.validity("{\"rule\":\"seasonEnd\",\"monthDay\":\"--02-30\"}"))
                        .at())
                .isEqualTo("/monthDay");
        assertThat(refusal(() -> RulesJson.validity("{\"rule\":\"untilAge\",\"age\":1.5}"))
                        .at())
                .isEqualTo("/age");
        assertThat(refusal(() -> RulesJson.validity("{\"rule\":\"open\",\"rule\":\"stated\"}"))
                        .getMessage())
                .contains("not JSON");
        assertThat(refusal(() -> RulesJson.validity("{\"rule\":\"open\"} more")).getMessage())
                .contains("not JSON");
    }

    @Test
    void defaultsAreTheGentleOnes() {
        Requirement plain = requirement("");
        assertThat(plain.leadDays()).isZero();
        assertThat(plain.graceDays()).isZero();
        assertThat(plain.needsReview()).isFalse();
        assertThat(plain.level()).isEqualTo(Requirement.Level.BLOCKING);
        assertThat(plain.signedBy()).isEmpty();
        assertThat(plain.due()).isNull();
        assertThat(plain.appliesWhen()).isEqualTo(Condition.always());
        Checklist list = RulesJson.checklist("{\"code\":\"l\"}", Set.of());
        assertThat(list.requirements()).isEmpty();
        assertThat(list.inForce().firstDay()).isEmpty();
    }

    @Test
    void dueRulesAreRead() {
        assertThat(requirement(",\"due\":{\"from\":\"start\",\"days\":14}").due())
                .isEqualTo(new Due.FromStart(14));
        assertThat(requirement(",\"due\":{\"from\":\"applies\",\"days\":-1}").due())
                .isEqualTo(new Due.FromApplies(-1));
        assertThat(requirement(",\"due\":{\"from\":\"fact\",\"name\":\"visit\",\"days\":0}")
                        .due())
                .isEqualTo(new Due.FromFact("visit", 0));
        assertThat(refusal(() -> requirement(",\"due\":{\"from\":\"moon\",\"days\":1}"))
                        .at())
                .isEqualTo("/requirements/0/due/from");
        assertThat(refusal(() -> requirement(",\"due\":{\"from\":\"start\",\"name\":\"x\",\"days\":1}"))
                        .at())
                .isEqualTo("/requirements/0/due/name");
        assertThat(refusal(() -> requirement(",\"due\":{\"from\":\"fact\",\"days\":1}"))
                        .at())
                .isEqualTo("/requirements/0/due/name");
    }

    @Test
    void conditionsNestAndNameTheirPlace() {
        Condition read = requirement(
                        ",\"appliesWhen\":{\"all\":[{\"fact\":\"role\",\"in\":[\"a\",2,true]},{\"not\":{\"any\":[{\"ageUnder\":18}]}}]}")
                .appliesWhen();
        assertThat(read)
                .isEqualTo(new Condition.All(List.of(
                        new Condition.In(
                                "role",
                                List.of(
                                        FactValue.text("a"),
                                        new FactValue.Number(new BigDecimal(2)),
                                        new FactValue.YesNo(true))),
                        new Condition.Not(new Condition.Any(List.of(new Condition.AgeUnder(18)))))));
        assertThat(refusal(() -> requirement(",\"appliesWhen\":{\"all\":[{},{\"ageUnder\":18}]}"))
                        .at())
                .isEqualTo("/requirements/0/appliesWhen/all/0");
        assertThat(refusal(() -> requirement(",\"appliesWhen\":{\"not\":null}")).at())
                .isEqualTo("/requirements/0/appliesWhen/not");
        assertThat(refusal(() -> requirement(",\"appliesWhen\":{\"fact\":\"role\",\"is\":{\"x\":1}}"))
                        .at())
                .isEqualTo("/requirements/0/appliesWhen/is");
        assertThat(refusal(() -> requirement(",\"appliesWhen\":{\"ageUnder\":18,\"ageAtLeast\":3}"))
                        .at())
                .isEqualTo("/requirements/0/appliesWhen/ageAtLeast");
    }

    @Test
    void evidenceIsReadWithItsLimits() {
        assertThat(
                        evidence(
                                "{\"type\":\"t\",\"count\":2,\"within\":\"P3M\",\"notBefore\":{\"from\":\"start\",\"days\":-92}}"))
                .isEqualTo(new Evidence.OfType(new Evidence.Leaf("t", Period.ofMonths(3), -92), 2));
        assertThat(evidence("{\"anyOf\":[{\"type\":\"t\"},{\"allOf\":[{\"type\":\"u\"}]}]}"))
                .isEqualTo(new Evidence.AnyOf(
                        List.of(Evidence.ofType("t"), new Evidence.AllOf(List.of(Evidence.ofType("u"))))));
        assertThat(
                        evidence(
                                "{\"points\":100,\"of\":[{\"type\":\"t\",\"points\":70,\"atMost\":1},{\"type\":\"u\",\"points\":40}]}"))
                .isEqualTo(new Evidence.Points(
                        100,
                        List.of(
                                new Evidence.Points.Entry(Evidence.Leaf.of("t"), 70, 1),
                                new Evidence.Points.Entry(Evidence.Leaf.of("u"), 40, null))));
    }

    @Test
    void evidenceThatCannotBeIsRefused() {
        String at = "/requirements/0/evidence";
        assertThat(refusal(() -> evidence("{\"points\":100,\"of\":[]}")).at()).isEqualTo(at + "/of");
        assertThat(refusal(() -> evidence("{\"type\":\"t\",\"count\":0}")).at()).isEqualTo(at + "/count");
        assertThat(refusal(() -> evidence("{\"type\":\"t\",\"within\":\"P0D\"}"))
                        .at())
                .isEqualTo(at + "/within");
        assertThat(refusal(() -> evidence("{\"type\":\"t\",\"notBefore\":{\"from\":\"birth\",\"days\":1}}"))
                        .at())
                .isEqualTo(at + "/notBefore/from");
        assertThat(refusal(() -> evidence("{\"type\":\"t\",\"anyOf\":[{\"type\":\"u\"}]}"))
                        .at())
                .isEqualTo(at + "/type");
        assertThat(refusal(() -> evidence("{}")).at()).isEqualTo(at);
        assertThat(refusal(() -> evidence("null")).at()).isEqualTo(at);
    }

    @Test
    void twoRequirementsOfOneNameAreRefused() {
        String twice = "{\"code\":\"r\",\"evidence\":{\"type\":\"t\"}}";
        String json = "{\"code\":\"l\",\"requirements\":[" + twice + "," + twice + "]}";
        assertThat(refusal(() -> RulesJson.checklist(json, Set.of("t"))).at()).isEqualTo("/requirements/1/code");
    }
}
