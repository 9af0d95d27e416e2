package app.denfold.server.signing.sealing;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Api;
import app.denfold.server.ServerTest;
import app.denfold.server.TestPractice;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.test.web.servlet.MockMvc;

/** Sealed copies that have grown old. */
@ServerTest
class RenewSealsJobTest {

    @Autowired
    TestPractice practice;

    @Autowired
    RenewSealsJob job;

    @Autowired
    JdbcClient sql;

    @Autowired
    MockMvc mvc;

    @Test
    void anOldCopyIsSealedForLongerOnceAndStaysKnown() throws Exception {
        Api api = practice.administrator();
        UUID paper = api.fileNewPaper(
                api.newEmployee("Renewed", null), "contract", LocalDate.now().minusDays(2));
        UUID signing = api.post(
                        "/api/documents/{id}/desk-signings",
                        Map.of(
                                "version",
                                1,
                                "signers",
                                List.of(Map.of("role", "employee", "signer", "Tamsin Renewed"))),
                        paper)
                .id("$.id");
        api.post(
                "/api/desk-signings/{id}/signatures",
                Map.of("role", "employee", "signature", Map.of("typed", "Tamsin Renewed")),
                signing);
        byte[] first = api.get("/api/documents/{id}/versions/2/content", paper).bytes();
        job.renew();
        assertThat(versions(api, paper)).as("still young").isEqualTo(2);
        sql.sql("update document_version set made_at = made_at - interval '1000 days' where document_id = ?")
                .param(paper)
                .update();
        sql.sql("update signature_request set ended_at = ended_at - interval '1000 days' where id = ?")
                .param(signing)
                .update();
        job.renew();
        job.renew();
        assertThat(versions(api, paper)).isEqualTo(3);
        byte[] renewed =
                api.get("/api/documents/{id}/versions/3/content", paper).bytes();
        Api.Answer check = Api.nobody(mvc).upload("/api/copies/check", "copy.pdf", renewed, Map.of());
        assertThat(check.<String>at("$.verdict")).isEqualTo("UNCHANGED");
        assertThat(check.<List<String>>at("$.signedBy[*].name")).containsExactly("Tamsin Renewed");
        assertThat(Api.nobody(mvc)
                        .upload("/api/copies/check", "copy.pdf", first, Map.of())
                        .<String>at("$.verdict"))
                .isEqualTo("UNCHANGED");
        assertThat(api.get("/api/documents/{id}", paper).<List<Object>>at("$.signatures"))
                .as("signed as before")
                .hasSize(1);
    }

    private static int versions(Api api, UUID paper) throws Exception {
        return api.get("/api/documents/{id}", paper)
                .<List<Object>>at("$.versions")
                .size();
    }
}
