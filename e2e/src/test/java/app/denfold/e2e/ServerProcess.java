package app.denfold.e2e;

import app.denfold.server.FreshDatabase;
import java.io.File;
import java.io.IOException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The server as a process of its own, with a database and folders of its own, started, killed and started again. */
final class ServerProcess implements AutoCloseable {

    /** From this Java on a server can leave its classes to the next one. */
    private static final int LEARNS = 19;

    /** Without the tests' own classes, which it does not need: of folders nothing can be left so. */
    private static final String CLASS_PATH = Stream.of(
                    System.getProperty("java.class.path").split(File.pathSeparator))
            .filter(path -> !path.startsWith(Path.of("target").toAbsolutePath().toString()))
            .collect(Collectors.joining(File.pathSeparator));

    private final Path folder;
    private String database;
    private static final int LOWEST_PORT = 20_000;
    private static final int PORT_COUNT = 10_000;
    private static final Random PORTS = new Random();
    private static final Set<Integer> GIVEN = ConcurrentHashMap.newKeySet();

    private final int port = freePort();
    private final int mailPort = freePort();
    private boolean recognises = true;
    private boolean isDemo = true;
    private String timeStamps = "";
    private Map<String, String> mailHurry = Map.of();
    private Process process;

    ServerProcess(Path folder) {
        this.folder = folder;
    }

    String address() {
        return "http://localhost:" + port;
    }

    /** Its address; there once the server was started. */
    String database() {
        return database + "?options=-c%20synchronous_commit=on";
    }

    /** What it stands on, for a copy. */
    DemoPractice stoppedAt() throws InterruptedException {
        close();
        return new DemoPractice(database, folder);
    }

    /** Where its mails go, and mails to it can be brought. */
    int mailPort() {
        return mailPort;
    }

    /** From its next start on plans are looked at each second, and what was left behind soon goes on. */
    ServerProcess hurriedMails() {
        mailHurry = Map.of(
                "DENFOLD_PLANS_INTERVAL", "PT1S", "DENFOLD_MAIL_ABANDONED", "PT5S", "DENFOLD_MAIL_INTERVAL", "PT1S");
        return this;
    }

    Path pickup() {
        return folder.resolve("pickup");
    }

    Path content() {
        return folder.resolve("content");
    }

    /** Reads text layers and codes only, so that recognition does not slow what is looked at. */
    ServerProcess withoutRecognition() {
        recognises = false;
        return this;
    }

    /** From its next start on it asks the authority at this address for the time; empty for its own stand-in. */
    ServerProcess stampedBy(String authority) {
        timeStamps = authority;
        return this;
    }

    /** As a practice starts it that has nothing of the demo. */
    ServerProcess withoutDemo() {
        isDemo = false;
        return this;
    }

    /** Starts with the demo practice and waits until it serves. */
    void start() throws IOException, InterruptedException {
        if (database == null) {
            database =
                    recognises ? FreshDatabase.create() : DemoPractice.loaded().copyTo(folder);
        }
        launch();
    }

    /** The same with the practice as it was loaded without recognition, although this one recognises. */
    void startFromDemo() throws IOException, InterruptedException {
        database = DemoPractice.loaded().copyTo(folder);
        launch();
    }

    /** Starts with an empty database, into which the demo practice is loaded if there is to be one. */
    void startEmpty() throws IOException, InterruptedException {
        database = FreshDatabase.create();
        launch();
    }

    private void launch() throws IOException, InterruptedException {
        List<String> command = new ArrayList<>(List.of(
                Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                "-Xmx900m",
                "-XX:+UseSerialGC",
                "-XX:TieredStopAtLevel=1",
                "-Djava.awt.headless=true",
                "-cp",
                CLASS_PATH));
        if (Runtime.version().feature() >= LEARNS) {
            // the first one that ends by itself leaves its classes to those after it, which start in half the time
            command.add("-XX:+AutoCreateSharedArchive");
            command.add(
                    "-XX:SharedArchiveFile=" + Path.of("target", "server.jsa").toAbsolutePath());
        }
        command.add("app.denfold.server.DenFold");
        ProcessBuilder builder = new ProcessBuilder(command).redirectErrorStream(true);
        builder.redirectOutput(ProcessBuilder.Redirect.appendTo(log().toFile()));
        builder.environment()
                .putAll(Map.ofEntries(
                        Map.entry("SPRING_PROFILES_ACTIVE", isDemo ? "demo" : ""),
                        Map.entry("DENFOLD_PORT", String.valueOf(port)),
                        Map.entry("DENFOLD_SMTP_PORT", String.valueOf(mailPort)),
                        Map.entry("DENFOLD_IMAP_PORT", String.valueOf(freePort())),
                        Map.entry("DENFOLD_ADDRESS", address()),
                        Map.entry("DENFOLD_DEMO_EVERYONE", "false"),
                        Map.entry("DENFOLD_RECOGNITION_ON", String.valueOf(recognises)),
                        Map.entry("DENFOLD_DB_URL", database()),
                        Map.entry("DENFOLD_DB_USER", "denfold"),
                        Map.entry("DENFOLD_DB_PASSWORD", FreshDatabase.password()),
                        Map.entry("DENFOLD_DB_WAIT", "60000"),
                        Map.entry("DENFOLD_DB_CHECK", "30000"),
                        Map.entry("DENFOLD_TIME_STAMPS", timeStamps),
                        Map.entry("DENFOLD_CONTENT", content().toString()),
                        Map.entry("DENFOLD_KEYS", folder.resolve("keys").toString()),
                        Map.entry("DENFOLD_PICKUP", pickup().toString())));
        builder.environment().putAll(mailHurry);
        process = builder.start();
        awaitServing();
    }

    private Path log() {
        return folder.resolve("server.log");
    }

    private void awaitServing() throws IOException, InterruptedException {
        HttpClient client = HttpClient.newHttpClient();
        HttpRequest request = HttpRequest.newBuilder(URI.create(address() + "/actuator/health/readiness"))
                .build();
        for (int i = 0; i < 1_200; i++) {
            if (!process.isAlive()) {
                throw new IllegalStateException("The server stopped: " + Files.readString(log()));
            }
            try {
                if (client.send(request, HttpResponse.BodyHandlers.ofString()).statusCode() == 200) {
                    return;
                }
            } catch (IOException notYet) {
                // it does not listen yet
            }
            TimeUnit.MILLISECONDS.sleep(250);
        }
        throw new IllegalStateException("The server did not serve within five minutes: " + Files.readString(log()));
    }

    /** The rows that a query gives, their values as text. */
    List<List<String>> rows(String query) throws SQLException {
        List<List<String>> result = new ArrayList<>();
        try (Connection connection = DriverManager.getConnection(database(), "denfold", FreshDatabase.password());
                Statement statement = connection.createStatement();
                ResultSet rows = statement.executeQuery(query)) {
            int columns = rows.getMetaData().getColumnCount();
            while (rows.next()) {
                List<String> row = new ArrayList<>();
                for (int i = 1; i <= columns; i++) {
                    row.add(String.valueOf(rows.getString(i)));
                }
                result.add(row);
            }
        }
        return result;
    }

    /** Ends one of the processes that parse papers, as for want of memory. @return whether there was one */
    boolean killWorker(Random random) {
        List<ProcessHandle> workers = process.descendants()
                .filter(p -> p.info().command().orElse("").endsWith("java"))
                .toList();
        return !workers.isEmpty() && workers.get(random.nextInt(workers.size())).destroyForcibly();
    }

    /** Ends one process of PostgreSQL, which breaks off all its connections and recovers from its log as after a crash. */
    void killDatabase() throws SQLException, InterruptedException {
        long pid = Long.parseLong(rows("select pg_backend_pid()::text").get(0).get(0));
        List<String> others = rows("select pid::text from pg_stat_activity where datname = current_database()"
                        + " and pid <> pg_backend_pid() and backend_type = 'client backend' order by query_start desc")
                .stream()
                .map(r -> r.get(0))
                .toList();
        ProcessHandle.of(others.isEmpty() ? pid : Long.parseLong(others.get(0)))
                .ifPresent(ProcessHandle::destroyForcibly);
        for (int i = 0; i < 600; i++) {
            TimeUnit.MILLISECONDS.sleep(100);
            try {
                rows("select 1");
                return;
            } catch (SQLException recovers) {
                // it accepts connections again within seconds
            }
        }
        throw new IllegalStateException("The database did not come back within a minute.");
    }

    /** Ends it at once, as {@code kill -9} does. */
    void kill() throws InterruptedException {
        process.destroyForcibly();
        process.waitFor();
    }

    @Override
    public void close() throws InterruptedException {
        if (process != null) {
            process.destroy();
            if (!process.waitFor(90, TimeUnit.SECONDS)) {
                kill();
            }
        }
    }

    /** One that was not given before, and below those that a system gives to connections that go out. */
    private static int freePort() {
        for (int tries = 0; tries < 1_000; tries++) {
            int port = LOWEST_PORT + PORTS.nextInt(PORT_COUNT);
            try (ServerSocket socket = new ServerSocket(port)) {
                if (GIVEN.add(socket.getLocalPort())) {
                    return port;
                }
            } catch (IOException taken) {
                // another one is tried
            }
        }
        throw new IllegalStateException("No port is free");
    }
}
