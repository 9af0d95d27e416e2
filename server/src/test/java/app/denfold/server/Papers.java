package app.denfold.server;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import javax.imageio.ImageIO;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;

/** Small papers for tests. */
public final class Papers {

    private Papers() {}

    public static byte[] pdf(String text) throws IOException {
        try (PDDocument document = page(text)) {
            return bytes(document);
        }
    }

    public static byte[] lockedPdf() throws IOException {
        try (PDDocument document = page("locked")) {
            document.protect(new StandardProtectionPolicy("owner", "user", new AccessPermission()));
            return bytes(document);
        }
    }

    public static byte[] png() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(200, 280, BufferedImage.TYPE_INT_RGB), "png", out);
        return out.toByteArray();
    }

    private static PDDocument page(String text) throws IOException {
        PDDocument document = new PDDocument();
        PDPage page = new PDPage();
        document.addPage(page);
        try (PDPageContentStream out = new PDPageContentStream(document, page)) {
            out.beginText();
            out.setFont(new PDType1Font(FontName.HELVETICA), 12);
            out.newLineAtOffset(80, 700);
            out.showText(text);
            out.endText();
        }
        return document;
    }

    private static byte[] bytes(PDDocument document) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        document.save(out);
        return out.toByteArray();
    }
}
