package app.denfold.server.people.importing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.server.problems.NotNow;
import com.sun.net.httpserver.HttpServer;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

class DirectoryTest {

    private static final Map<String, String> ANSWERS = Map.of(
            "/people/D%2012",
            "{\"givenName\":\"Ilka\",\"familyName\":\"Sandmark\",\"birthDate\":\"1988-07-14\",\"facts\":{\"role\":\"groom\"}}",
            "/people/D13",
            "<html>not what was agreed</html>");

    private HttpServer elsewhere;

    @BeforeEach
    void start() throws Exception {
        elsewhere = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 10);
        elsewhere.createContext("/", exchange -> {
            String answer = ANSWERS.get(exchange.getRequestURI().getRawPath());
            byte[] bytes = answer == null ? new byte[0] : answer.getBytes(StandardCharsets.UTF_8);
            exchange.sendResponseHeaders(answer == null ? 404 : 200, bytes.length == 0 ? -1 : bytes.length);
            exchange.getResponseBody().write(bytes);
            exchange.close();
        });
        elsewhere.start();
    }

    @AfterEach
    void stop() {
        elsewhere.stop(0);
    }

    private static Directory at(int port) {
        return new Directory("http://127.0.0.1:" + port + "/people/{number}", 1, new JsonMapper());
    }

    @Test
    void aPersonIsFoundByNumber() {
        Directory directory = at(elsewhere.getAddress().getPort());
        Directory.Entry entry = directory.find("D 12").orElseThrow();
        assertThat(entry.familyName()).isEqualTo("Sandmark");
        assertThat(entry.birthDate()).isEqualTo(LocalDate.of(1988, 7, 14));
        assertThat(entry.facts()).containsEntry("role", "groom");
        assertThat(entry.email()).isNull();
        assertThat(directory.find("D99")).isEmpty();
    }

    @Test
    void aDirectoryThatIsDownSlowOrOddIsSaidSo() throws Exception {
        assertThatThrownBy(() -> at(elsewhere.getAddress().getPort()).find("D13"))
                .isInstanceOf(NotNow.class)
                .hasMessageContaining("Type what you know");
        assertThatThrownBy(() -> at(1).find("D12")).isInstanceOf(NotNow.class);
        try (ServerSocket silent = new ServerSocket(0, 5, InetAddress.getLoopbackAddress())) {
            Directory directory = at(silent.getLocalPort());
            assertThatThrownBy(() -> directory.find("D12")).isInstanceOf(NotNow.class);
        }
        assertThat(new Directory("", 1, new JsonMapper()).isOn()).isFalse();
    }
}
