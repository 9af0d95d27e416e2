package app.denfold.bench;

import app.denfold.server.DenFold;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.accounts.NewAccount;
import app.denfold.server.demo.DemoCatalog;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FilingDetails;
import app.denfold.server.people.PersonDetails;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeSettings;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Map;
import java.util.UUID;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/** A server with the demo's rules and one administrator, without jobs that run beside what is measured. */
final class BenchServer implements AutoCloseable {

    static final String EMAIL = "bench@oakhollin.example";
    static final String PASSWORD = "a password for benchmarks";

    private final ConfigurableApplicationContext context;
    private final Viewer viewer;

    BenchServer() {
        context = new SpringApplicationBuilder(DenFold.class)
                .run(
                        "--server.port=0",
                        "--denfold.recognition.on=false",
                        "--db-scheduler.enabled=false",
                        "--spring.main.banner-mode=off");
        bean(DemoCatalog.class).load();
        bean(PracticeSettings.class).found("Oakhollin Riding & Therapy Yard", ZoneId.of("Europe/Vienna"), "#3b4f63");
        viewer = bean(Accounts.class).open(NewAccount.administrator(EMAIL, "Ottilie Brandmoor"));
        bean(Accounts.class).setPassword(viewer.accountId(), PASSWORD);
    }

    /** Asks the database as its owner, whose statistics the server's role cannot renew. */
    static JdbcClient asOwner() {
        return JdbcClient.create(new DriverManagerDataSource(
                System.getenv("DENFOLD_DB_URL"),
                System.getenv("DENFOLD_DB_OWNER"),
                System.getenv("DENFOLD_DB_OWNER_PASSWORD")));
    }

    private static final Map<String, String> COLUMNS = new java.util.concurrent.ConcurrentHashMap<>();

    /** The columns of a table that can be written, with commas between them. */
    static String asOwnerColumns(String table) {
        return COLUMNS.computeIfAbsent(
                table,
                t -> String.join(
                        ", ",
                        asOwner()
                                .sql(
                                        "select column_name from information_schema.columns where table_name = ? and is_generated = 'NEVER'"
                                                + " and table_schema = 'public' order by ordinal_position")
                                .param(t)
                                .query(String.class)
                                .list()));
    }

    <T> T bean(Class<T> type) {
        return context.getBean(type);
    }

    Viewer viewer() {
        return viewer;
    }

    String address() {
        return "http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port");
    }

    /** Makes the file of an employee. */
    UUID newFile() {
        LocalDate today = LocalDate.now();
        PersonDetails tamsin = PersonDetails.since(
                "employee", "Tamsin", "Korhola", today.minusYears(30), null, "Stables", today.minusYears(3), Map.of());
        return bean(PersonFiles.class).open(tamsin, true, viewer.actor()).id();
    }

    /** Files a contract of today in a file of its own. @param sha256 of bytes that are kept */
    UUID newContract(String sha256) {
        LocalDate today = LocalDate.now();
        return bean(Documents.class)
                .takeOver(
                        viewer.actor(),
                        new FilingDetails(newFile(), "contract", today, null, null),
                        new Documents.Received(sha256, today, "dropped"),
                        Documents.History.none())
                .id();
    }

    @Override
    public void close() {
        context.close();
    }
}
