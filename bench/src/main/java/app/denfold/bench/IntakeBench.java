package app.denfold.bench;

import app.denfold.server.DenFold;
import app.denfold.server.access.Viewer;
import app.denfold.server.access.accounts.Accounts;
import app.denfold.server.access.accounts.NewAccount;
import app.denfold.server.arrivals.Arrival;
import app.denfold.server.arrivals.ReceivedPaper;
import app.denfold.server.arrivals.filing.FileArrivals;
import app.denfold.server.arrivals.receiving.Arrivals;
import app.denfold.server.demo.DemoCatalog;
import app.denfold.server.demo.DemoScans;
import app.denfold.server.documents.FilingDetails;
import app.denfold.server.people.PersonDetails;
import app.denfold.server.people.PersonFiles;
import app.denfold.server.practice.PracticeSettings;
import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.Stream;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * Taking in 500 files of one megabyte by four uploaders, each acknowledged only when it is synced, against sha256sum,
 * copying and syncing the same files; and how long filing takes while the text of scans is recognised.
 */
public final class IntakeBench {

    private static final int UPLOADERS = 4;
    private static final int MEGABYTE = 1 << 20;
    private static final int FILINGS = 40;

    private IntakeBench() {}

    /** @param arguments how many files, 500 when left out */
    public static void main(String[] arguments) throws Exception {
        int count = arguments.length == 0 ? 500 : Integer.parseInt(arguments[0]);
        Path folder = java.nio.file.Files.createTempDirectory("intake");
        try (ConfigurableApplicationContext server =
                new SpringApplicationBuilder(DenFold.class).run("--server.port=0", "--spring.main.banner-mode=off")) {
            Viewer viewer = found(server);
            List<Path> papers = papers(folder, count);
            warmUp(server, viewer, folder);
            double ours = takeIn(server.getBean(Arrivals.class), viewer, papers);
            double floor = copied(folder, papers);
            Figures.told("intake-rate", count / ours, "files/s");
            Figures.told("sha256sum-copy-sync-rate", count / floor, "files/s");
            Figures.atLeast("intake-over-floor-percent", 100 * floor / ours, "%", 50);
            fileWhileReading(server, viewer, folder);
        } finally {
            try (Stream<Path> all = java.nio.file.Files.walk(folder)) {
                all.sorted(Comparator.reverseOrder()).forEach(f -> f.toFile().delete());
            }
        }
    }

    private static Viewer found(ConfigurableApplicationContext server) {
        server.getBean(DemoCatalog.class).load();
        server.getBean(PracticeSettings.class)
                .found("Oakhollin Riding & Therapy Yard", ZoneId.of("Europe/Vienna"), "#3b4f63");
        return server.getBean(Accounts.class)
                .open(NewAccount.administrator("bench@oakhollin.example", "Ottilie Brandmoor"));
    }

    /** Each a PDF of one page and a megabyte of noise. */
    private static List<Path> papers(Path folder, int count) throws IOException {
        Random random = new Random(7);
        byte[] noise = new byte[MEGABYTE];
        List<Path> result = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            random.nextBytes(noise);
            try (PDDocument document = new PDDocument()) {
                PDPage page = new PDPage(PDRectangle.A4);
                document.addPage(page);
                COSStream ballast = document.getDocument().createCOSStream();
                try (var out = ballast.createRawOutputStream()) {
                    out.write(noise);
                }
                page.getCOSObject().setItem(COSName.getPDFName("Ballast"), ballast);
                Path file = folder.resolve("paper_%04d.pdf".formatted(i));
                document.save(file.toFile());
                result.add(file);
            }
        }
        return result;
    }

    private static void warmUp(ConfigurableApplicationContext server, Viewer viewer, Path folder) throws Exception {
        Path other = java.nio.file.Files.createDirectory(folder.resolve("first"));
        takeIn(server.getBean(Arrivals.class), viewer, papersOf(other, 40));
    }

    private static List<Path> papersOf(Path folder, int count) throws Exception {
        List<Path> result = new ArrayList<>();
        for (DemoScans.Scan scan :
                new DemoScans(LocalDate.now()).scans(count, 11).toList()) {
            result.add(java.nio.file.Files.write(folder.resolve("scan_" + result.size() + ".pdf"), scan.pdf()));
        }
        return result;
    }

    private static double takeIn(Arrivals arrivals, Viewer viewer, List<Path> papers) throws Exception {
        ExecutorService uploaders = Executors.newFixedThreadPool(UPLOADERS);
        long begun = System.nanoTime();
        List<Future<UUID>> taken = new ArrayList<>();
        for (Path paper : papers) {
            taken.add(uploaders.submit(() -> receive(arrivals, viewer, paper)));
        }
        for (Future<UUID> one : taken) {
            one.get();
        }
        double took = (System.nanoTime() - begun) / 1e9;
        uploaders.shutdown();
        return took;
    }

    private static UUID receive(Arrivals arrivals, Viewer viewer, Path paper) {
        return arrivals.receive(new ReceivedPaper(
                paper, paper.getFileName().toString(), Arrival.Source.DROP, viewer.actor(), null, null, null));
    }

    private static double copied(Path folder, List<Path> papers) throws Exception {
        Path copies = java.nio.file.Files.createDirectory(folder.resolve("copies"));
        String all = "'" + folder + "'/paper_*.pdf";
        long begun = System.nanoTime();
        String script =
                "sha256sum " + all + " > /dev/null && cp " + all + " '" + copies + "' && sync '" + copies + "'/*.pdf";
        if (new ProcessBuilder("sh", "-c", script).inheritIO().start().waitFor() != 0) {
            throw new IllegalStateException("Copying failed");
        }
        return (System.nanoTime() - begun) / 1e9;
    }

    private static void fileWhileReading(ConfigurableApplicationContext server, Viewer viewer, Path folder)
            throws Exception {
        Arrivals arrivals = server.getBean(Arrivals.class);
        FileArrivals filing = server.getBean(FileArrivals.class);
        UUID person = server.getBean(PersonFiles.class)
                .open(
                        PersonDetails.since(
                                "employee",
                                "Tamsin",
                                "Korhola",
                                LocalDate.of(1994, 3, 9),
                                null,
                                "Stables",
                                LocalDate.now().minusDays(100),
                                Map.of()),
                        true,
                        viewer.actor())
                .id();
        List<UUID> waiting = new ArrayList<>();
        for (Path paper : papersOf(java.nio.file.Files.createDirectory(folder.resolve("scans")), 2 * FILINGS)) {
            waiting.add(receive(arrivals, viewer, paper));
        }
        double[] took = new double[FILINGS];
        for (int i = 0; i < FILINGS; i++) {
            UUID id = waiting.get(2 * FILINGS - 1 - i);
            long begun = System.nanoTime();
            filing.file(viewer, id, 0, new FilingDetails(person, "letter", LocalDate.now(), null, null));
            took[i] = (System.nanoTime() - begun) / 1e6;
        }
        Figures.told("filing-while-recognising-median", Figures.median(took), "ms");
        Figures.atMost("filing-while-recognising-95", Figures.percentile95(took), "ms", 300);
    }
}
