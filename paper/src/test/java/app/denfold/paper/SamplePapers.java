package app.denfold.paper;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;

/** Small real papers for the tests. */
public final class SamplePapers {

    private SamplePapers() {}

    public static Path pdf(Path folder, int pages, int rotation) throws IOException {
        Path file = Files.createTempFile(folder, "paper", ".pdf");
        try (PDDocument document = pages(pages, rotation)) {
            document.save(file.toFile());
        }
        return file;
    }

    public static Path lockedPdf(Path folder) throws IOException {
        Path file = Files.createTempFile(folder, "locked", ".pdf");
        try (PDDocument document = pages(1, 0)) {
            document.protect(new StandardProtectionPolicy("owner", "user", new AccessPermission()));
            document.save(file.toFile());
        }
        return file;
    }

    private static PDDocument pages(int count, int rotation) throws IOException {
        PDDocument document = new PDDocument();
        for (int i = 0; i < count; i++) {
            PDPage page = new PDPage(PDRectangle.A4);
            page.setRotation(rotation);
            document.addPage(page);
            try (PDPageContentStream out = new PDPageContentStream(document, page)) {
                out.beginText();
                out.setFont(new PDType1Font(FontName.HELVETICA), 12);
                out.newLineAtOffset(80, 700);
                out.showText("Page " + (i + 1));
                out.endText();
            }
        }
        return document;
    }

    public static Path image(Path folder, String format) throws IOException {
        Path file = Files.createTempFile(folder, "image", "." + format);
        ImageIO.write(picture(Color.WHITE), format, file.toFile());
        return file;
    }

    public static Path tiff(Path folder, int pages) throws IOException {
        Path file = Files.createTempFile(folder, "fax", ".tif");
        ImageWriter writer = ImageIO.getImageWritersByFormatName("tiff").next();
        Files.delete(file);
        try (ImageOutputStream out = ImageIO.createImageOutputStream(file.toFile())) {
            writer.setOutput(out);
            writer.prepareWriteSequence(null);
            for (int i = 0; i < pages; i++) {
                writer.writeToSequence(new javax.imageio.IIOImage(picture(Color.WHITE), null, null), null);
            }
            writer.endWriteSequence();
        } finally {
            writer.dispose();
        }
        return file;
    }

    private static BufferedImage picture(Color paper) {
        BufferedImage image = new BufferedImage(600, 800, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = image.createGraphics();
        graphics.setColor(paper);
        graphics.fillRect(0, 0, 600, 800);
        graphics.setColor(Color.DARK_GRAY);
        graphics.fillRect(60, 60, 300, 12);
        graphics.dispose();
        return image;
    }
}
