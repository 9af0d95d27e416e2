package app.denfold.bench;

import app.denfold.core.filing.Clues;
import app.denfold.core.filing.SplitBatch;
import app.denfold.paper.Format;
import app.denfold.paper.codes.CoverSheet;
import app.denfold.paper.reading.ReadPages;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/**
 * A stack of 300-dpi grey scans with a cover sheet before every fourth paper page, split and its codes read without
 * text recognition, against drawing its pages with pdftoppm at 150 dpi and looking for codes with zbarimg; and the most
 * memory that takes, for 200 pages and for 2,000.
 */
public final class StackBench {

    private static final int PAGES_OF_ONE = 5;
    private static final int DOTS_AN_INCH = 300;
    private static final String READS = "reads";

    private StackBench() {}

    public static void main(String[] arguments) throws Exception {
        if (arguments.length == 2 && arguments[0].equals(READS)) {
            read(Path.of(arguments[1]));
            return;
        }
        Path folder = Files.createTempDirectory("stack");
        try {
            Path small = stack(folder.resolve("200.pdf"), 200);
            double ours = measureOurs(small, "200");
            double floor = measureFloor(small, folder);
            Figures.told("stack-200-split", ours, "s");
            Figures.told("stack-200-pdftoppm-and-zbarimg", floor, "s");
            Figures.atMost("stack-over-floor", ours / floor, "x", 1);
            double large = measureOurs(stack(folder.resolve("2000.pdf"), 2_000), "2000");
            Figures.told("stack-2000-split", large, "s");
        } finally {
            try (Stream<Path> all = Files.walk(folder)) {
                all.sorted(java.util.Comparator.reverseOrder())
                        .forEach(f -> f.toFile().delete());
            }
        }
    }

    /** In a process of its own with 300 megabytes, like a worker of the server. */
    private static double measureOurs(Path stack, String name) throws Exception {
        long begun = System.nanoTime();
        Process process = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-Xmx300m",
                        "-XX:+UseSerialGC",
                        "-Djava.awt.headless=true",
                        "-cp",
                        System.getProperty("java.class.path"),
                        StackBench.class.getName(),
                        READS,
                        stack.toString())
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start();
        String said = new String(process.getInputStream().readAllBytes());
        if (process.waitFor() != 0) {
            throw new IllegalStateException("Reading the stack failed: " + said);
        }
        double took = (System.nanoTime() - begun) / 1e9;
        String[] parts = said.strip().split(" ");
        Figures.told("stack-" + name + "-papers", Double.parseDouble(parts[0]), "papers");
        Figures.told("stack-" + name + "-most-memory", Double.parseDouble(parts[1]) / 1024, "MB");
        return took;
    }

    private static void read(Path stack) throws IOException {
        List<Clues.PageClues> pages = new ArrayList<>();
        ReadPages.each(
                stack,
                Format.PDF,
                ReadPages.Settings.codesOnly(),
                1,
                p -> pages.add(new Clues.PageClues(p.number(), p.text(), p.codes(), p.blank())));
        int papers = SplitBatch.split(pages, SplitBatch.Rules.sure()).parts().size();
        String most = Files.readAllLines(Path.of("/proc/self/status")).stream()
                .filter(l -> l.startsWith("VmHWM"))
                .map(l -> l.replaceAll("\\D", ""))
                .findFirst()
                .orElse("0");
        System.out.println(papers + " " + most);
    }

    private static double measureFloor(Path stack, Path folder) throws Exception {
        Path pages = Files.createDirectory(folder.resolve("pages"));
        long begun = System.nanoTime();
        run(
                "pdftoppm",
                "-r",
                "150",
                "-gray",
                stack.toString(),
                pages.resolve("p").toString());
        run("sh", "-c", "zbarimg -q --raw '" + pages + "'/*.pgm > /dev/null; true");
        return (System.nanoTime() - begun) / 1e9;
    }

    private static void run(String... command) throws Exception {
        if (new ProcessBuilder(command).inheritIO().start().waitFor() != 0) {
            throw new IllegalStateException(command[0] + " failed");
        }
    }

    /** Pages are drawn a few times and used again, each with bytes of its own in the file. */
    private static Path stack(Path to, int pages) throws Exception {
        List<BufferedImage> papers = new ArrayList<>();
        for (int i = 0; i < 12; i++) {
            papers.add(typed(i));
        }
        List<BufferedImage> covers = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            covers.add(cover(i));
        }
        try (PDDocument document = new PDDocument()) {
            for (int i = 0; i < pages; i++) {
                int paper = i / PAGES_OF_ONE;
                BufferedImage image = i % PAGES_OF_ONE == 0 ? covers.get(paper % 8) : papers.get(i % 12);
                PDPage page = new PDPage(PDRectangle.A4);
                document.addPage(page);
                try (PDPageContentStream out = new PDPageContentStream(document, page)) {
                    out.drawImage(
                            JPEGFactory.createFromImage(document, image, 0.7f),
                            0,
                            0,
                            PDRectangle.A4.getWidth(),
                            PDRectangle.A4.getHeight());
                }
            }
            document.save(to.toFile());
        }
        return to;
    }

    private static BufferedImage cover(int number) throws Exception {
        byte[] sheet = CoverSheet.pdf(List.of(new CoverSheet.Sheet(
                "denfold:file=E-%04d;type=first-aid".formatted(number + 100),
                List.of("Cover " + number, "First aid"))));
        try (PDDocument document = Loader.loadPDF(sheet)) {
            return noisy(new PDFRenderer(document).renderImageWithDPI(0, DOTS_AN_INCH, ImageType.GRAY), number);
        }
    }

    private static BufferedImage typed(int seed) {
        BufferedImage page = new BufferedImage(2_480, 3_508, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D g = page.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        g.setColor(new Color(0xf4f4f4));
        g.fillRect(0, 0, page.getWidth(), page.getHeight());
        g.rotate(Math.toRadians(seed % 3 - 1), 1_240, 1_754);
        g.setColor(Color.DARK_GRAY);
        g.setFont(new Font(Font.SANS_SERIF, Font.PLAIN, 46));
        for (int line = 0; line < 42; line++) {
            g.drawString(
                    "Line " + line + " of paper " + seed + ", with some words to be read on it", 240, 320 + 70 * line);
        }
        g.dispose();
        return noisy(page, seed);
    }

    private static BufferedImage noisy(BufferedImage page, int seed) {
        Random random = new Random(seed);
        for (int i = 0; i < 6_000; i++) {
            int grey = 120 + random.nextInt(100);
            page.setRGB(
                    random.nextInt(page.getWidth()), random.nextInt(page.getHeight()), grey << 16 | grey << 8 | grey);
        }
        return page;
    }
}
