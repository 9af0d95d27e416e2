package app.denfold.bench;

import app.denfold.server.DenFold;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.accounts.NewAccount;
import app.denfold.server.catalog.Catalog;
import app.denfold.server.coverage.board.Board;
import app.denfold.server.coverage.board.BoardFilter;
import app.denfold.server.coverage.slots.RecomputeSlots;
import app.denfold.server.people.kinds.Kinds;
import app.denfold.server.practice.AsOf;
import app.denfold.server.practice.PracticeCalendar;
import app.denfold.server.practice.PracticeSettings;
import com.microsoft.playwright.Page;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CompletableFuture;
import javax.sql.DataSource;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * The board, its counts, the nightly roll and a recomputation of everything, on many generated files. Each ratio is to a
 * floor measured in the same run: the same rows by plain JDBC, or everything computed anew.
 */
public final class CoverageBench {

    private static final int ROWS = 50;
    private static final int ASKS = 100;
    private static final int WARM_UP = 300;
    private static final String EMAIL = "ottilie@oakhollin.example";
    private static final String PASSWORD = "a password for benches";

    /** A clock that the bench sets forward by days. */
    @Configuration
    static class BenchClock {
        private static volatile int daysAhead;

        @Bean
        @Primary
        Clock benchClock() {
            return new Clock() {
                @Override
                public ZoneId getZone() {
                    return ZoneId.of("UTC");
                }

                @Override
                public Clock withZone(ZoneId zone) {
                    return this;
                }

                @Override
                public Instant instant() {
                    return Instant.now().plus(Duration.ofDays(daysAhead));
                }
            };
        }
    }

    private final ConfigurableApplicationContext server;
    private final Board board;
    private final RecomputeSlots recompute;
    private final PracticeCalendar calendar;
    private final DataSource source;
    private final Viewer viewer;

    private CoverageBench(ConfigurableApplicationContext server, Viewer viewer) {
        this.server = server;
        this.board = server.getBean(Board.class);
        this.recompute = server.getBean(RecomputeSlots.class);
        this.calendar = server.getBean(PracticeCalendar.class);
        this.source = server.getBean(DataSource.class);
        this.viewer = viewer;
    }

    /** @param args how many files, 100,000 when left out */
    public static void main(String[] args) throws Exception {
        int files = args.length == 0 ? 100_000 : Integer.parseInt(args[0]);
        try (ConfigurableApplicationContext server = new SpringApplicationBuilder(DenFold.class, BenchClock.class)
                .run("--server.port=0", "--spring.main.banner-mode=off")) {
            Viewer viewer = server.getBean(Accounts.class).open(NewAccount.administrator(EMAIL, "Ottilie Brandmoor"));
            server.getBean(Accounts.class).setPassword(viewer.accountId(), PASSWORD);
            server.getBean(PracticeSettings.class)
                    .found("Oakhollin Riding & Therapy Yard", ZoneId.of("Europe/Vienna"), "#3b4f63");
            CoverageBench bench = new CoverageBench(server, viewer);
            bench.generate(files);
            bench.measure(files);
        }
    }

    private void generate(int files) {
        long begun = System.nanoTime();
        JdbcClient jdbc = server.getBean(JdbcClient.class);
        server.getBean(TransactionTemplate.class).executeWithoutResult(t -> new GenerateFiles(
                        jdbc, server.getBean(Catalog.class), server.getBean(Kinds.class))
                .make(files, calendar.today()));
        System.out.printf("made %d files in %.0f s%n", files, seconds(begun));
        begun = System.nanoTime();
        recompute.catchUp(done -> progress("first computation", done, files));
        Figures.told("first-computation", files / seconds(begun), "files/s");
        BenchServer.asOwner().sql("analyze").update();
    }

    private static void progress(String what, int done, int of) {
        if (done % 20_000 < 200) {
            System.out.printf("%s: %d of %d%n", what, done, of);
        }
    }

    private static double seconds(long begun) {
        return (System.nanoTime() - begun) / 1e9;
    }

    private void measure(int files) throws Exception {
        measureBoard();
        measureCounts();
        double roll = measureRoll();
        long begun = System.nanoTime();
        recompute.rebuildAll();
        double all = seconds(begun);
        Figures.told("recompute-all", files / all, "files/s");
        Figures.atLeast("recompute-over-roll", all / roll, "x", 50);
        measureWhileRecomputing(files);
        if (server.getEnvironment().getProperty("denfold.bench.browser", "true").equals("true")) {
            int port = Integer.parseInt(server.getEnvironment().getProperty("local.server.port", "0"));
            scrollBoard("http://127.0.0.1:" + port);
        }
    }

    private static void scrollBoard(String address) {
        try (BenchBrowser browser = new BenchBrowser()) {
            Page page = browser.signedIn(address, EMAIL, PASSWORD);
            page.navigate(address + "/coverage?kind=all");
            page.locator(".board-row .board-cell").first().waitFor();
            new Scrolling(".board").measure(page, "board");
        }
    }

    /** Pages of the board, filtered by kind and sorted by clear through, against the same rows by plain JDBC. */
    private void measureBoard() throws SQLException {
        double[] product = new double[ASKS];
        double[] floor = new double[ASKS];
        for (int i = -WARM_UP; i < ASKS; i++) {
            int offset = (Math.abs(i) * 37 % 40) * ROWS;
            long begun = System.nanoTime();
            page(offset);
            double asked = seconds(begun) * 1000;
            begun = System.nanoTime();
            plainPage(offset);
            if (i >= 0) {
                product[i] = asked;
                floor[i] = seconds(begun) * 1000;
            }
        }
        Figures.told("board-page", Figures.median(product), "ms");
        Figures.told("board-page-by-jdbc", Figures.median(floor), "ms");
        Figures.atMost("board-page-over-jdbc", Figures.median(product) / Figures.median(floor), "x", 2);
    }

    private Board.BoardPage page(int offset) {
        AsOf today = calendar.asOf(null, null);
        BoardFilter filter = new BoardFilter("employee", null, null, null, null, null);
        return board.page(viewer, filter, "clear", false, offset, ROWS, today);
    }

    private int plainPage(int offset) throws SQLException {
        int read = 0;
        try (Connection connection = source.getConnection();
                PreparedStatement rows = connection.prepareStatement("""
                        select f.id, f.number, f.kind, f.given_name, f.family_name, f.birth_date, f.team,
                        f.last_activity_at, s.clear, s.clear_through from file_standing s
                        join person_file f on f.id = s.file_id where f.kind = ?
                        order by s.clear, s.clear_through nulls last, s.file_id offset ? limit ?""");
                PreparedStatement slots = connection.prepareStatement("""
                        select file_id, checklist, requirement, status, blocking from slot where file_id = any(?)
                        and status <> 'NOT_APPLICABLE'""")) {
            rows.setString(1, "employee");
            rows.setInt(2, offset);
            rows.setInt(3, ROWS);
            List<UUID> ids = new ArrayList<>();
            try (ResultSet result = rows.executeQuery()) {
                while (result.next()) {
                    ids.add(result.getObject(1, UUID.class));
                    read += result.getString(2).length() + result.getString(5).length();
                    result.getObject(10, LocalDate.class);
                }
            }
            slots.setArray(1, connection.createArrayOf("uuid", ids.toArray()));
            try (ResultSet result = slots.executeQuery()) {
                while (result.next()) {
                    result.getObject(1, UUID.class);
                    read += result.getString(2).length()
                            + result.getString(3).length()
                            + result.getString(4).length();
                }
            }
        }
        return read;
    }

    private void measureCounts() {
        double[] times = new double[20];
        for (int i = -3; i < times.length; i++) {
            long begun = System.nanoTime();
            board.counts(viewer, BoardFilter.all(), calendar.asOf(null, null));
            if (i >= 0) {
                times[i] = seconds(begun) * 1000;
            }
        }
        Figures.atMost("counts-of-practice", Figures.median(times), "ms", 150);
    }

    /** Three days pass one by one; the middle one of their rolls counts. */
    private double measureRoll() {
        double[] times = new double[3];
        for (int i = 0; i < times.length; i++) {
            BenchClock.daysAhead++;
            long begun = System.nanoTime();
            int changed = recompute.roll();
            times[i] = seconds(begun);
            System.out.printf("day %d: %d slots changed in %.2f s%n", i + 1, changed, times[i]);
        }
        Figures.told("roll", Figures.median(times), "s");
        return Figures.median(times);
    }

    /** How long a page of the board takes while everything is recomputed after a change of rules. */
    private void measureWhileRecomputing(int files) {
        JdbcClient jdbc = server.getBean(JdbcClient.class);
        jdbc.sql("update checklist_version set definition = :definition::jsonb")
                .param("definition", GenerateFiles.definition(25))
                .update();
        jdbc.sql("update rules_revision set revision = revision + 1").update();
        long begun = System.nanoTime();
        CompletableFuture<Integer> work =
                CompletableFuture.supplyAsync(() -> recompute.catchUp(d -> progress("after the change", d, files)));
        List<Double> times = new ArrayList<>();
        while (!work.isDone()) {
            long asked = System.nanoTime();
            page(times.size() % 20 * ROWS);
            times.add(seconds(asked) * 1000);
            pause();
        }
        Figures.told("recompute-after-rule-change", work.join() / seconds(begun), "files/s");
        double[] all = times.stream().mapToDouble(d -> d).toArray();
        Figures.told("board-page-meanwhile-p95", Figures.percentile95(all), "ms");
    }

    private static void pause() {
        try {
            Thread.sleep(100);
        } catch (InterruptedException stopped) {
            Thread.currentThread().interrupt();
        }
    }
}
