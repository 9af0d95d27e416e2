package app.denfold.paper.codes;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.jspecify.annotations.Nullable;

/** A sheet that is laid before a paper in a stack: a code for the machine, big words for people. */
public final class CoverSheet {

    private static final String FONT = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";
    private static final float MARGIN = 56;
    private static final float CODE = 200;
    private static final float MARK_WIDTH = 150;
    private static final float MARK_HEIGHT = 80;
    private static final float NAME_SIZE = 12;
    private static final float WIDTH = PDRectangle.A4.getWidth() - 2 * MARGIN;

    private CoverSheet() {}

    /**
     * One sheet.
     *
     * @param code what the code says
     * @param lines the first one is set large
     */
    public record Sheet(String code, List<String> lines) {}

    /**
     * Whose sheets they are.
     *
     * @param mark its image as PNG; null when it has none
     */
    public record House(String name, byte @Nullable [] mark) {}

    /** As {@link #pdf(List, House)}, of nobody. */
    public static byte[] pdf(List<Sheet> sheets) throws IOException {
        return pdf(sheets, null);
    }

    /** A PDF with one page of A4 for each sheet. @param house whose name and mark stand in its corner; null for nobody's */
    public static byte[] pdf(List<Sheet> sheets, @Nullable House house) throws IOException {
        try (PDDocument document = new PDDocument();
                InputStream in = Objects.requireNonNull(PDDocument.class.getResourceAsStream(FONT))) {
            PDFont font = PDType0Font.load(document, in);
            PDImageXObject mark = house == null || house.mark() == null
                    ? null
                    : PDImageXObject.createFromByteArray(document, house.mark(), "mark");
            for (Sheet sheet : sheets) {
                PDPage page = new PDPage(PDRectangle.A4);
                document.addPage(page);
                try (PDPageContentStream out = new PDPageContentStream(document, page)) {
                    code(out, sheet.code());
                    words(out, font, sheet.lines());
                    if (house != null) {
                        corner(out, font, house.name(), mark);
                    }
                }
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }

    private static void code(PDPageContentStream out, String words) throws IOException {
        squares(out, words, MARGIN, PDRectangle.A4.getHeight() - MARGIN, CODE);
    }

    /** A code drawn as squares, so that it is sharp at any size. @param top of the code @param side of it, in points */
    static void squares(PDPageContentStream out, String words, float left, float top, float side) throws IOException {
        BitMatrix code = matrix(words);
        float step = side / code.getWidth();
        for (int y = 0; y < code.getHeight(); y++) {
            for (int x = 0; x < code.getWidth(); x++) {
                if (code.get(x, y)) {
                    out.addRect(left + x * step, top - (y + 1) * step, step + 0.05f, step + 0.05f);
                }
            }
        }
        out.fill();
    }

    /** Name and mark, as far as they fit beside the code. */
    private static void corner(PDPageContentStream out, PDFont font, String name, @Nullable PDImageXObject mark)
            throws IOException {
        float right = PDRectangle.A4.getWidth() - MARGIN;
        float y = PDRectangle.A4.getHeight() - MARGIN;
        if (mark != null) {
            float scale = Math.min(MARK_WIDTH / mark.getWidth(), MARK_HEIGHT / mark.getHeight());
            float height = mark.getHeight() * scale;
            y -= height;
            out.drawImage(mark, right - mark.getWidth() * scale, y, mark.getWidth() * scale, height);
            y -= 8;
        }
        float natural = font.getStringWidth(name) / 1000;
        float size = natural == 0 ? NAME_SIZE : Math.min(NAME_SIZE, (WIDTH - CODE - 24) / natural);
        out.beginText();
        out.setFont(font, size);
        out.newLineAtOffset(right - natural * size, y - size);
        out.showText(name);
        out.endText();
    }

    private static BitMatrix matrix(String words) {
        try {
            // a quarter of the code may be lost in scanning
            Map<EncodeHintType, Object> hints =
                    Map.of(EncodeHintType.ERROR_CORRECTION, ErrorCorrectionLevel.Q, EncodeHintType.MARGIN, 0);
            return new QRCodeWriter().encode(words, BarcodeFormat.QR_CODE, 0, 0, hints);
        } catch (WriterException tooLong) {
            throw new IllegalArgumentException("A code cannot hold “" + words + "”", tooLong);
        }
    }

    private static void words(PDPageContentStream out, PDFont font, List<String> lines) throws IOException {
        float y = PDRectangle.A4.getHeight() - MARGIN - CODE - 70;
        for (int i = 0; i < lines.size(); i++) {
            float natural = font.getStringWidth(lines.get(i)) / 1000;
            float size = Math.min(i == 0 ? 40 : 24, natural == 0 ? 24 : WIDTH / natural);
            out.beginText();
            out.setFont(font, size);
            out.newLineAtOffset(MARGIN, y);
            out.showText(lines.get(i));
            out.endText();
            y -= i == 0 ? 52 : 36;
        }
    }
}
