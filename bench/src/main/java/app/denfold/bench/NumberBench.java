package app.denfold.bench;

import app.denfold.core.marks.PageBox;
import app.denfold.core.numbering.NumberForm;
import app.denfold.core.numbering.NumberPlace;
import app.denfold.paper.Format;
import app.denfold.paper.copies.NumberedCopy;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;

/**
 * Running numbers on 10,000 pages of 500 papers: where the words of the pages are known, and where each page is looked at
 * first, against the library that writes PDF setting a text on each page at one place.
 */
public final class NumberBench {

    private static final int PAGES = 10_000;
    private static final int PAGES_OF_A_PAPER = 20;
    private static final int LINES = 40;

    private NumberBench() {}

    public static void main(String[] arguments) throws Exception {
        int pages = arguments.length > 0 ? Integer.parseInt(arguments[0]) : PAGES;
        Path folder = Files.createTempDirectory("number-bench");
        List<Path> papers = new ArrayList<>();
        for (int i = 0; i < pages / PAGES_OF_A_PAPER; i++) {
            papers.add(paper(folder));
        }
        Path copy = folder.resolve("copy.pdf");
        List<Path> few = papers.subList(0, Math.min(20, papers.size()));
        bare(few, copy);
        numbered(few, copy, words());
        numbered(few.subList(0, 2), copy, Map.of());

        double bare = seconds(() -> bare(papers, copy));
        double known = seconds(() -> numbered(papers, copy, words()));
        List<Path> tenth = papers.subList(0, Math.max(1, papers.size() / 10));
        double looked = seconds(() -> numbered(tenth, copy, Map.of())) * papers.size() / tenth.size();
        Figures.told("bare-" + pages + "-pages", bare, "s");
        Figures.told("numbered-" + pages + "-pages", known, "s");
        Figures.told("numbered-speed-of-bare", 100 * bare / known, "%");
        Figures.told("looked-at-speed-of-bare", 100 * bare / looked, "%");
    }

    private interface Work {
        void run() throws IOException;
    }

    private static double seconds(Work work) throws IOException {
        long begun = System.nanoTime();
        work.run();
        return (System.nanoTime() - begun) / 1e9;
    }

    private static Path paper(Path folder) throws IOException {
        Path file = Files.createTempFile(folder, "paper", ".pdf");
        PDType1Font font = new PDType1Font(FontName.HELVETICA);
        try (PDDocument document = new PDDocument()) {
            for (int page = 1; page <= PAGES_OF_A_PAPER; page++) {
                PDPage added = new PDPage(PDRectangle.A4);
                document.addPage(added);
                try (PDPageContentStream out = new PDPageContentStream(document, added)) {
                    for (int line = 0; line < LINES; line++) {
                        out.beginText();
                        out.setFont(font, 10);
                        out.newLineAtOffset(60, 770 - 18 * line);
                        out.showText(
                                "Line " + line + " of page " + page + " of a report about the yard and its horses");
                        out.endText();
                    }
                }
            }
            document.save(file.toFile());
        }
        return file;
    }

    /** As reading keeps them: a box for each word. */
    private static Map<Integer, List<PageBox>> words() {
        List<PageBox> boxes = new ArrayList<>();
        for (int line = 0; line < LINES; line++) {
            for (int word = 0; word < 12; word++) {
                boxes.add(new PageBox(1_000 + 500 * word, 850 + 214 * line, 450, 140));
            }
        }
        Map<Integer, List<PageBox>> pages = new HashMap<>();
        for (int page = 1; page <= PAGES_OF_A_PAPER; page++) {
            pages.put(page, boxes);
        }
        return pages;
    }

    private static void numbered(List<Path> papers, Path copy, Map<Integer, List<PageBox>> words) throws IOException {
        long number = 1;
        for (Path paper : papers) {
            Files.deleteIfExists(copy);
            number += NumberedCopy.to(
                    copy,
                    paper,
                    Format.PDF,
                    new NumberedCopy.Wanted(
                            new NumberForm("OAK-", 6), number, NumberPlace.BOTTOM_RIGHT, 9, words, List.of()),
                    page -> {});
        }
    }

    private static void bare(List<Path> papers, Path copy) throws IOException {
        long number = 1;
        for (Path paper : papers) {
            Files.deleteIfExists(copy);
            try (PDDocument document = Loader.loadPDF(paper.toFile())) {
                PDType1Font font = new PDType1Font(FontName.HELVETICA);
                for (PDPage page : document.getPages()) {
                    try (PDPageContentStream out =
                            new PDPageContentStream(document, page, AppendMode.APPEND, true, true)) {
                        out.beginText();
                        out.setFont(font, 9);
                        out.newLineAtOffset(520, 20);
                        out.showText("OAK-%06d".formatted(number++));
                        out.endText();
                    }
                }
                document.save(copy.toFile());
            }
        }
    }
}
