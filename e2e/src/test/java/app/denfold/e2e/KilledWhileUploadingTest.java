package app.denfold.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.server.FreshDatabase;
import app.denfold.server.Papers;
import com.jayway.jsonpath.JsonPath;
import java.io.IOException;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.util.HexFormat;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A real server process is killed in the middle of uploads; nothing it acknowledged may be lost. */
class KilledWhileUploadingTest {

    private static final int ACKNOWLEDGED_BEFORE_THE_KILL = 200;
    private static final int UPLOADERS = 4;

    @TempDir
    Path folder;

    private final Map<String, String> hashByArrival = new ConcurrentHashMap<>();
    private final AtomicInteger sent = new AtomicInteger();
    private final AtomicBoolean killed = new AtomicBoolean();
    private final CountDownLatch enough = new CountDownLatch(ACKNOWLEDGED_BEFORE_THE_KILL);

    @Test
    void everyAcknowledgedUploadIsThereWholeAfterwards() throws Exception {
        try (ServerProcess server = new ServerProcess(folder)) {
            server.start();
            ExecutorService pool = Executors.newFixedThreadPool(UPLOADERS);
            for (int i = 0; i < UPLOADERS; i++) {
                pool.submit(() -> uploadUntilKilled(server.address()));
            }
            assertThat(enough.await(180, TimeUnit.SECONDS)).isTrue();
            server.kill();
            killed.set(true);
            pool.shutdown();
            assertThat(pool.awaitTermination(60, TimeUnit.SECONDS)).isTrue();
            assertThat(sent.get()).as("uploads under way when it was killed").isGreaterThan(hashByArrival.size());

            server.start();
            HttpSession session = HttpSession.signIn(server.address(), "ottilie@oakhollin.example");
            for (Map.Entry<String, String> acknowledged : hashByArrival.entrySet()) {
                byte[] kept = session.bytes("/api/arrivals/" + acknowledged.getKey() + "/content");
                assertThat(sha256(kept)).as(acknowledged.getKey()).isEqualTo(acknowledged.getValue());
            }
            assertEveryRowPointsToItsBytes(server);
        }
    }

    private Void uploadUntilKilled(String address) throws Exception {
        HttpSession session = HttpSession.signIn(address, "ottilie@oakhollin.example");
        while (!killed.get()) {
            int number = sent.incrementAndGet();
            byte[] paper = Papers.pdf("Paper number " + number);
            try {
                HttpResponse<String> answer = session.upload("/api/arrivals", "paper " + number + ".pdf", paper);
                if (answer.statusCode() == 201) {
                    hashByArrival.put(JsonPath.read(answer.body(), "$.id"), sha256(paper));
                    enough.countDown();
                }
            } catch (IOException brokenOff) {
                return null;
            }
        }
        return null;
    }

    private static void assertEveryRowPointsToItsBytes(ServerProcess server) throws Exception {
        try (Connection connection =
                        DriverManager.getConnection(server.database(), "denfold", FreshDatabase.password());
                ResultSet rows = connection.createStatement().executeQuery("select sha256, size from content")) {
            int count = 0;
            while (rows.next()) {
                String sha256 = rows.getString(1);
                Path file = server.content()
                        .resolve(sha256.substring(0, 2))
                        .resolve(sha256.substring(2, 4))
                        .resolve(sha256);
                byte[] bytes = Files.readAllBytes(file);
                assertThat(bytes).hasSize(rows.getInt(2));
                assertThat(sha256(bytes)).isEqualTo(sha256);
                count++;
            }
            assertThat(count).isGreaterThan(ACKNOWLEDGED_BEFORE_THE_KILL);
        }
    }

    private static String sha256(byte[] bytes) throws Exception {
        return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
    }
}
