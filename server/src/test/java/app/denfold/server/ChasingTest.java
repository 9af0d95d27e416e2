package app.denfold.server;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import jakarta.mail.MessagingException;
import jakarta.mail.internet.MimeMessage;
import java.net.ServerSocket;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mail.javamail.JavaMailSenderImpl;

@ServerTest
class ChasingTest {

    @Autowired
    TestPractice practice;

    @Autowired
    JavaMailSenderImpl mail;

    @Autowired
    JdbcClient jdbc;

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

    @Test
    void aboutAChildTheGuardianIsWrittenToAndWhereNobodyFitsSomebodyIsChosen() throws Exception {
        Api api = practice.administrator();
        Map<String, Object> child = new HashMap<>(
                Map.of("kind", "student", "givenName", "Edie", "familyName", "Chasedchild", "facts", Map.of()));
        child.put("birthDate", LocalDate.now().minusYears(11).toString());
        child.put("activeFrom", LocalDate.now().minusDays(100).toString());
        child.put("email", TestPractice.newAddress());
        UUID file = api.post("/api/files", Map.of("person", child, "evenIfLike", true))
                .id("$.id");
        Api.Answer nobody = api.post("/api/files/{id}/chase", Map.of("again", false), file);
        assertThat(nobody.<String>at("$.problems[0].field")).isEqualTo("recipient");
        assertThat(nobody.<String>at("$.detail")).contains("Edie Chasedchild is a child");

        String address = TestPractice.newAddress();
        api.post(
                "/api/files/{id}/relations",
                Map.of("kind", "GUARDIAN", "newOutsider", Map.of("name", "Ruth Chasedchild", "email", address)),
                file);
        Api.Answer preview = api.get("/api/files/{id}/chase", file);
        assertThat(preview.<String>at("$.recipient")).isEqualTo(address);
        assertThat(preview.<String>at("$.body"))
                .startsWith("Dear Ruth Chasedchild,")
                .contains("for the file of Edie Chasedchild, ");
        assertThat(preview.<List<Boolean>>at("$.addressees[*].fits")).containsExactly(true, false);
        assertThat(api.post("/api/files/{id}/chase", Map.of("again", false, "to", "stranger@post.example"), file)
                        .status())
                .isEqualTo(422);
        assertThat(api.post("/api/files/{id}/chase", Map.of("again", false), file)
                        .status())
                .isEqualTo(202);
        assertThat(awaitState(api, file)).isEqualTo("SENT");
        assertThat(TestMail.to(address)).hasSize(1);
        assertThat(TestMail.to((String) child.get("email"))).isEmpty();

        Api.Answer signers = api.get("/api/files/{id}/signers?role=payer&role=yard&role=physician", file);
        assertThat(signers.<List<String>>at("$[?(@.role=='payer')].name")).containsExactly("Ruth Chasedchild");
        assertThat(signers.<List<String>>at("$[?(@.role!='payer')].name")).isEmpty();
    }

    @Test
    void manyMailsAtOnceEachComeOnceAndOneWrongAddressHoldsUpNoneOfThem() throws Exception {
        Api api = practice.administrator();
        List<UUID> files = new ArrayList<>();
        List<String> addresses = new ArrayList<>();
        for (int i = 0; i < 45; i++) {
            addresses.add(i == 20 ? "no address" : TestPractice.newAddress());
            files.add(api.newEmployee("Among" + i, i == 20 ? TestPractice.newAddress() : addresses.get(i)));
        }
        // what was written as an address before addresses were looked at
        jdbc.sql("update person_file set email = 'nobody@@nowhere' where id = ?")
                .param(files.get(20))
                .update();
        for (UUID file : files) {
            api.post("/api/files/{id}/chase", Map.of("again", false), file);
        }
        for (int i = 0; i < files.size(); i++) {
            assertThat(awaitState(api, files.get(i))).isEqualTo(i == 20 ? "FAILED" : "SENT");
            assertThat(TestMail.to(addresses.get(i))).hasSize(i == 20 ? 0 : 1);
        }
    }

    @Test
    void whatAProcessThatIsGoneHadClaimedIsSentOnceMore() throws Exception {
        Api api = practice.administrator();
        String address = TestPractice.newAddress();
        UUID file = api.newEmployee("Claimed", address);
        api.post("/api/files/{id}/chase", Map.of("again", false), file);
        assertThat(awaitState(api, file)).isEqualTo("SENT");
        jdbc.sql("update notice set state = 'SENDING', claimed_at = now() - interval '3 minutes' where file_id = ?")
                .param(file)
                .update();
        assertThat(awaitState(api, file)).isEqualTo("SENT");
        assertThat(TestMail.messagesTo(address).stream()
                        .map(ChasingTest::number)
                        .distinct())
                .as("under the same number, by which a mail server knows it")
                .hasSize(1);
        assertThat(TestMail.to(address)).hasSize(2);
    }

    private static String number(MimeMessage message) {
        try {
            return message.getMessageID();
        } catch (MessagingException unreadable) {
            throw new IllegalStateException(unreadable);
        }
    }
}
