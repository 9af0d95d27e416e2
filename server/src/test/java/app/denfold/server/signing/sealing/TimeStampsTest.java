package app.denfold.server.signing.sealing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.denfold.paper.sealing.KeyFile;
import app.denfold.paper.sealing.SealKey;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.math.BigInteger;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.file.Path;
import java.time.Instant;
import org.bouncycastle.tsp.TSPAlgorithms;
import org.bouncycastle.tsp.TimeStampRequest;
import org.bouncycastle.tsp.TimeStampRequestGenerator;
import org.bouncycastle.tsp.TimeStampResponse;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The time, asked of an authority over HTTP, with the stand-in's key behind it. */
class TimeStampsTest {

    @TempDir
    Path folder;

    private HttpServer server;
    private SealKey key;
    private int status = 200;

    @BeforeEach
    void serve() throws IOException {
        key = SealKey.openOrMake(
                new KeyFile(folder.resolve("key.p12"), "test".toCharArray()), "Oakhollin", Instant.now());
        server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 0);
        server.createContext("/stamp", exchange -> {
            byte[] answer = key.stamp(exchange.getRequestBody().readAllBytes());
            exchange.sendResponseHeaders(status, answer.length);
            exchange.getResponseBody().write(answer);
            exchange.close();
        });
        server.start();
    }

    @AfterEach
    void stop() {
        server.stop(0);
    }

    private TimeStamps at(String path) {
        String address = "http://127.0.0.1:" + server.getAddress().getPort() + path;
        return new TimeStamps(address, "", null);
    }

    private static TimeStampRequest request() {
        return new TimeStampRequestGenerator().generate(TSPAlgorithms.SHA256, new byte[32], BigInteger.TEN);
    }

    @Test
    void anAuthorityIsAskedOverHttpAndItsAnswerFits() throws Exception {
        TimeStampRequest request = request();
        TimeStampResponse response = new TimeStampResponse(at("/stamp").stamp(request.getEncoded(), key));
        response.validate(request);
        assertThat(response.getTimeStampToken().getTimeStampInfo().getNonce()).isEqualTo(BigInteger.TEN);
    }

    @Test
    void anAuthorityThatIsAwayOrRefusesIsToldByItsAddress() throws Exception {
        byte[] request = request().getEncoded();
        status = 503;
        TimeStamps refusing = at("/stamp");
        assertThatThrownBy(() -> refusing.stamp(request, key))
                .isInstanceOf(IOException.class)
                .hasMessageContaining("cannot be reached");
        server.stop(0);
        assertThatThrownBy(() -> refusing.stamp(request, key)).isInstanceOf(IOException.class);
        assertThatThrownBy(() -> new TimeStamps("no address", "", null).stamp(request, key))
                .isInstanceOf(IOException.class);
    }
}
