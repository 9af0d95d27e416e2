package app.denfold.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.Papers;
import app.denfold.server.Patience;
import com.jayway.jsonpath.JsonPath;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.json.JsonMapper;

/**
 * The time-stamp service is away, and the server is killed between signature and seal, again and again: no signature that
 * was acknowledged is lost, and in the end each paper is sealed once.
 */
class SealIsKeptTest {

    private static final JsonMapper JSON = new JsonMapper();
    private static final int KILLS = Integer.getInteger("denfold.seal-kills", 2);

    /** Nobody listens there. */
    private static final String AWAY = "http://127.0.0.1:9/stamp";

    @TempDir
    Path folder;

    @Test
    void whatWasSignedIsSealedOnceHoweverOftenTheServerIsKilled() throws Exception {
        assertThat(folder.toFile().setExecutable(true, false)).isTrue();
        try (ServerProcess server =
                new ServerProcess(folder).withoutRecognition().stampedBy(AWAY)) {
            server.start();
            List<String> signed = new ArrayList<>();
            for (int kills = 0; kills < KILLS; kills++) {
                signed.add(signed(HttpSession.signIn(server.address(), "ottilie@oakhollin.example")));
                assertThat(sealed(server))
                        .as("signed, and not sealed without the time")
                        .doesNotContain(signed.get(signed.size() - 1));
                server.kill();
                if (signed.size() % 2 == 0) {
                    // the service is back for as long as this server lives
                    server.stampedBy("").start();
                    server.kill();
                    kills++;
                }
                server.stampedBy(AWAY).start();
            }
            server.kill();
            server.stampedBy("").start();
            Patience.await().until(() -> sealed(server).containsAll(signed));
            for (String document : signed) {
                List<List<String>> rows =
                        server.rows("select count(*), count(*) filter (where v.cause like 'signed and sealed%')"
                                + " from document_version v where v.document_id = '" + document + "'");
                assertThat(rows.get(0)).as("the paper and one sealed copy").containsExactly("2", "1");
                assertThat(server.rows("select role from document_signature where document_id = '" + document + "'"))
                        .containsExactly(List.of("employee"));
            }
        }
    }

    private static List<String> sealed(ServerProcess server) throws Exception {
        return server.rows("select document_id::text from signature_paper where sealed and not waits").stream()
                .map(row -> row.get(0))
                .toList();
    }

    /** @return a paper that was signed, as was answered */
    private static String signed(HttpSession session) throws Exception {
        String family = "Sealed" + UUID.randomUUID();
        Map<String, Object> person = Map.of(
                "kind",
                "employee",
                "givenName",
                "Tamsin",
                "familyName",
                family,
                "team",
                "Stables",
                "birthDate",
                "1994-03-09",
                "activeFrom",
                LocalDate.now().minusDays(9).toString(),
                "facts",
                Map.of());
        String file = post(session, "/api/files", Map.of("person", person, "evenIfLike", true), "$.id");
        String upload = session.sent("contract.pdf", Papers.pdf("Contract of " + family));
        String arrival = post(session, "/api/arrivals/sent", Map.of("upload", upload), "$.id");
        Map<String, Object> details = Map.of(
                "fileId",
                file,
                "type",
                "contract",
                "documentDate",
                LocalDate.now().toString());
        String document = post(
                session,
                "/api/arrivals/" + arrival + "/filing",
                Map.of("version", 0, "details", details),
                "$.documentId");
        String name = "Tamsin " + family;
        String signing = post(
                session,
                "/api/documents/" + document + "/desk-signings",
                Map.of("version", 1, "signers", List.of(Map.of("role", "employee", "signer", name))),
                "$.id");
        String state = post(
                session,
                "/api/desk-signings/" + signing + "/signatures",
                Map.of("role", "employee", "signature", Map.of("typed", name)),
                "$.state");
        assertThat(state).isEqualTo("COMPLETE");
        return document;
    }

    private static String post(HttpSession session, String path, Object body, String answer) throws Exception {
        return JsonPath.read(session.post(path, JSON.writeValueAsString(body)).body(), answer);
    }
}
