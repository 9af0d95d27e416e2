package app.denfold.server;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.ImageIO;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.multipdf.PDFMergerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.encryption.AccessPermission;
import org.apache.pdfbox.pdmodel.encryption.StandardProtectionPolicy;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDSignatureField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTerminalField;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;

/** Small papers for tests. */
public final class Papers {

    private Papers() {}

    public static byte[] pdf(String text) throws IOException {
        try (PDDocument document = page(text)) {
            return bytes(document);
        }
    }

    /** One page for each text; {@code |} breaks a line. */
    public static byte[] pages(List<String> texts) throws IOException {
        List<byte[]> pages = new ArrayList<>();
        for (String text : texts) {
            pages.add(pdf(text));
        }
        return merged(pages);
    }

    /** Several PDFs one behind the other, as a stack is scanned. */
    public static byte[] merged(List<byte[]> papers) throws IOException {
        PDFMergerUtility merger = new PDFMergerUtility();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        merger.setDestinationStream(out);
        papers.forEach(p -> merger.addSource(new RandomAccessReadBuffer(p)));
        merger.mergeDocuments(null);
        return out.toByteArray();
    }

    /** A PDF with an empty form: a field for a signature and one for text. */
    public static byte[] formToSign(String text, String signature, String field) throws IOException {
        try (PDDocument document = page(text)) {
            PDAcroForm form = new PDAcroForm(document);
            document.getDocumentCatalog().setAcroForm(form);
            form.setDefaultAppearance("/Helv 11 Tf 0 g");
            int y = 500;
            for (PDTerminalField empty : List.of(new PDSignatureField(form), new PDTextField(form))) {
                empty.setPartialName(empty instanceof PDTextField ? field : signature);
                PDAnnotationWidget widget = empty.getWidgets().get(0);
                widget.setRectangle(new PDRectangle(60, y, 200, 30));
                widget.setPage(document.getPage(0));
                document.getPage(0).getAnnotations().add(widget);
                form.getFields().add(empty);
                y -= 100;
            }
            return bytes(document);
        }
    }

    /** A page with a label, and above it, beginning further left, a drawn line. */
    public static byte[] withLineAbove(String label) throws IOException {
        try (PDDocument document = page("Livery agreement|between the owner of a horse and the yard|for one year")) {
            try (PDPageContentStream out =
                    new PDPageContentStream(document, document.getPage(0), AppendMode.APPEND, false)) {
                out.moveTo(60, 200);
                out.lineTo(240, 200);
                out.stroke();
                out.beginText();
                out.setFont(new PDType1Font(FontName.HELVETICA), 10);
                out.newLineAtOffset(90, 188);
                out.showText(label);
                out.endText();
            }
            return bytes(document);
        }
    }

    /** A fillable PDF with one field that is filled in. */
    public static byte[] form(String text, String field, String value) throws IOException {
        try (PDDocument document = page(text)) {
            PDAcroForm form = new PDAcroForm(document);
            document.getDocumentCatalog().setAcroForm(form);
            PDResources resources = new PDResources();
            resources.put(COSName.HELV, new PDType1Font(FontName.HELVETICA));
            form.setDefaultResources(resources);
            form.setDefaultAppearance("/Helv 11 Tf 0 g");
            PDTextField filled = new PDTextField(form);
            filled.setPartialName(field);
            PDAnnotationWidget widget = filled.getWidgets().get(0);
            widget.setRectangle(new PDRectangle(60, 500, 200, 20));
            widget.setPage(document.getPage(0));
            document.getPage(0).getAnnotations().add(widget);
            form.getFields().add(filled);
            filled.setValue(value);
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
            out.setLeading(20);
            for (String line : text.split("\\|")) {
                out.showText(line.strip());
                out.newLine();
            }
            out.endText();
        }
        return document;
    }

    static byte[] bytes(PDDocument document) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        document.save(out);
        return out.toByteArray();
    }

    /** Pages as an office scanner makes them of printed ones: pictures at 200 dots an inch, each scan other bytes. */
    public static byte[] scanOf(byte[] pdf) throws IOException {
        try (PDDocument printed = org.apache.pdfbox.Loader.loadPDF(pdf);
                PDDocument scan = new PDDocument()) {
            var renderer = new org.apache.pdfbox.rendering.PDFRenderer(printed);
            for (int i = 0; i < printed.getNumberOfPages(); i++) {
                BufferedImage image = renderer.renderImageWithDPI(i, 200);
                PDPage page = new PDPage(PDRectangle.A4);
                scan.addPage(page);
                try (PDPageContentStream out = new PDPageContentStream(scan, page)) {
                    out.drawImage(
                            org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory.createFromImage(scan, image, 0.8f),
                            0,
                            0,
                            PDRectangle.A4.getWidth(),
                            PDRectangle.A4.getHeight());
                }
            }
            scan.getDocumentInformation().setTitle("scan " + java.util.UUID.randomUUID());
            return bytes(scan);
        }
    }
}
