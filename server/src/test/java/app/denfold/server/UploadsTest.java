package app.denfold.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.demo.standins.VirusScannerStandIn;
import com.sun.net.httpserver.HttpServer;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Base64;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.http.HttpMethod;
import org.springframework.mock.web.MockHttpServletResponse;

@ServerTest
class UploadsTest {

    @Autowired
    TestPractice practice;

    private static Map<String, String> protocol(String... more) {
        Map<String, String> headers = new HashMap<>(Map.of("Tus-Resumable", "1.0.0"));
        for (int i = 0; i < more.length; i += 2) {
            headers.put(more[i], more[i + 1]);
        }
        return headers;
    }

    /** Begins an upload and answers its address. */
    private static String begin(Api api, String name, int length) throws Exception {
        String encoded = Base64.getEncoder().encodeToString(name.getBytes(StandardCharsets.UTF_8));
        MockHttpServletResponse begun = api.raw(
                HttpMethod.POST,
                "/api/uploads",
                protocol("Upload-Length", "" + length, "Upload-Metadata", "filename " + encoded),
                null);
        assertThat(begun.getStatus()).isEqualTo(201);
        return begun.getHeader("Location").replaceFirst(".*(?=/api)", "");
    }

    private static int send(Api api, String address, int offset, byte[] piece) throws Exception {
        return api.raw(
                        HttpMethod.PATCH,
                        address,
                        protocol(
                                "Upload-Offset",
                                "" + offset,
                                "Content-Length",
                                "" + piece.length,
                                "Content-Type",
                                "application/offset+octet-stream"),
                        piece)
                .getStatus();
    }

    private static String id(String address) {
        return address.substring(address.lastIndexOf('/') + 1);
    }

    @Test
    void anUploadThatBrokeOffGoesOnWhereItStopped() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Inpieces", null);
        byte[] paper = Papers.pdf("sent in two pieces");
        String address = begin(api, "in pieces.pdf", paper.length);
        assertThat(send(api, address, 0, Arrays.copyOf(paper, 300))).isEqualTo(204);

        Api.Answer early = api.post("/api/arrivals/sent", Map.of("upload", id(address)));
        assertThat(early.status()).isEqualTo(409);
        assertThat(early.<String>at("$.code")).isEqualTo("incomplete");

        MockHttpServletResponse asked = api.raw(HttpMethod.HEAD, address, protocol(), null);
        assertThat(asked.getHeader("Upload-Offset")).isEqualTo("300");
        assertThat(send(api, address, 300, Arrays.copyOfRange(paper, 300, paper.length)))
                .isEqualTo(204);

        Map<String, Object> details = Map.of(
                "upload", id(address), "fileId", file, "type", "letter", "note", "From the drawer by the window");
        UUID arrival = api.post("/api/arrivals/sent", details).id("$.id");
        assertThat(api.get("/api/arrivals/{id}/content", arrival).bytes()).isEqualTo(paper);
        Api.Answer list = api.get("/api/arrivals");
        String mine = "$[?(@.id=='" + arrival + "')]";
        assertThat(list.<List<String>>at(mine + ".fileName")).containsExactly("in pieces.pdf");
        assertThat(list.<List<String>>at(mine + ".personName")).containsExactly("Tamsin Inpieces");
        assertThat(list.<List<String>>at(mine + ".typeLabel")).containsExactly("Letter");
        assertThat(list.<List<String>>at(mine + ".note")).containsExactly("From the drawer by the window");

        assertThat(api.post("/api/arrivals/sent", details).id("$.id"))
                .as("asked again after a lost answer")
                .isEqualTo(arrival);
    }

    @Test
    void askedSideBySideItIsOnePaperAndEverybodyIsAnsweredTheSame() throws Exception {
        Api api = practice.administrator();
        ExecutorService pool = Executors.newFixedThreadPool(6);
        try {
            for (int round = 0; round < 5; round++) {
                String upload = api.sent("twice.pdf", Papers.pdf("sent twice at once " + round));
                Callable<Api.Answer> sent = () -> api.post("/api/arrivals/sent", Map.of("upload", upload));
                Set<UUID> ids = new HashSet<>();
                for (Future<Api.Answer> answer : pool.invokeAll(Collections.nCopies(6, sent))) {
                    assertThat(answer.get().status()).as(answer.get().body()).isEqualTo(201);
                    ids.add(answer.get().id("$.id"));
                }
                assertThat(ids).hasSize(1);
            }
        } finally {
            pool.shutdown();
        }
    }

    @Test
    void aStoppedUploadIsGoneAndNobodySeesTheUploadsOfOthers() throws Exception {
        Api api = practice.administrator();
        String stopped = begin(api, "stopped.pdf", 1000);
        assertThat(send(api, stopped, 0, new byte[400])).isEqualTo(204);
        api.raw(HttpMethod.DELETE, stopped, protocol(), null);
        assertThat(api.raw(HttpMethod.HEAD, stopped, protocol(), null).getStatus())
                .isEqualTo(404);
        assertThat(api.post("/api/arrivals/sent", Map.of("upload", id(stopped))).status())
                .isEqualTo(404);

        String mine = api.sent("mine.pdf", Papers.pdf("mine alone"));
        Api other = practice.administrator();
        assertThat(other.post("/api/arrivals/sent", Map.of("upload", mine)).status())
                .isEqualTo(404);
        assertThat(api.post("/api/arrivals/sent", Map.of("upload", mine)).status())
                .isEqualTo(201);
        Api auditor = practice.colleague(null, true, false);
        assertThat(auditor.raw(HttpMethod.POST, "/api/uploads", protocol("Upload-Length", "5"), null)
                        .getStatus())
                .isEqualTo(403);
    }

    @Test
    void aFileThatIsTooLargeIsRefusedBeforeItIsSent() throws Exception {
        MockHttpServletResponse answer = practice.administrator()
                .raw(HttpMethod.POST, "/api/uploads", protocol("Upload-Length", "" + (51L << 20)), null);
        assertThat(answer.getStatus()).isEqualTo(413);
    }

    @Test
    void anInfectedPaperIsLockedAway() throws Exception {
        Api api = practice.administrator();
        byte[] infected = ("A note with " + VirusScannerStandIn.TRY_OUT + " in it").getBytes(StandardCharsets.UTF_8);
        UUID arrival =
                api.upload("/api/arrivals", "note.txt", infected, Map.of()).id("$.id");
        String mine = "$[?(@.id=='" + arrival + "')]";
        Api.Answer list = api.get("/api/arrivals");
        assertThat(list.<List<String>>at(mine + ".state")).containsExactly("SET_ASIDE");
        assertThat(list.<List<String>>at(mine + ".reason").get(0)).contains("“Try-Out-Line”", "Ask the sender");
        assertThat(list.<List<List<Object>>>at(mine + ".pages").get(0)).isEmpty();
        assertThat(api.get("/api/arrivals/{id}/content", arrival).status()).isEqualTo(409);
        assertThat(api.post("/api/arrivals/{id}/unlock", Map.of("password", "any"), arrival)
                        .status())
                .as("nothing of it is parsed")
                .isEqualTo(409);
        assertThat(api.post("/api/arrivals/{id}/take-up", Map.of(), arrival).status())
                .isEqualTo(409);
        assertThat(api.post("/api/arrivals/{id}/discard", Map.of("reason", "asked for a clean one"), arrival)
                        .status())
                .isEqualTo(204);
    }

    @Test
    void aLinkIsFiledAsItIsAndAskedOnlyOnRequest() throws Exception {
        Api api = practice.administrator();
        int[] asked = {0};
        HttpServer elsewhere = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 10);
        elsewhere.createContext("/", exchange -> {
            asked[0]++;
            exchange.sendResponseHeaders(
                    exchange.getRequestURI().getPath().equals("/plans/rider-12.pdf") ? 200 : 404, -1);
            exchange.close();
        });
        elsewhere.start();
        try {
            String address = "http://127.0.0.1:" + elsewhere.getAddress().getPort() + "/plans/rider-12.pdf";
            UUID arrival =
                    api.post("/api/arrivals/links", Map.of("address", address)).id("$.id");
            Api.Answer detail = api.get("/api/arrivals/{id}", arrival);
            assertThat(detail.<String>at("$.link.address")).isEqualTo(address);
            assertThat(detail.<String>at("$.link.label")).isEqualTo("rider-12.pdf");
            assertThat(asked[0]).isZero();
            Api.Answer reached = api.post("/api/arrivals/{id}/link-check", null, arrival);
            assertThat(reached.<Boolean>at("$.reached")).isTrue();

            UUID file = api.newEmployee("Linked", null);
            UUID document =
                    api.file(arrival, file, "letter", java.time.LocalDate.now()).id("$.documentId");
            assertThat(api.get("/api/documents/{id}", document).<String>at("$.versions[0].link.address"))
                    .isEqualTo(address);

            UUID gone = api.post(
                            "/api/arrivals/links",
                            Map.of("address", address.replace("rider-12", "rider-13"), "label", "Plan of lesson 13"))
                    .id("$.id");
            Api.Answer missing = api.post("/api/arrivals/{id}/link-check", null, gone);
            assertThat(missing.<Boolean>at("$.reached")).isFalse();
            assertThat(missing.<String>at("$.words")).contains("404");
        } finally {
            elsewhere.stop(0);
        }
        Api.Answer silent = api.post(
                "/api/arrivals/{id}/link-check",
                null,
                api.post("/api/arrivals/links", Map.of("address", "http://127.0.0.1:1/nothing"))
                        .id("$.id"));
        assertThat(silent.<String>at("$.words")).isEqualTo("It cannot be reached.");
        for (String wrong : List.of("ftp://files.example/x", "javascript:alert(1)", "https://", "no address at all")) {
            Api.Answer refused = api.post("/api/arrivals/links", Map.of("address", wrong));
            assertThat(refused.status()).as(wrong).isEqualTo(422);
            assertThat(refused.<String>at("$.problems[0].field")).isEqualTo("address");
        }
    }

    @Test
    void anEmptyFileIsCalledEmptyHoweverItIsSent() throws Exception {
        Api api = practice.administrator();
        String address = begin(api, "nothing.pdf", 0);
        Api.Answer refused = api.post("/api/arrivals/sent", Map.of("upload", address.replaceAll(".*/", "")));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.<String>at("$.problems[0].message")).contains("“nothing.pdf” is empty");
    }
}
