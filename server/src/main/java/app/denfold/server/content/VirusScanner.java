package app.denfold.server.content;

import app.denfold.server.problems.NotNow;
import java.io.BufferedOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Asks a virus scanning daemon over TCP, by its usual command {@code INSTREAM}: the file in pieces, each after its
 * length as four bytes, most significant first, ended by a length of nought; the answer is one line. Off unless
 * {@code denfold.virus-scanner.host} names the machine it runs on.
 */
@Component
class VirusScanner {

    private static final int PIECE = 64 * 1024;
    private static final String CLEAN = "stream: OK";
    private static final String FOUND = " FOUND";

    private final String host;
    private final int port;
    private final int longest;

    VirusScanner(
            @Value("${denfold.virus-scanner.host:}") String host,
            @Value("${denfold.virus-scanner.port:3310}") int port,
            @Value("${denfold.virus-scanner.seconds:60}") int seconds) {
        this.host = host;
        this.port = port;
        this.longest = seconds * 1_000;
    }

    /**
     * @return the name of what was found; empty when nothing was, or no scanner is set up
     * @throws NotNow when it does not answer, or cannot look at the file
     */
    Optional<String> found(Path file) {
        if (host.isBlank()) {
            return Optional.empty();
        }
        String answer;
        try (Socket socket = new Socket()) {
            socket.connect(new InetSocketAddress(host, port), longest);
            socket.setSoTimeout(longest);
            send(file, socket);
            answer = new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8)
                    .replace("\0", "")
                    .strip();
        } catch (IOException unreachable) {
            throw NotNow.noAnswer(
                    "The virus scanner does not answer, so nothing is taken in. Keep the paper and try again.",
                    unreachable);
        }
        if (answer.equals(CLEAN)) {
            return Optional.empty();
        }
        if (answer.endsWith(FOUND)) {
            String name = answer.substring(answer.indexOf(':') + 1, answer.length() - FOUND.length());
            return Optional.of(name.strip());
        }
        throw NotNow.noAnswer(
                "The virus scanner could not look at the paper (“" + answer + "”), so it was not taken in.", null);
    }

    private static void send(Path file, Socket socket) throws IOException {
        DataOutputStream out = new DataOutputStream(new BufferedOutputStream(socket.getOutputStream()));
        out.write("zINSTREAM\0".getBytes(StandardCharsets.US_ASCII));
        byte[] piece = new byte[PIECE];
        try (InputStream in = Files.newInputStream(file)) {
            for (int length = in.read(piece); length > 0; length = in.read(piece)) {
                out.writeInt(length);
                out.write(piece, 0, length);
            }
        }
        out.writeInt(0);
        out.flush();
    }
}
