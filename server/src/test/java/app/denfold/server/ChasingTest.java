package app.denfold.server;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import java.net.ServerSocket;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mail.javamail.JavaMailSenderImpl;

@ServerTest
class ChasingTest {

    @Autowired
    TestPractice practice;

    @Autowired
    JavaMailSenderImpl mail;

    private static String awaitState(Api api, UUID file) {
        return await().until(
                        () -> {
                            List<String> states =
                                    api.get("/api/files/{id}/notices", file).at("$[*].state");
                            return states.isEmpty() ? "QUEUED" : states.get(0);
                        },
                        state -> !state.equals("QUEUED") && !state.equals("SENDING"));
    }

    @Test
    void oneMailTellsAllThatIsMissingAndASecondOneWarns() throws Exception {
        Api api = practice.administrator();
        String address = TestPractice.newAddress();
        UUID file = api.newEmployee("Chased", address);
        assertThat(api.post("/api/files/{id}/chase", Map.of("again", false), file)
                        .status())
                .isEqualTo(202);
        assertThat(awaitState(api, file)).isEqualTo("SENT");
        assertThat(TestMail.to(address))
                .singleElement()
                .asString()
                .contains("- Contract: missing", "- Handbook receipt");
        Api.Answer second = api.post("/api/files/{id}/chase", Map.of("again", false), file);
        assertThat(second.status()).isEqualTo(409);
        assertThat(second.<String>at("$.code")).isEqualTo("chased-today");
        assertThat(api.get("/api/files/{id}/chase", file).<String>at("$.chasedToday"))
                .contains("Ottilie Brandmoor");
        assertThat(api.post("/api/files/{id}/chase", Map.of("again", true), file)
                        .status())
                .isEqualTo(202);
    }

    @Test
    void aMailThatCouldNotBeSentSaysWhyAndIsSentAgainOnRequest() throws Exception {
        Api api = practice.administrator();
        String address = TestPractice.newAddress();
        UUID file = api.newEmployee("Unreachable", address);
        int port = mail.getPort();
        try (ServerSocket nobody = new ServerSocket(0)) {
            mail.setPort(nobody.getLocalPort());
            nobody.close();
            api.post("/api/files/{id}/chase", Map.of("again", false), file);
            assertThat(awaitState(api, file)).isEqualTo("FAILED");
        } finally {
            mail.setPort(port);
        }
        Api.Answer notices = api.get("/api/files/{id}/notices", file);
        assertThat(notices.<String>at("$[0].result")).isNotBlank();
        assertThat(TestMail.to(address)).isEmpty();
        assertThat(api.get("/api/files/{id}/trail", file).<List<String>>at("$[*].action"))
                .contains("notice-failed");

        assertThat(practice.colleague(null, true, false)
                        .post("/api/notices/{id}/retry", null, notices.id("$[0].id"))
                        .status())
                .as("who may only look sends nothing")
                .isEqualTo(403);
        api.post("/api/notices/{id}/retry", null, notices.id("$[0].id"));
        assertThat(awaitState(api, file)).isEqualTo("SENT");
        assertThat(TestMail.to(address)).hasSize(1);
        assertThat(api.post("/api/notices/{id}/retry", null, notices.id("$[0].id"))
                        .status())
                .as("what was sent is not sent twice")
                .isEqualTo(409);
    }

    @Test
    void withoutAddressOrWithoutNeedNothingIsSent() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Silent", null);
        assertThat(api.post("/api/files/{id}/chase", Map.of("again", false), file)
                        .<String>at("$.detail"))
                .contains("no mail address");
    }
}
