package app.denfold.server.demo;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Random;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.multipdf.PDFMergerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.poi.xssf.usermodel.XSSFRow;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;

/** Makes papers with real pages: typed, scanned and photographed ones. The same input gives the same pages. */
final class DemoPapers {

    private static final String FONT = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";

    /** Read once; each document embeds the letters it uses. */
    private static final TrueTypeFont LETTERS = letters();

    private DemoPapers() {}

    private static TrueTypeFont letters() {
        try (InputStream in = Objects.requireNonNull(PDDocument.class.getResourceAsStream(FONT))) {
            TrueTypeFont letters = new TTFParser().parse(new RandomAccessReadBuffer(in));
            // ligatures cost more than all the rest of a page
            letters.setEnableGsub(false);
            return letters;
        } catch (IOException unreadable) {
            throw new IllegalStateException(unreadable);
        }
    }

    /** @param lines a line beginning with {@code # } is a heading, {@code ---} begins a new page */
    static byte[] typed(String letterhead, List<String> lines) {
        try (PDDocument document = document(letterhead, lines)) {
            return bytes(document);
        } catch (IOException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    static byte[] locked(String letterhead, List<String> lines) {
        try (PDDocument document = document(letterhead, lines)) {
            document.protect(new StandardProtectionPolicy("owner of it", "reader of it", new AccessPermission()));
            return bytes(document);
        } catch (IOException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    /** The same as an office scanner would make it: grey, slightly turned, with some noise. */
    static byte[] scanned(String letterhead, List<String> lines, long seed) {
        return scanned(letterhead, lines, 110, seed);
    }

    /** The same by an older machine with fewer dots, for papers that are filed already. */
    static byte[] scannedLongAgo(String letterhead, List<String> lines, long seed) {
        return scanned(letterhead, lines, 88, seed);
    }

    private static byte[] scanned(String letterhead, List<String> lines, int dotsAnInch, long seed) {
        try (PDDocument typed = document(letterhead, lines)) {
            return asPdf(scannedPages(typed, dotsAnInch, seed), 0.6f);
        } catch (IOException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    /** A PDF printed and scanned again. */
    static byte[] scannedPdf(byte[] pdf, long seed) {
        try (PDDocument printed = Loader.loadPDF(pdf)) {
            return asPdf(scannedPages(printed, 110, seed), 0.6f);
        } catch (IOException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    /** The pages of a PDF as a scanner sees them. */
    static List<BufferedImage> scannedPages(byte[] pdf, int dotsAnInch, long seed) throws IOException {
        try (PDDocument printed = Loader.loadPDF(pdf)) {
            return scannedPages(printed, dotsAnInch, seed);
        }
    }

    private static List<BufferedImage> scannedPages(PDDocument printed, int dotsAnInch, long seed) throws IOException {
        Random random = new Random(seed);
        PDFRenderer renderer = new PDFRenderer(printed);
        List<BufferedImage> pages = new ArrayList<>();
        for (int i = 0; i < printed.getNumberOfPages(); i++) {
            pages.add(askew(renderer.renderImageWithDPI(i, dotsAnInch, ImageType.GRAY), random));
        }
        return pages;
    }

    static byte[] imagesAsPdf(List<BufferedImage> pages) throws IOException {
        return asPdf(pages, 0.75f);
    }

    private static byte[] asPdf(List<BufferedImage> pages, float quality) throws IOException {
        try (PDDocument scan = new PDDocument()) {
            for (BufferedImage page : pages) {
                PDImageXObject image = JPEGFactory.createFromImage(scan, page, quality);
                PDPage to = new PDPage(PDRectangle.A4);
                scan.addPage(to);
                try (PDPageContentStream out = new PDPageContentStream(scan, to)) {
                    out.drawImage(image, 0, 0, PDRectangle.A4.getWidth(), PDRectangle.A4.getHeight());
                }
            }
            return bytes(scan);
        }
    }

    static byte[] jpeg(BufferedImage page) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(page, "jpg", out);
        return out.toByteArray();
    }

    /** Several papers as one stack that went through the scanner in one go. */
    static byte[] merged(List<byte[]> papers) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PDFMergerUtility merger = new PDFMergerUtility();
        merger.setDestinationStream(out);
        papers.forEach(p -> merger.addSource(new RandomAccessReadBuffer(p)));
        try {
            merger.mergeDocuments(null);
            return out.toByteArray();
        } catch (IOException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    /** The same scan, laid into the scanner the wrong way round. */
    static byte[] upsideDown(byte[] scan) {
        try (PDDocument document = Loader.loadPDF(scan)) {
            document.getPages().forEach(page -> page.setRotation(180));
            return bytes(document);
        } catch (IOException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    /** A spoken memo, as far as a machine that cannot speak can make one: two seconds of a humming voice. */
    static byte[] memo() {
        float rate = 8_000;
        byte[] samples = new byte[(int) (2 * rate)];
        for (int i = 0; i < samples.length; i++) {
            double loud = 60 * Math.abs(Math.sin(Math.PI * i / rate * 2.5));
            samples[i] = (byte) (loud * Math.sin(2 * Math.PI * 140 * i / rate));
        }
        AudioFormat format = new AudioFormat(rate, 8, 1, true, false);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (AudioInputStream sound = AudioSystem.getAudioInputStream(
                new AudioFormat(rate, 16, 1, true, false),
                new AudioInputStream(new ByteArrayInputStream(samples), format, samples.length))) {
            AudioSystem.write(sound, AudioFileFormat.Type.WAVE, out);
            return out.toByteArray();
        } catch (IOException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    /** A spreadsheet with one sheet. */
    static byte[] table(List<List<String>> rows) {
        try (XSSFWorkbook book = new XSSFWorkbook()) {
            XSSFSheet sheet = book.createSheet("Boxes");
            for (int r = 0; r < rows.size(); r++) {
                XSSFRow row = sheet.createRow(r);
                for (int c = 0; c < rows.get(r).size(); c++) {
                    row.createCell(c).setCellValue(rows.get(r).get(c));
                }
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            book.write(out);
            return out.toByteArray();
        } catch (IOException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    /** All pages as one black and white TIFF, as a fax machine sends them. */
    static byte[] faxed(String letterhead, List<String> lines) {
        try (PDDocument typed = document(letterhead, lines)) {
            PDFRenderer renderer = new PDFRenderer(typed);
            List<BufferedImage> pages = new ArrayList<>();
            for (int i = 0; i < typed.getNumberOfPages(); i++) {
                pages.add(renderer.renderImageWithDPI(i, 98, ImageType.BINARY));
            }
            return tiff(pages);
        } catch (IOException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    static byte[] tiff(List<BufferedImage> pages) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageWriter writer = ImageIO.getImageWritersByFormatName("tiff").next();
        try (ImageOutputStream out = ImageIO.createImageOutputStream(bytes)) {
            writer.setOutput(out);
            writer.prepareWriteSequence(null);
            for (BufferedImage page : pages) {
                writer.writeToSequence(new IIOImage(page, null, null), null);
            }
            writer.endWriteSequence();
        } finally {
            writer.dispose();
        }
        return bytes.toByteArray();
    }

    /** The first page lying on a table, as a phone would take it. */
    static byte[] photographed(String letterhead, List<String> lines, long seed) {
        try (PDDocument typed = document(letterhead, lines)) {
            BufferedImage page = new PDFRenderer(typed).renderImageWithDPI(0, 110, ImageType.RGB);
            BufferedImage photo =
                    new BufferedImage(page.getWidth() + 220, page.getHeight() + 200, BufferedImage.TYPE_INT_RGB);
            Graphics2D g = photo.createGraphics();
            g.setColor(new Color(0x8a7358));
            g.fillRect(0, 0, photo.getWidth(), photo.getHeight());
            g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
            g.rotate(
                    Math.toRadians(1.2 + new Random(seed).nextDouble()),
                    photo.getWidth() / 2.0,
                    photo.getHeight() / 2.0);
            g.drawImage(page, 110, 100, null);
            g.dispose();
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            ImageIO.write(photo, "jpg", out);
            return out.toByteArray();
        } catch (IOException impossible) {
            throw new IllegalStateException(impossible);
        }
    }

    private static BufferedImage askew(BufferedImage page, Random random) {
        BufferedImage result = new BufferedImage(page.getWidth(), page.getHeight(), BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D g = result.createGraphics();
        g.setColor(new Color(0xf4f4f4));
        g.fillRect(0, 0, result.getWidth(), result.getHeight());
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        double angle = Math.toRadians(random.nextDouble() * 2 - 1);
        g.drawImage(
                page, AffineTransform.getRotateInstance(angle, page.getWidth() / 2.0, page.getHeight() / 2.0), null);
        for (int i = 0; i < 300; i++) {
            g.setColor(new Color(90 + random.nextInt(120), true));
            g.fillRect(random.nextInt(result.getWidth()), random.nextInt(result.getHeight()), 1, 1);
        }
        g.dispose();
        return result;
    }

    private static byte[] bytes(PDDocument document) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        document.save(out);
        return out.toByteArray();
    }

    private static PDDocument document(String letterhead, List<String> lines) throws IOException {
        PDDocument document = new PDDocument();
        PDFont font = PDType0Font.load(document, LETTERS, true);
        int from = 0;
        while (from < lines.size()) {
            int to = lines.subList(from, lines.size()).indexOf("---");
            List<String> page = lines.subList(from, to < 0 ? lines.size() : from + to);
            writePage(document, font, letterhead, page);
            from += page.size() + 1;
        }
        return document;
    }

    private static void writePage(PDDocument document, PDFont font, String letterhead, List<String> lines)
            throws IOException {
        PDPage page = new PDPage(PDRectangle.A4);
        document.addPage(page);
        try (PDPageContentStream out = new PDPageContentStream(document, page)) {
            out.setNonStrokingColor(0.3f, 0.36f, 0.34f);
            line(out, font, 10, 70, 785, letterhead);
            out.setStrokingColor(0.7f, 0.7f, 0.65f);
            out.moveTo(70, 776);
            out.lineTo(525, 776);
            out.stroke();
            out.setNonStrokingColor(0.1f, 0.12f, 0.12f);
            float y = 730;
            for (String text : lines) {
                boolean heading = text.startsWith("# ");
                line(out, font, heading ? 19 : 11, 70, y, heading ? text.substring(2) : text);
                y -= heading ? 40 : 19;
            }
        }
    }

    private static void line(PDPageContentStream out, PDFont font, float size, float x, float y, String text)
            throws IOException {
        out.beginText();
        out.setFont(font, size);
        out.newLineAtOffset(x, y);
        out.showText(text);
        out.endText();
    }
}
