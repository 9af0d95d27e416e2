package app.denfold.server.chasing.planned;

import app.denfold.server.Api;
import app.denfold.server.TestPractice;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.http.HttpMethod;

/** Sets up plans over the API, as an administrator does. */
public final class ChasingPractice {

    private final Api api;
    private final UUID words;

    public ChasingPractice(Api api) throws Exception {
        this.api = api;
        this.words = words(
                "Usual " + UUID.randomUUID(),
                "{paper} for {given name}",
                "please send us:\n\n{what is open}\n\n{link}");
        alwaysOpen(0);
    }

    /** Every day of the week and all day long. */
    void alwaysOpen(int mostAMonth) throws Exception {
        int changes = api.get("/api/sending-rules").at("$.changes");
        api.send(
                HttpMethod.PUT,
                "/api/sending-rules",
                Map.of(
                        "changes",
                        changes,
                        "rules",
                        Map.of(
                                "quietDays",
                                List.of(),
                                "holidays",
                                List.of(),
                                "opens",
                                "00:00:00",
                                "closes",
                                "23:59:59",
                                "mostAMonth",
                                mostAMonth)));
    }

    UUID words(String name, String subject, String text) throws Exception {
        return api.post(
                        "/api/notice-words",
                        Map.of(
                                "changes",
                                0,
                                "name",
                                name,
                                "texts",
                                Map.of("en", Map.of("subject", subject, "text", text))))
                .id("$.id");
    }

    public static Map<String, Object> who(String kind, Object... more) {
        Map<String, Object> who = new HashMap<>(Map.of("kind", kind));
        for (int i = 0; i < more.length; i += 2) {
            who.put((String) more[i], more[i + 1]);
        }
        return who;
    }

    public Map<String, Object> step(String occasion, int days, Map<String, Object> who) {
        return step(occasion, days, who, words);
    }

    static Map<String, Object> step(String occasion, int days, Map<String, Object> who, UUID words) {
        Map<String, Object> step =
                new HashMap<>(Map.of("occasion", occasion, "days", days, "every", 0, "times", 1, "who", who));
        if (!who.get("kind").equals("TASK")) {
            step.put("words", words);
        }
        return step;
    }

    /** A plan about some requirements of a checklist, as it is set up; it begins long ago. */
    @SafeVarargs
    public static Map<String, Object> plan(String checklist, List<String> requirements, Map<String, Object>... steps) {
        return new HashMap<>(Map.of(
                "name",
                "Plan " + UUID.randomUUID(),
                "scope",
                Map.of("kinds", List.of(), "checklist", checklist, "requirements", requirements, "types", List.of()),
                "steps",
                new ArrayList<>(List.of(steps)),
                "beginsOn",
                LocalDate.now().minusYears(1).toString(),
                "courtesy",
                false,
                "paused",
                false));
    }

    public UUID add(Map<String, Object> plan) throws Exception {
        return api.post("/api/notice-plans", plan).id("$.id");
    }

    /** An employee whose contract is missing for a hundred days. */
    UUID employee(String family, String address) throws Exception {
        return api.newEmployee(family, address);
    }

    static String newAddress() {
        return TestPractice.newAddress();
    }
}
