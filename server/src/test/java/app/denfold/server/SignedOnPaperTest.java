package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;

/** A paper that was signed with a pen counts as signed once somebody says to have seen it. */
@ServerTest
class SignedOnPaperTest {

    private static final LocalDate TODAY = LocalDate.now();

    @Autowired
    TestPractice practice;

    private static Map<String, Object> signed(String role, String signer, LocalDate on) {
        return Map.of("role", role, "signer", signer, "signedOn", on.toString());
    }

    private static Map<String, Object> details(UUID file, List<Map<String, Object>> signatures) {
        Map<String, Object> details = new HashMap<>(Api.details(file, "contract", TODAY.minusDays(4)));
        details.put("signedOnPaper", signatures);
        return details;
    }

    private static UUID drop(Api api) throws Exception {
        return api.upload("/api/arrivals", "contract.pdf", Papers.pdf("Contract " + UUID.randomUUID()), Map.of())
                .id("$.id");
    }

    private static Api.Answer file(Api api, UUID arrival, Map<String, Object> details) throws Exception {
        return api.post("/api/arrivals/{id}/filing", Map.of("version", 0, "details", details), arrival);
    }

    private static Api.Answer correct(Api api, UUID document, Map<String, Object> details) throws Exception {
        int changes = api.get("/api/documents/{id}", document).at("$.changes");
        return api.send(
                HttpMethod.PUT,
                "/api/documents/{id}/details",
                Map.of("changes", changes, "details", details),
                document);
    }

    @Test
    void whatWasSeenOnThePaperCountsAtOnceAndIsTold() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Penned", null);
        UUID arrival = drop(api);
        Map<String, Object> both = details(
                file,
                List.of(
                        signed("employee", "Tamsin Penned", TODAY.minusDays(4)),
                        signed("director", "Bram Oosterveld", TODAY.minusDays(3))));
        Api.Answer preview = api.post("/api/arrivals/{id}/preview", both, arrival);
        assertThat(preview.<String>at("$.name")).doesNotContain("unsigned");
        assertThat(preview.<String>at("$.slots[0].after.status")).isEqualTo("on-file");

        UUID document = file(api, arrival, both).id("$.documentId");
        assertThat(api.slot(file, "contract")).isEqualTo("on-file");
        Api.Answer shown = api.get("/api/documents/{id}", document);
        assertThat(shown.<List<Object>>at("$.unsignedBy")).isEmpty();
        assertThat(shown.<List<String>>at("$.signatures[*].signer"))
                .containsExactly("Tamsin Penned", "Bram Oosterveld");
        assertThat(shown.<List<String>>at("$.signatures[*].seenBy"))
                .containsExactly("Ottilie Brandmoor", "Ottilie Brandmoor");
        assertThat(api.get("/api/files/{id}/trail", file).<List<String>>at("$[?(@.action=='filed')].sentence"))
                .singleElement()
                .asString()
                .contains("saw on the paper that Tamsin Penned signed it as employee on");
        assertThat(api.post("/api/arrivals/undo-filing", Map.of("papers", List.of(arrival)))
                        .status())
                .as("nothing was built on it")
                .isEqualTo(204);
    }

    @Test
    void itIsSaidLaterAndTakenBackByDetailsWhichLeaveItAloneOtherwise() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Pennedlater", null);
        UUID document = api.fileNewPaper(file, "contract", TODAY.minusDays(4));
        assertThat(api.slot(file, "contract")).isEqualTo("awaiting-signature");

        Map<String, Object> one = details(file, List.of(signed("employee", "Tamsin Pennedlater", TODAY)));
        assertThat(correct(api, document, one).status()).isEqualTo(204);
        assertThat(api.get("/api/documents/{id}", document).<List<String>>at("$.unsignedBy[*].role"))
                .containsExactly("director");

        assertThat(correct(practice.administrator(), document, Api.details(file, "contract", TODAY.minusDays(5)))
                        .status())
                .isEqualTo(204);
        assertThat(api.get("/api/documents/{id}", document).<List<String>>at("$.signatures[*].signer"))
                .as("details that say nothing of signatures")
                .containsExactly("Tamsin Pennedlater");

        assertThat(correct(api, document, details(file, List.of())).status()).isEqualTo(204);
        assertThat(api.get("/api/documents/{id}", document).<List<Object>>at("$.signatures"))
                .isEmpty();
        assertThat(api.get("/api/files/{id}/trail", file).<List<String>>at("$[*].sentence"))
                .anyMatch(s -> s.endsWith("; no signature is on the paper"));
    }

    @Test
    void otherBytesMustBeSeenAnew() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Pennedanew", null);
        UUID document = file(
                        api,
                        drop(api),
                        details(
                                file,
                                List.of(
                                        signed("employee", "Tamsin Pennedanew", TODAY),
                                        signed("director", "Bram Oosterveld", TODAY))))
                .id("$.documentId");
        assertThat(api.renew(document, "other.pdf", Papers.pdf("Other bytes")).body())
                .isEmpty();
        assertThat(api.get("/api/documents/{id}", document).<List<String>>at("$.unsignedBy[*].role"))
                .containsExactly("employee", "director");
        assertThat(api.slot(file, "contract")).isEqualTo("awaiting-signature");
    }

    @Test
    void whatCannotBeIsRefusedAtItsPlace() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Pennedwrong", null);
        UUID arrival = drop(api);
        assertThat(file(api, arrival, details(file, List.of(signed("payer", "Somebody", TODAY))))
                        .<String>at("$.detail"))
                .isEqualTo("Contract asks for no signature by “payer”.");
        assertThat(file(
                                api,
                                arrival,
                                details(
                                        file,
                                        List.of(
                                                signed("employee", "Tamsin", TODAY),
                                                signed("employee", "Tamsin", TODAY))))
                        .<String>at("$.problems[0].field"))
                .isEqualTo("signedOnPaper.1.role");
        assertThat(file(api, arrival, details(file, List.of(signed("employee", "Tamsin", TODAY.plusDays(1)))))
                        .<String>at("$.problems[0].message"))
                .isEqualTo("The paper cannot have been signed after today.");
        assertThat(file(api, arrival, details(file, List.of(signed("employee", " ", TODAY))))
                        .<String>at("$.problems[0].message"))
                .isEqualTo("The signer in line 1 of the signatures is needed: who signed?");
    }
}
