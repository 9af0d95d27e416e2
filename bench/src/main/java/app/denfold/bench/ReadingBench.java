package app.denfold.bench;

import app.denfold.server.content.Contents;
import app.denfold.server.documents.Documents;
import app.denfold.server.documents.FilingDetails;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.LoadState;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.UUID;
import java.util.stream.Stream;
import javax.imageio.ImageIO;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;

/** A scan of 300 pages and 100 MB, opened and read in Chromium: how long until pages show, and what memory the tab takes. */
public final class ReadingBench {

    private static final int PAGES = 300;
    private static final long WANTED = 100_000_000;
    private static final int ROUNDS = 5;

    /** The middle of a page is drawn once it is neither empty nor white. */
    private static final String DRAWN = """
            async (page) => {
              const begun = performance.now();
              for (;;) {
                const canvas = document.querySelector(`canvas[aria-label*="page ${page} of"]`);
                if (canvas && canvas.width > 50) {
                  const [r, , , a] = canvas.getContext('2d')
                    .getImageData(canvas.width >> 1, canvas.height >> 1, 1, 1).data;
                  if (a === 255 && r < 220) return performance.now() - begun;
                }
                if (performance.now() - begun > 30000) throw new Error('page ' + page + ' never showed');
                await new Promise(requestAnimationFrame);
              }
            }""";

    private ReadingBench() {}

    public static void main(String[] arguments) throws Exception {
        try (BenchServer server = new BenchServer()) {
            read(server.address(), fileWithScan(server));
        }
    }

    private static UUID fileWithScan(BenchServer server) throws IOException {
        byte[] scan = scan();
        Figures.told("scan-size", scan.length / 1e6, "MB");
        LocalDate today = LocalDate.now();
        UUID file = server.newFile();
        String sha256 = server.bean(Contents.class).keepPdf(scan, PAGES);
        server.bean(Documents.class)
                .takeOver(
                        server.viewer().actor(),
                        new FilingDetails(file, "letter", today, null, null),
                        new Documents.Received(sha256, today, "from scanner"),
                        Documents.History.none());
        return file;
    }

    private static byte[] scan() throws IOException {
        List<byte[]> variants = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            variants.add(sheet(i));
        }
        try (PDDocument document = new PDDocument()) {
            long size = 0;
            for (int i = 0; i < PAGES; i++) {
                byte[] jpeg = variants.get(i % variants.size());
                size += jpeg.length;
                PDPage page = new PDPage(PDRectangle.A4);
                document.addPage(page);
                try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                    content.drawImage(JPEGFactory.createFromByteArray(document, jpeg), 0, 0, 595, 842);
                }
            }
            if (size < WANTED * 0.9) {
                throw new IllegalStateException("The sheets are too light: " + size);
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }

    /** A grey sheet of 200 dots an inch, as noisy as gives a third of a megabyte. */
    private static byte[] sheet(int seed) throws IOException {
        for (int noise = 6; ; noise += 2) {
            Random random = new Random(seed);
            BufferedImage image = new BufferedImage(1654, 2339, BufferedImage.TYPE_BYTE_GRAY);
            for (int y = 0; y < image.getHeight(); y++) {
                for (int x = 0; x < image.getWidth(); x++) {
                    image.getRaster().setSample(x, y, 0, 150 + random.nextInt(noise) - noise / 2);
                }
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ImageIO.write(image, "jpeg", out);
            if (out.size() * (long) PAGES >= WANTED * 0.95) {
                return out.toByteArray();
            }
        }
    }

    private static void read(String address, UUID file) throws IOException {
        try (BenchBrowser browser = new BenchBrowser()) {
            Page page = browser.signedIn(address, BenchServer.EMAIL, BenchServer.PASSWORD);
            double[] first = new double[ROUNDS];
            double[] far = new double[ROUNDS];
            double atRest = 0;
            for (int i = -1; i < ROUNDS; i++) {
                page.navigate(address + "/files/" + file);
                page.locator(".slot-paper").first().waitFor();
                page.waitForLoadState(LoadState.NETWORKIDLE);
                atRest = i < 0 ? megabytes() : atRest;
                double[] took = opened(page);
                if (i >= 0) {
                    first[i] = took[0];
                    far[i] = took[1];
                }
            }
            Figures.atMost("first-page-median", Figures.median(first), "ms", 1_000);
            Figures.atMost("first-page-most", max(first), "ms", 1_000);
            Figures.atMost("page-250-median", Figures.median(far), "ms", 1_000);
            Figures.atMost("page-250-most", max(far), "ms", 1_000);
            readThrough(page, atRest);
        }
    }

    /** From the click until the first page shows, and from the going to until page 250 shows; in milliseconds. */
    private static double[] opened(Page page) {
        long begun = System.nanoTime();
        page.locator(".slot-paper").first().click();
        page.evaluate(DRAWN, 1);
        double first = (System.nanoTime() - begun) / 1e6;
        page.getByLabel("Page", new Page.GetByLabelOptions().setExact(true))
                .first()
                .fill("250");
        begun = System.nanoTime();
        page.keyboard().press("Enter");
        page.evaluate(DRAWN, 250);
        return new double[] {first, (System.nanoTime() - begun) / 1e6};
    }

    /** Page by page, as fast as they are drawn. */
    private static void readThrough(Page page, double atRest) throws IOException {
        double most = 0;
        double ofFirst = 0;
        for (int to = 1; to <= PAGES; to += 3) {
            page.getByLabel("Page", new Page.GetByLabelOptions().setExact(true))
                    .first()
                    .fill(String.valueOf(to));
            page.keyboard().press("Enter");
            page.evaluate(DRAWN, to);
            most = Math.max(most, megabytes());
            ofFirst = to <= 60 ? most : ofFirst;
        }
        Figures.told("tab-before", atRest, "MB");
        Figures.told("tab-most-of-60-pages", ofFirst, "MB");
        Figures.told("tab-most-of-300-pages", most, "MB");
        Figures.atMost("tab-300-over-60-pages", most / ofFirst, "x", 1.3);
    }

    /** What the page's processes hold in memory; what they share with others is counted once. */
    private static double megabytes() throws IOException {
        try (Stream<ProcessHandle> all = ProcessHandle.current().descendants()) {
            List<Long> pids =
                    all.map(ProcessHandle::pid).filter(ReadingBench::isRenderer).toList();
            long kilobytes = 0;
            for (long pid : pids) {
                kilobytes += resident(pid);
            }
            return kilobytes / 1e3;
        }
    }

    private static boolean isRenderer(long pid) {
        try {
            return java.nio.file.Files.readString(Path.of("/proc/" + pid + "/cmdline"))
                    .contains("--type=renderer");
        } catch (IOException gone) {
            return false;
        }
    }

    private static long resident(long pid) throws IOException {
        Path status = Path.of("/proc/" + pid + "/smaps_rollup");
        return java.nio.file.Files.exists(status)
                ? java.nio.file.Files.readAllLines(status).stream()
                        .filter(l -> l.startsWith("Pss:"))
                        .mapToLong(l -> Long.parseLong(l.replaceAll("\\D", "")))
                        .sum()
                : 0;
    }

    private static double max(double[] values) {
        double most = 0;
        for (double value : values) {
            most = Math.max(most, value);
        }
        return most;
    }
}
