package app.denfold.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class EvaluateTest {

    /** The scenario of the rules page, section 8. */
    private static final String SCENARIO = """
            {"documentTypes": [
               {"code": "first-aid", "validity": {"rule": "period", "anchor": "documentDate", "period": "P2Y", "roundTo": "endOfMonth"}},
               {"code": "licence",   "validity": {"rule": "stated"}},
               {"code": "waiver",    "validity": {"rule": "seasonEnd", "monthDay": "--08-31"}},
               {"code": "guardian",  "validity": {"rule": "untilAge", "age": 18}},
               {"code": "contract",  "validity": {"rule": "open"}}],
             "checklists": [
               {"code": "staff", "inForce": {"from": "2026-01-01", "to": null},
                "appliesWhen": {"fact": "kind", "is": "employee"},
                "requirements": [
                  {"code": "first-aid", "evidence": {"type": "first-aid"}, "due": {"from": "start", "days": 14},
                   "leadDays": 45, "graceDays": 7, "needsReview": true, "level": "blocking"},
                  {"code": "contract", "evidence": {"type": "contract"}, "signedBy": ["employee", "manager"],
                   "leadDays": 0, "graceDays": 0, "needsReview": false, "level": "blocking"}]}],
             "person": {
               "kind": "employee", "birthDate": "1990-02-28",
               "active": [{"from": "2026-02-01", "to": null}],
               "facts": [{"name": "role", "value": "instructor", "from": "2026-02-01", "to": null}],
               "waivers": [{"checklist": "staff", "requirement": "contract", "from": "2026-02-01", "to": "2026-02-10", "recordedOn": "2026-02-01"}],
               "documents": [
                 {"id": "d1", "type": "first-aid", "documentDate": "2024-11-05", "effectiveDate": null, "statedExpiry": null,
                  "receivedOn": "2026-02-03", "acceptedOn": "2026-02-04", "sentBackOn": null, "voidedOn": null, "signatures": []},
                 {"id": "d2", "type": "contract", "documentDate": "2026-02-01", "effectiveDate": null, "statedExpiry": null,
                  "receivedOn": "2026-02-01", "acceptedOn": null, "sentBackOn": null, "voidedOn": null,
                  "signatures": [{"role": "employee", "on": "2026-02-11"}]}]},
             "ask": {"on": "2026-11-25", "knownOn": "2026-11-25"}}
            """;

    @Test
    void thePrintedScenarioGetsThePrintedAnswer() {
        assertThat(Evaluate.answerTo(SCENARIO))
                .isEqualTo("{\"on\":\"2026-11-25\",\"knownOn\":\"2026-11-25\",\"requirements\":["
                        + "{\"checklist\":\"staff\",\"requirement\":\"first-aid\",\"status\":\"expiring\","
                        + "\"coveredThrough\":\"2026-11-30\",\"due\":\"2026-02-15\",\"renewal\":\"none\","
                        + "\"nextChange\":{\"on\":\"2026-12-01\",\"status\":\"in-grace\"},\"counted\":[\"d1\"]},"
                        + "{\"checklist\":\"staff\",\"requirement\":\"contract\",\"status\":\"awaiting-signature\","
                        + "\"coveredThrough\":null,\"due\":null,\"renewal\":\"none\",\"nextChange\":null,\"counted\":[]}],"
                        + "\"clear\":false,\"clearThrough\":null,"
                        + "\"blocking\":{\"met\":1,\"of\":2},\"advisory\":{\"met\":0,\"of\":0}}");
    }

    @Test
    void aBareScenarioIsClearForEver() {
        assertThat(Evaluate.answerTo("{\"person\":{\"kind\":\"x\"},\"ask\":{\"on\":\"2026-01-01\"}}"))
                .contains("\"clear\":true,\"clearThrough\":\"never-ends\"");
    }

    @Test
    void everyRefusalNamesItsPlace() {
        refuses(
                SCENARIO.replace("\"documentDate\": \"2024-11-05\"", "\"documentDate\": \"2024-02-30\""),
                "/person/documents/0/documentDate",
                "no day 2024-02-30");
        refuses(SCENARIO.replace("\"id\": \"d2\"", "\"id\": \"d1\""), "/person/documents/1/id", "already one");
        refuses(SCENARIO.replace("P2Y", "P0Y"), "/documentTypes/0/validity/period", "longer than nothing");
        refuses(
                SCENARIO.replace("{\"type\": \"contract\"}", "{\"type\": \"oath\"}"),
                "/checklists/0/requirements/1/evidence/type",
                "oath");
        refuses(
                SCENARIO.replace("{\"type\": \"contract\"}", "{\"anyOf\": []}"),
                "/checklists/0/requirements/1/evidence/anyOf",
                "empty");
        refuses(
                SCENARIO.replace("\"leadDays\": 45", "\"leadDays\": -1"),
                "/checklists/0/requirements/0/leadDays",
                "0 to 100000");
        refuses(SCENARIO.replace("\"knownOn\"", "\"knowOn\""), "/ask/knowOn", "Unknown key");
        refuses(
                SCENARIO.replace("\"to\": \"2026-02-10\"", "\"to\": \"2026-01-10\""),
                "/person/waivers/0",
                "cannot end on 2026-01-10");
        refuses(
                SCENARIO.replace("\"active\": [", "\"active\": [{\"from\": \"2027-01-01\"},"),
                "/person/active/1",
                "overlap");
        refuses(
                SCENARIO.replace("{\"fact\": \"kind\", \"is\": \"employee\"}", "{\"fact\": \"kind\"}"),
                "/checklists/0/appliesWhen",
                "exactly one");
        refuses(
                SCENARIO.replace("\"requirement\": \"contract\", \"from\"", "\"requirement\": \"oath\", \"from\""),
                "/person/waivers/0/requirement",
                "oath");
        refuses("{\"person\":", "", "not JSON");
        refuses("[]", "", "object");
    }

    private static void refuses(String scenario, String at, String words) {
        assertThat(Evaluate.answerTo(scenario))
                .startsWith("{\"error\":\"")
                .contains(words)
                .endsWith("\"at\":\"" + at + "\"}");
    }
}
