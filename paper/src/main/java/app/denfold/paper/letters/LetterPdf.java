package app.denfold.paper.letters;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.pdfboxout.PDFontSupplier;
import com.openhtmltopdf.pdfboxout.PdfBoxRenderer;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.awt.color.ColorSpace;
import java.awt.color.ICC_Profile;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Objects;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/**
 * Lays a letter out on A4 pages, as PDF/A-2a (ISO 19005-2) with tags and language (PDF/UA-1, ISO 14289-1). Nothing is
 * fetched from anywhere.
 */
public final class LetterPdf {

    private static final String FAMILY = "Liberation Serif";
    private static final String FONTS = "/liberation/LiberationSerif-";

    private static final String STYLE = """
            body { font-family: '%1$s'; font-size: 11pt; line-height: 1.4; margin: 0; }
            .letter-head { border-bottom: 1.2pt solid; padding-bottom: 3mm; margin-bottom: 10mm; }
            .letter-head img { height: 16mm; float: right; }
            .letter-practice { font-size: 14pt; font-weight: bold; margin: 0; }
            .letter-address { font-size: 9pt; margin: 0; }
            p { margin: 0 0 2.6mm 0; orphans: 2; widows: 2; }
            h1 { font-size: 16pt; margin: 6mm 0 3mm 0; page-break-after: avoid; }
            h2 { font-size: 13pt; margin: 5mm 0 2.5mm 0; page-break-after: avoid; }
            h3 { font-size: 11pt; margin: 4mm 0 2mm 0; page-break-after: avoid; }
            ul, ol { margin: 0 0 2.6mm 0; padding-left: 7mm; }
            li p { margin: 0; }
            table { border-collapse: collapse; margin: 0 0 3mm 0; width: 100%%; }
            td, th { border: 0.5pt solid #888888; padding: 1mm 2mm; text-align: left; vertical-align: top; }
            td p, th p { margin: 0; }
            tr { page-break-inside: avoid; }
            span { background-color: #fdf0d5; }
            .picture img { display: block; margin: 1mm 0 3mm 0; }
            .on-each-page { font-size: 9pt; line-height: 1.25; max-height: 22mm; overflow: hidden; }
            .on-each-page p { margin: 0; }
            .on-each-page .picture img { margin: 0; }
            .page-break { page-break-after: always; }
            .sign-line { width: 70mm; padding-top: 16mm; page-break-inside: avoid; }
            .sign-line p { border-top: 0.7pt solid #333333; padding-top: 1mm; font-size: 9pt; }
            """.formatted(FAMILY);

    static {
        XRLog.setLoggingEnabled(false);
    }

    private LetterPdf() {}

    /** Writes a letter. @return how many pages it has @throws IOException also when a picture is missing */
    public static int to(Path pdf, LetterPages letter) throws IOException {
        try (PDDocument document = new PDDocument();
                OutputStream out = Files.newOutputStream(pdf)) {
            PdfRendererBuilder builder = new PdfRendererBuilder();
            builder.usePDDocument(document);
            builder.withW3cDocument(
                    LetterDocument.of(letter, STYLE + LetterStyle.ofPages(letter.sheet(), FAMILY)), null);
            builder.usePdfAConformance(PdfRendererBuilder.PdfAConformance.PDFA_2_A);
            builder.usePdfUaAccessibility(true);
            builder.useColorProfile(ICC_Profile.getInstance(ColorSpace.CS_sRGB).getData());
            builder.withProducer("Den Fold");
            font(builder, document, "Regular", 400, FontStyle.NORMAL);
            font(builder, document, "Bold", 700, FontStyle.NORMAL);
            font(builder, document, "Italic", 400, FontStyle.ITALIC);
            font(builder, document, "BoldItalic", 700, FontStyle.ITALIC);
            builder.toStream(out);
            try (PdfBoxRenderer renderer = builder.buildPdfRenderer()) {
                renderer.layout();
                renderer.createPDF();
                return renderer.getRootBox().getLayer().getPages().size();
            }
        }
    }

    private static void font(
            PdfRendererBuilder builder, PDDocument document, String face, int weight, FontStyle style) {
        builder.useFont(new Face(document, face), FAMILY, weight, style, true);
    }

    /** Loads a face when the first word is set in it. */
    private static final class Face extends PDFontSupplier {

        private final PDDocument document;
        private final String face;

        Face(PDDocument document, String face) {
            super(null);
            this.document = document;
            this.face = face;
        }

        @Override
        public PDFont supply() {
            return load(document, face);
        }
    }

    /** Without ligatures: to look for them in each word takes most of the time, and what is searched for has none. */
    private static PDFont load(PDDocument document, String face) {
        try {
            TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(open(face)));
            font.setEnableGsub(false);
            document.registerTrueTypeFontForClosing(font);
            return PDType0Font.load(document, font, true);
        } catch (IOException missing) {
            throw new UncheckedIOException(missing);
        }
    }

    private static InputStream open(String face) {
        return Objects.requireNonNull(
                LetterPdf.class.getResourceAsStream(FONTS + face + ".ttf"), "The font of letters is missing");
    }
}
