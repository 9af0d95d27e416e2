package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;

/** How the practice counts and writes days is its own to set. */
@ServerTest
class PracticeDaysTest {

    private static final Map<String, Object> AS_FOUNDED =
            Map.of("zone", "Europe/Vienna", "dayOrder", "DAY_FIRST", "weekStart", 1);

    @Autowired
    TestPractice practice;

    @AfterEach
    void asFounded() throws Exception {
        keep(practice.administrator(), AS_FOUNDED);
    }

    private static Api.Answer keep(Api api, Map<String, Object> days) throws Exception {
        return api.send(HttpMethod.PUT, "/api/set-up/practice/days", days);
    }

    @Test
    void everybodyIsToldAndTheTrailKeepsIt() throws Exception {
        Api api = practice.administrator();
        assertThat(keep(api, Map.of("zone", "Europe/Lisbon", "dayOrder", "MONTH_FIRST", "weekStart", 7))
                        .status())
                .isEqualTo(204);
        Api.Answer told = practice.colleague(null, false, false).get("/api/practice");
        assertThat(told.<String>at("$.zone")).isEqualTo("Europe/Lisbon");
        assertThat(told.<String>at("$.dayOrder")).isEqualTo("MONTH_FIRST");
        assertThat(told.<Integer>at("$.weekStart")).isEqualTo(7);
    }

    @Test
    void whatIsNoZoneOrDayIsRefusedAndOnlyAdministratorsSetIt() throws Exception {
        Api api = practice.administrator();
        assertThat(keep(api, Map.of("zone", "Oakhollin", "dayOrder", "DAY_FIRST", "weekStart", 1))
                        .<String>at("$.problems[0].field"))
                .isEqualTo("zone");
        assertThat(keep(api, Map.of("zone", "Europe/Vienna", "dayOrder", "DAY_FIRST", "weekStart", 8))
                        .<String>at("$.problems[0].field"))
                .isEqualTo("weekStart");
        assertThat(keep(practice.colleague(null, true, true), AS_FOUNDED).status())
                .isEqualTo(403);
    }
}
