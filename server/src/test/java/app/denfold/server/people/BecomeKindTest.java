package app.denfold.server.people;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Api;
import app.denfold.server.ServerTest;
import app.denfold.server.TestPractice;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;

/** Whoever applied, or came otherwise, is one of another kind from a day on. */
@ServerTest
class BecomeKindTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    private static Api.Answer become(Api api, UUID file, int version, String kind, LocalDate from) throws Exception {
        return api.post("/api/files/{id}/kind", Map.of("version", version, "kind", kind, "startsOn", from), file);
    }

    private static Api.Answer give(Api api, UUID file, Map<String, String> facts) throws Exception {
        Api.Answer now = api.get("/api/files/{id}", file);
        Map<String, Object> person = new HashMap<>(Map.of(
                "kind",
                now.<String>at("$.kind"),
                "givenName",
                now.<String>at("$.givenName"),
                "familyName",
                now.<String>at("$.familyName"),
                "facts",
                facts));
        Map<String, Object> body = Map.of("version", now.<Integer>at("$.version"), "person", person);
        return api.send(HttpMethod.PUT, "/api/files/{id}", body, file);
    }

    @Test
    void aFileBecomesAnEmployeesWithAllItsPapersAndIsFoundByBothNumbers() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newFile("client", "Becomeson", null, "Stables");
        UUID paper = api.fileNewPaper(file, "letter", TODAY.minusDays(4));
        assertThat(give(api, file, Map.of("horse", "Bramble")).status()).isEqualTo(200);
        Api.Answer before = api.get("/api/files/{id}", file);
        String old = before.at("$.number");
        UUID groom = api.newEmployee("Namesboss", null);
        assertThat(give(api, groom, Map.of("supervisor", old)).status()).isEqualTo(200);
        int version = before.at("$.version");

        assertThat(become(api, file, version, "client", TODAY).status()).isEqualTo(422);
        assertThat(become(api, file, version, "nosuch", TODAY).status()).isGreaterThanOrEqualTo(400);
        assertThat(become(api, file, version, "employee", TODAY.plusYears(9)).status())
                .isEqualTo(422);
        assertThat(become(practice.colleague(null, true, false), file, version, "employee", TODAY)
                        .status())
                .isEqualTo(403);
        assertThat(become(practice.colleague("Therapy", true, true), file, version, "employee", TODAY)
                        .status())
                .as("of another team")
                .isEqualTo(404);
        assertThat(become(api, file, version - 1, "employee", TODAY).<String>at("$.code"))
                .isEqualTo("changed-meanwhile");
        Api.Answer now = become(api, file, version, "employee", TODAY);
        assertThat(now.status()).as(now.body()).isEqualTo(200);
        String number = now.at("$.number");
        assertThat(number).startsWith("E-");
        assertThat(now.<String>at("$.kindLabel")).isEqualTo("Employee");
        assertThat(now.body()).doesNotContain("Bramble");
        for (String known : List.of(old, number)) {
            assertThat(api.get("/api/files/found?text={t}", known).<List<String>>at("$[*].id"))
                    .as(known)
                    .contains(file.toString());
        }
        assertThat(api.get("/api/files/{id}", groom).<String>at("$.facts.supervisor"))
                .isEqualTo(number);
        assertThat(api.get("/api/files/{id}/papers", file).<List<String>>at("$[*].id"))
                .containsExactly(paper.toString());
        await().untilAsserted(() -> assertThat(api.slot(file, "handbook")).isEqualTo("not-yet-due"));
        assertThat(api.get("/api/files/{id}/trail", file).body()).contains("Client " + old + ", Employee " + number);
    }
}
