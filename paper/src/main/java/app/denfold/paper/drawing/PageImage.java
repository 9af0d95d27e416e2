package app.denfold.paper.drawing;

import app.denfold.paper.Format;
import app.denfold.paper.PdfFiles;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import javax.imageio.ImageIO;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;

/** Draws one page of a paper. */
public final class PageImage {

    /** The widest image that is drawn, in pixels. */
    public static final int WIDEST = 2_400;

    private PageImage() {}

    /**
     * @param page from 1
     * @param width of the result in pixels, at most {@link #WIDEST}; the height follows
     * @param turn by how many degrees clockwise it is turned: 0, 90, 180 or 270
     * @return a PNG
     * @throws IOException when the file cannot be read
     * @throws IllegalArgumentException when there is no such page or width
     */
    public static byte[] png(Path file, Format format, int page, int width, int turn) throws IOException {
        if (width < 1 || width > WIDEST) {
            throw new IllegalArgumentException("A page is drawn from 1 to " + WIDEST + " pixels wide, not " + width);
        }
        BufferedImage image = Turned.by(draw(file, format, page, width), turn);
        image = image.getWidth() == width ? image : scaled(image, width);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(image, "png", out);
        return out.toByteArray();
    }

    private static BufferedImage draw(Path file, Format format, int page, int width) throws IOException {
        if (format.shown() == Format.Shown.WORDS) {
            List<String> pages = TextOfPaper.pages(file, format);
            requirePage(page, pages.size());
            return TextPage.draw(pages.get(page - 1), width);
        }
        return format == Format.PDF ? ofPdf(file, page, width) : ofImage(file, page, width);
    }

    private static BufferedImage ofPdf(Path file, int page, int width) throws IOException {
        try (PDDocument document = PdfFiles.open(file)) {
            requirePage(page, document.getNumberOfPages());
            PageFrame frame = PageFrame.of(document.getPage(page - 1));
            float tallest = 3f * WIDEST / frame.height();
            return new PdfPages(document)
                    .draw(page, Math.min(width / frame.width(), tallest), ImageType.RGB)
                    .image();
        }
    }

    private static BufferedImage ofImage(Path file, int page, int width) throws IOException {
        try (ImagePages pages = ImagePages.open(file)) {
            requirePage(page, pages.count());
            return scaled(pages.read(page - 1, width), width);
        }
    }

    private static BufferedImage scaled(BufferedImage image, int width) {
        int height =
                Math.max(1, Math.min(3 * WIDEST, Math.round((float) image.getHeight() * width / image.getWidth())));
        BufferedImage result = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = result.createGraphics();
        graphics.setColor(Color.WHITE);
        graphics.fillRect(0, 0, width, height);
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        graphics.drawImage(image, 0, 0, width, height, null);
        graphics.dispose();
        return result;
    }

    private static void requirePage(int page, int pages) {
        if (page < 1 || page > pages) {
            throw new IllegalArgumentException("There is no page " + page + "; the paper has " + pages);
        }
    }
}
