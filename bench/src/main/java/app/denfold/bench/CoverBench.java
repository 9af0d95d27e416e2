package app.denfold.bench;

import app.denfold.core.marks.PageBox;
import app.denfold.paper.Format;
import app.denfold.paper.copies.BundlePdf;
import app.denfold.paper.copies.Cover;
import app.denfold.paper.copies.LeavingCopy;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.multipdf.PDFMergerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/**
 * 2,000 places covered in a paper of 300 pages, with recognition on the closed pages and without, against drawing the same
 * pages; and 500 papers as one bundle with contents and bookmarks, against joining them bare.
 */
public final class CoverBench {

    private static final int PAGES = 300;
    private static final int PLACES = 2_000;
    private static final int PAPERS = 500;

    private CoverBench() {}

    public static void main(String[] arguments) throws Exception {
        int pages = arguments.length > 0 ? Integer.parseInt(arguments[0]) : PAGES;
        Path folder = Files.createTempDirectory("cover-bench");
        Path paper = paper(folder, pages);
        List<Cover> covers = covers(pages);
        copy(paper, folder, covers.subList(0, Math.min(20, covers.size())), false);
        double drawn = seconds(() -> draw(paper));
        double closed = seconds(() -> copy(paper, folder, covers, false));
        double read = seconds(() -> copy(paper, folder, covers, true));
        Figures.told("draw-" + pages + "-pages", drawn, "s");
        Figures.told("cover-" + PLACES + "-places-on-" + pages + "-pages", closed, "s");
        Figures.told("cover-against-drawing", closed / drawn, "times");
        Figures.told("cover-and-recognise-" + pages + "-pages", read, "s");

        List<BundlePdf.Part> parts = new ArrayList<>();
        for (int i = 0; i < PAPERS; i++) {
            parts.add(new BundlePdf.Part(paper(folder, 2), "Paper " + i));
        }
        double joined = seconds(() -> join(folder, parts));
        double bundled = seconds(() -> BundlePdf.to(folder.resolve("bundle.pdf"), "All of them", parts));
        Figures.told("join-" + PAPERS + "-papers-bare", joined, "s");
        Figures.told("bundle-" + PAPERS + "-papers", bundled, "s");
        Figures.told("bundle-against-bare", bundled / joined, "times");
    }

    private interface Work {
        void run() throws IOException;
    }

    private static double seconds(Work work) throws IOException {
        long begun = System.nanoTime();
        work.run();
        return (System.nanoTime() - begun) / 1e9;
    }

    private static Path paper(Path folder, int pages) throws IOException {
        Path file = Files.createTempFile(folder, "paper", ".pdf");
        PDType1Font font = new PDType1Font(FontName.HELVETICA);
        try (PDDocument document = new PDDocument()) {
            for (int page = 1; page <= pages; page++) {
                PDPage added = new PDPage(PDRectangle.A4);
                document.addPage(added);
                try (PDPageContentStream out = new PDPageContentStream(document, added)) {
                    for (int line = 0; line < 40; line++) {
                        out.beginText();
                        out.setFont(font, 11);
                        out.newLineAtOffset(60, 780 - 18 * line);
                        out.showText(
                                "Line " + line + " of page " + page + " tells of horses, riders and their lessons.");
                        out.endText();
                    }
                }
            }
            document.save(file.toFile());
        }
        return file;
    }

    private static List<Cover> covers(int pages) {
        Random random = new Random(18);
        List<Cover> covers = new ArrayList<>();
        for (int i = 0; i < PLACES; i++) {
            PageBox area = new PageBox(1_000 + random.nextInt(4_000), 700 + 214 * random.nextInt(38), 1_200, 190);
            covers.add(new Cover(i % pages + 1, List.of(area), "third person", List.of()));
        }
        return covers;
    }

    private static void copy(Path paper, Path folder, List<Cover> covers, boolean recognise) throws IOException {
        LeavingCopy.to(
                folder.resolve("copy.pdf"),
                paper,
                Format.PDF,
                new LeavingCopy.Wanted(covers, List.of(), null),
                new LeavingCopy.Settings(recognise, "eng"),
                page -> {});
    }

    private static void draw(Path paper) throws IOException {
        try (PDDocument document = Loader.loadPDF(paper.toFile())) {
            PDFRenderer renderer = new PDFRenderer(document);
            for (int page = 0; page < document.getNumberOfPages(); page++) {
                renderer.renderImageWithDPI(page, 200, ImageType.RGB);
            }
        }
    }

    private static void join(Path folder, List<BundlePdf.Part> parts) throws IOException {
        PDFMergerUtility merger = new PDFMergerUtility();
        merger.setDestinationFileName(folder.resolve("joined.pdf").toString());
        for (BundlePdf.Part part : parts) {
            merger.addSource(part.pdf().toFile());
        }
        merger.mergeDocuments(null);
    }
}
