package app.denfold.server.content;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.server.demo.standins.VirusScannerStandIn;
import app.denfold.server.problems.NotNow;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class VirusScannerTest {

    @TempDir
    Path folder;

    private Path file(String text) throws IOException {
        return Files.writeString(folder.resolve("paper"), text);
    }

    @Test
    void tellsWhatTheDaemonFound() throws Exception {
        try (VirusScannerStandIn daemon = new VirusScannerStandIn(0)) {
            VirusScanner scanner = new VirusScanner("127.0.0.1", daemon.port(), 5);
            assertThat(scanner.found(file("all is well ".repeat(20_000)))).isEmpty();
            assertThat(scanner.found(file("x".repeat(100_000) + VirusScannerStandIn.TRY_OUT)))
                    .contains("Try-Out-Line");
        }
    }

    @Test
    void nothingIsTakenInWhileItDoesNotAnswer() throws Exception {
        Path paper = file("a paper");
        assertThatThrownBy(() -> new VirusScanner("127.0.0.1", 1, 1).found(paper))
                .isInstanceOf(NotNow.class)
                .hasMessageContaining("does not answer");
        try (ServerSocket silent = new ServerSocket(0, 5, InetAddress.getLoopbackAddress())) {
            VirusScanner scanner = new VirusScanner("127.0.0.1", silent.getLocalPort(), 1);
            assertThatThrownBy(() -> scanner.found(paper)).isInstanceOf(NotNow.class);
        }
        assertThat(new VirusScanner("", 3310, 1).found(paper)).isEmpty();
    }

    @Test
    void anAnswerThatIsNeitherIsNoLeave() throws Exception {
        try (ServerSocket daemon = new ServerSocket(0, 5, InetAddress.getLoopbackAddress())) {
            Thread answering = new Thread(() -> {
                try (Socket caller = daemon.accept()) {
                    caller.getInputStream().readNBytes(10 + 4 + 7 + 4);
                    caller.getOutputStream()
                            .write("INSTREAM size limit exceeded. ERROR\0".getBytes(StandardCharsets.US_ASCII));
                } catch (IOException gone) {
                    // the test tells
                }
            });
            answering.start();
            VirusScanner scanner = new VirusScanner("127.0.0.1", daemon.getLocalPort(), 5);
            Path paper = file("a paper");
            assertThatThrownBy(() -> scanner.found(paper))
                    .isInstanceOf(NotNow.class)
                    .hasMessageContaining("size limit");
        }
    }
}
