package app.denfold.paper;

import static org.assertj.core.api.Assertions.assertThat;

import app.denfold.paper.reading.PageFacts;
import app.denfold.paper.reading.ReadPages;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import javax.imageio.ImageIO;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.color.PDColorSpace;
import org.apache.pdfbox.pdmodel.graphics.color.PDDeviceGray;
import org.apache.pdfbox.pdmodel.graphics.image.CCITTFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A page that somebody could read is never called blank. */
class HiddenInkTest {

    private static final List<String> NOTE =
            List.of("Livery agreement, box seven", "Signed on 4 March 2026 by the owner");

    @TempDir
    Path folder;

    private static PageFacts read(Path file, Format format) throws IOException {
        List<PageFacts> pages = new ArrayList<>();
        ReadPages.each(file, format, ReadPages.Settings.english(), 1, pages::add);
        assertThat(pages).hasSize(1);
        return pages.get(0);
    }

    private Path pdfOf(byte[] picture, COSName filter, int bits, PDColorSpace colours, BufferedImage size)
            throws IOException {
        Path file = Files.createTempFile(folder, "scan", ".pdf");
        try (PDDocument document = new PDDocument()) {
            PDPage page = new PDPage(PDRectangle.A4);
            document.addPage(page);
            PDImageXObject image = new PDImageXObject(
                    document,
                    new ByteArrayInputStream(picture),
                    filter,
                    size.getWidth(),
                    size.getHeight(),
                    bits,
                    colours);
            try (PDPageContentStream out = new PDPageContentStream(document, page)) {
                out.drawImage(
                        image,
                        0,
                        0,
                        page.getMediaBox().getWidth(),
                        page.getMediaBox().getHeight());
            }
            document.save(file.toFile());
        }
        return file;
    }

    private static BufferedImage bitonal(BufferedImage page) {
        BufferedImage two = new BufferedImage(page.getWidth(), page.getHeight(), BufferedImage.TYPE_BYTE_BINARY);
        Graphics2D g = two.createGraphics();
        g.drawImage(page, 0, 0, null);
        g.dispose();
        return two;
    }

    /** A page of ISO/IEC 14492 with one generic region, coded as a fax is (MMR). */
    private static byte[] jbig2(BufferedImage page) throws IOException {
        byte[] fax;
        try (PDDocument document = new PDDocument();
                InputStream coded = CCITTFactory.createFromImage(document, page)
                        .getCOSObject()
                        .createRawInputStream()) {
            fax = coded.readAllBytes();
        }
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        DataOutputStream out = new DataOutputStream(bytes);
        segment(out, 0, 48, 19);
        out.writeInt(page.getWidth());
        out.writeInt(page.getHeight());
        out.write(new byte[8 + 1 + 2]);
        segment(out, 1, 38, 18 + fax.length);
        out.writeInt(page.getWidth());
        out.writeInt(page.getHeight());
        out.write(new byte[8 + 1]);
        out.writeByte(1);
        out.write(fax);
        return bytes.toByteArray();
    }

    private static void segment(DataOutputStream out, int number, int type, int length) throws IOException {
        out.writeInt(number);
        out.writeByte(type);
        out.writeByte(0);
        out.writeByte(1);
        out.writeInt(length);
    }

    @Test
    void aScanInJbig2IsRead() throws IOException {
        BufferedImage page = bitonal(DrawnPages.text(NOTE));
        Path scan = pdfOf(jbig2(page), COSName.JBIG2_DECODE, 1, PDDeviceGray.INSTANCE, page);
        PageFacts read = read(scan, Format.PDF);
        assertThat(read.blank()).isFalse();
        assertThat(read.text()).contains("Livery agreement");
    }

    @Test
    void aScanInJpeg2000IsRead() throws IOException {
        BufferedImage page = DrawnPages.text(NOTE);
        ByteArrayOutputStream coded = new ByteArrayOutputStream();
        assertThat(ImageIO.write(page, "jpeg 2000", coded)).isTrue();
        Path scan = pdfOf(coded.toByteArray(), COSName.JPX_DECODE, 8, PDDeviceGray.INSTANCE, page);
        PageFacts read = read(scan, Format.PDF);
        assertThat(read.blank()).isFalse();
        assertThat(read.text()).contains("Livery agreement");
    }

    @Test
    void aPictureThatCannotBeDecodedIsNotCalledNothing() throws IOException {
        BufferedImage page = bitonal(DrawnPages.text(NOTE));
        byte[] broken = Arrays.copyOf(jbig2(page), 20);
        for (Path scan : List.of(
                pdfOf(broken, COSName.JBIG2_DECODE, 1, PDDeviceGray.INSTANCE, page),
                pdfOf(new byte[] {1, 2, 3}, COSName.JPX_DECODE, 8, PDDeviceGray.INSTANCE, page))) {
            PageFacts read = read(scan, Format.PDF);
            assertThat(read.blank()).isFalse();
            assertThat(read.textFrom()).isEqualTo(PageFacts.TextFrom.NONE);
        }
    }

    @Test
    void pencilIsReadAndAnEmptyPageOfGreyPaperIsBlank() throws IOException {
        BufferedImage pencil = DrawnPages.empty();
        Graphics2D g = pencil.createGraphics();
        g.setColor(new Color(0xf4 - 45, 0xf4 - 45, 0xf4 - 45));
        g.setFont(new Font(Font.SANS_SERIF, Font.PLAIN, 34));
        for (int i = 0; i < NOTE.size(); i++) {
            g.drawString(NOTE.get(i), 180, 260 + 60 * i);
        }
        g.dispose();
        PageFacts read = read(DrawnPages.png(folder, DrawnPages.scanned(pencil, 0.3, 11)), Format.PNG);
        assertThat(read.blank()).isFalse();
        assertThat(read.text()).contains("Livery agreement");
        PageFacts empty = read(DrawnPages.png(folder, DrawnPages.scanned(DrawnPages.empty(), 0.3, 12)), Format.PNG);
        assertThat(empty.blank()).isTrue();
    }
}
