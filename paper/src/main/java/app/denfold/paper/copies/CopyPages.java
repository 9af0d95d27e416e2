package app.denfold.paper.copies;

import app.denfold.paper.Format;
import app.denfold.paper.PdfFiles;
import app.denfold.paper.drawing.ImagePages;
import app.denfold.paper.drawing.TextOfPaper;
import app.denfold.paper.drawing.TextPage;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;

/** Makes a PDF of chosen pages of one or more papers, in any order and turned; the papers themselves stay as they are. */
public final class CopyPages {

    private static final int WIDEST = 2_480;

    private CopyPages() {}

    /**
     * One page of the copy.
     *
     * @param page from 1
     * @param turn by how many degrees clockwise it is turned: 0, 90, 180 or 270
     */
    public record Chosen(Path file, Format format, int page, int turn) {}

    /** @throws IOException when a paper cannot be read or has no such page */
    public static void to(Path pdf, List<Chosen> pages) throws IOException {
        Map<Path, PDDocument> open = new HashMap<>();
        try (PDDocument copy = new PDDocument()) {
            for (Chosen chosen : pages) {
                if (chosen.format() == Format.PDF) {
                    importPage(copy, chosen, open);
                } else {
                    drawPage(copy, chosen);
                }
            }
            copy.save(pdf.toFile());
        } finally {
            for (PDDocument document : open.values()) {
                document.close();
            }
        }
    }

    /** Adds pages of papers that are no PDF. */
    static void drawInto(PDDocument copy, List<Chosen> pages) throws IOException {
        for (Chosen page : pages) {
            drawPage(copy, page);
        }
    }

    private static void importPage(PDDocument copy, Chosen chosen, Map<Path, PDDocument> open) throws IOException {
        PDDocument source = open.get(chosen.file());
        if (source == null) {
            source = PdfFiles.open(chosen.file());
            open.put(chosen.file(), source);
        }
        requirePage(chosen.page(), source.getNumberOfPages());
        PDPage page = copy.importPage(source.getPage(chosen.page() - 1));
        page.setResources(source.getPage(chosen.page() - 1).getResources());
        page.setRotation(Math.floorMod(page.getRotation() + chosen.turn(), 360));
    }

    private static void drawPage(PDDocument copy, Chosen chosen) throws IOException {
        BufferedImage image = picture(chosen);
        boolean wide = image.getWidth() > image.getHeight();
        float width = wide ? PDRectangle.A4.getHeight() : PDRectangle.A4.getWidth();
        addPicture(copy, image, width).setRotation(chosen.turn());
    }

    /** Adds a page that is one picture. @param width of the page, in points */
    static PDPage addPicture(PDDocument copy, BufferedImage image, float width) throws IOException {
        boolean lossless = image.getColorModel().getPixelSize() <= 1;
        PDImageXObject drawn = lossless
                ? LosslessFactory.createFromImage(copy, image)
                : JPEGFactory.createFromImage(copy, withoutAlpha(image), 0.85f);
        PDPage page = new PDPage(new PDRectangle(width, width * image.getHeight() / image.getWidth()));
        copy.addPage(page);
        try (PDPageContentStream out = new PDPageContentStream(copy, page)) {
            out.drawImage(
                    drawn,
                    0,
                    0,
                    page.getMediaBox().getWidth(),
                    page.getMediaBox().getHeight());
        }
        return page;
    }

    static BufferedImage picture(Chosen chosen) throws IOException {
        if (chosen.format().shown() == Format.Shown.WORDS) {
            List<String> pages = TextOfPaper.pages(chosen.file(), chosen.format());
            requirePage(chosen.page(), pages.size());
            return TextPage.draw(pages.get(chosen.page() - 1), 1_654);
        }
        try (ImagePages images = ImagePages.open(chosen.file())) {
            requirePage(chosen.page(), images.count());
            return images.read(chosen.page() - 1, WIDEST);
        }
    }

    private static BufferedImage withoutAlpha(BufferedImage image) {
        if (!image.getColorModel().hasAlpha()) {
            return image;
        }
        BufferedImage plain = new BufferedImage(image.getWidth(), image.getHeight(), BufferedImage.TYPE_INT_RGB);
        plain.createGraphics().drawImage(image, 0, 0, java.awt.Color.WHITE, null);
        return plain;
    }

    private static void requirePage(int page, int pages) throws IOException {
        if (page < 1 || page > pages) {
            throw new IOException("There is no page " + page + "; the paper has " + pages);
        }
    }
}
