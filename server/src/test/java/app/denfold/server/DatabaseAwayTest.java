package app.denfold.server;

import static app.denfold.server.Patience.await;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.Closeable;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.util.TestPropertyValues;
import org.springframework.context.ApplicationContextInitializer;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.core.Ordered;
import org.springframework.test.context.ContextConfiguration;

/** While the database is away everybody is told so in words, and when it is back all goes on without a restart. */
@ServerTest
@ContextConfiguration(initializers = DatabaseAwayTest.ThroughALine.class)
class DatabaseAwayTest {

    private static final Line LINE = new Line();

    @Autowired
    TestPractice practice;

    @AfterEach
    void mend() {
        LINE.isCut(false);
    }

    @Test
    void requestsEndInWordsAndEverythingGoesOnAfterwards() throws Exception {
        Api api = practice.administrator();
        UUID file = api.newEmployee("Cutoff", null);
        UUID arrival = api.upload("/api/arrivals", "before.pdf", Papers.pdf("before"), Map.of())
                .id("$.id");
        LINE.isCut(true);
        for (String path : List.of("/api/files/" + file, "/api/today", "/api/session", "/api/board")) {
            Api.Answer away = api.get(path);
            assertThat(away.status()).as(path + ": " + away.body()).isEqualTo(503);
            assertThat(away.body()).doesNotContain("Exception", "jdbc", "127.0.0.1");
            assertThat(away.<String>at("$.detail")).isNotBlank();
        }
        Api.Answer notFiled = api.file(arrival, file, "letter", LocalDate.now());
        assertThat(notFiled.status()).isEqualTo(503);

        LINE.isCut(false);
        await().untilAsserted(() ->
                assertThat(api.get("/api/files/{id}", file).status()).isEqualTo(200));
        UUID document = api.file(arrival, file, "letter", LocalDate.now()).id("$.documentId");
        await().untilAsserted(() -> assertThat(
                        api.post("/api/find", Map.of("person", "Cutoff")).body())
                .contains(document.toString()));
    }

    /** Puts the line between the server and its database. */
    static class ThroughALine implements ApplicationContextInitializer<ConfigurableApplicationContext>, Ordered {

        @Override
        public int getOrder() {
            return Ordered.LOWEST_PRECEDENCE;
        }

        @Override
        public void initialize(ConfigurableApplicationContext context) {
            String direct = FreshDatabase.create();
            Matcher port = Pattern.compile(":(\\d+)/").matcher(direct);
            assertThat(port.find()).isTrue();
            LINE.leadTo(Integer.parseInt(port.group(1)));
            TestPropertyValues.of(
                            "spring.datasource.url=" + direct.replace(port.group(), ":" + LINE.port() + "/"),
                            "spring.datasource.hikari.connection-timeout=1800",
                            "spring.datasource.hikari.validation-timeout=500")
                    .applyTo(context);
        }
    }

    /** Carries bytes to a port of this machine until it is cut; then connections break and new ones are refused. */
    private static final class Line {

        private final ServerSocket listening;
        private final List<Socket> open = new CopyOnWriteArrayList<>();
        private volatile int target;
        private volatile boolean cut;

        Line() {
            try {
                listening = new ServerSocket(0, 50, InetAddress.getLoopbackAddress());
            } catch (IOException failed) {
                throw new UncheckedIOException(failed);
            }
            begin(this::accept);
        }

        int port() {
            return listening.getLocalPort();
        }

        void leadTo(int port) {
            target = port;
        }

        void isCut(boolean now) {
            cut = now;
            if (now) {
                open.forEach(Line::close);
                open.clear();
            }
        }

        private static void begin(Runnable work) {
            Thread thread = new Thread(work);
            thread.setDaemon(true);
            thread.start();
        }

        private void accept() {
            while (true) {
                try {
                    Socket from = listening.accept();
                    if (cut) {
                        close(from);
                        continue;
                    }
                    Socket to = connected(from);
                    open.addAll(List.of(from, to));
                    begin(() -> carry(from, to));
                    begin(() -> carry(to, from));
                } catch (IOException next) {
                    // that one has gone; the next may come
                }
            }
        }

        private Socket connected(Socket from) throws IOException {
            try {
                return new Socket(InetAddress.getLoopbackAddress(), target);
            } catch (IOException refused) {
                close(from);
                throw refused;
            }
        }

        private static void carry(Socket from, Socket to) {
            try (InputStream in = from.getInputStream();
                    OutputStream out = to.getOutputStream()) {
                in.transferTo(out);
            } catch (IOException over) {
                close(from);
                close(to);
            }
        }

        private static void close(Closeable one) {
            try {
                one.close();
            } catch (IOException gone) {
                // it is closed
            }
        }
    }
}
