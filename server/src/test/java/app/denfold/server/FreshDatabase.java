package app.denfold.server;

import app.denfold.server.demo.standins.VirusScannerStandIn;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.UUID;
import org.springframework.boot.test.util.TestPropertyValues;
import org.springframework.context.ApplicationContextInitializer;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/** Gives a test's server a database and folders of its own on the test cluster that {@code ./denfold test} starts. */
public final class FreshDatabase implements ApplicationContextInitializer<ConfigurableApplicationContext> {

    private static final String HOST = "jdbc:postgresql://127.0.0.1:";

    /** Owns the databases, as the server does not. */
    private static final String OWNER = "denfold_owner";

    private static final VirusScannerStandIn SCANNER = scanner();

    private static VirusScannerStandIn scanner() {
        try {
            return new VirusScannerStandIn(0);
        } catch (IOException failed) {
            throw new UncheckedIOException(failed);
        }
    }

    @Override
    public void initialize(ConfigurableApplicationContext context) {
        Path folder = temporaryFolder();
        TestPropertyValues.of(
                        "spring.datasource.url=" + create(),
                        "spring.datasource.username=denfold",
                        "spring.datasource.password=" + password(),
                        // a machine that is busy with other things is no database that is away
                        "spring.datasource.hikari.connection-timeout=60000",
                        "spring.datasource.hikari.validation-timeout=30000",
                        "spring.flyway.user=" + OWNER,
                        "spring.flyway.password=" + ownerPassword(),
                        "denfold.content=" + folder.resolve("content"),
                        "denfold.keys=" + folder.resolve("keys"),
                        "denfold.pickup=" + folder.resolve("pickup"),
                        "spring.mail.port=" + TestMail.PORT,
                        "db-scheduler.polling-interval=200ms",
                        "denfold.recognition.on=false",
                        "denfold.links.private-networks=true",
                        "denfold.virus-scanner.host=127.0.0.1",
                        "denfold.virus-scanner.port=" + SCANNER.port(),
                        "denfold.pickup-pause=1",
                        "denfold.mail-interval=1s",
                        "denfold.plans-interval=P1D",
                        "denfold.pickup-interval=200")
                .applyTo(context);
    }

    /** Asks a database as its owner, who may do what the server cannot. */
    public static JdbcClient asOwner(String address) {
        return JdbcClient.create(new DriverManagerDataSource(address, OWNER, ownerPassword()));
    }

    /** Makes an empty database and returns its address. */
    public static String create() {
        return create("template1");
    }

    /** Makes a copy of a database that nobody uses now, and returns its address. @param address of the one to copy */
    public static String copy(String address) {
        return create(address.substring(address.lastIndexOf('/') + 1));
    }

    private static String create(String template) {
        String name = "t_" + UUID.randomUUID().toString().replace("-", "");
        try (Connection connection = DriverManager.getConnection(address("postgres"), OWNER, ownerPassword());
                Statement statement = connection.createStatement()) {
            statement.execute("create database " + name + " template " + template);
        } catch (SQLException unreachable) {
            throw new IllegalStateException(
                    "The test database is not there. Run the tests with ./denfold test", unreachable);
        }
        return address(name);
    }

    private static String address(String database) {
        return HOST + System.getenv().getOrDefault("DENFOLD_TEST_DB_PORT", "5757") + "/" + database;
    }

    public static String password() {
        return System.getenv().getOrDefault("DENFOLD_DB_PASSWORD", "denfold");
    }

    private static String ownerPassword() {
        return System.getenv().getOrDefault("DENFOLD_DB_OWNER_PASSWORD", password());
    }

    /** Another user may walk through it, as the workers do. */
    private static Path temporaryFolder() {
        try {
            Path folder = Files.createTempDirectory("denfold-test");
            Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx--x--x"));
            return folder;
        } catch (IOException failed) {
            throw new IllegalStateException(failed);
        }
    }
}
