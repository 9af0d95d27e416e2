package app.denfold.paper.codes;

import app.denfold.paper.PdfFiles;
import app.denfold.paper.drawing.PageFrame;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** Pages to be printed, each with a small code at its foot by which it is known when it comes back. */
public final class CodedPages {

    private static final String FONT = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";

    /** Of the code, in points: 2 cm, so that an office scanner reads it. */
    private static final float SIDE = 57;

    private static final float EDGE = 14;

    private CodedPages() {}

    /**
     * @param codes one for each page, in order
     * @param words beside each code
     * @throws IOException when the PDF cannot be read, or has another number of pages
     */
    public static void to(Path made, Path pdf, List<String> codes, String words) throws IOException {
        try (PDDocument document = PdfFiles.open(pdf);
                InputStream in = Objects.requireNonNull(PDDocument.class.getResourceAsStream(FONT))) {
            if (document.getNumberOfPages() != codes.size()) {
                throw new IOException(
                        "There are " + document.getNumberOfPages() + " pages and " + codes.size() + " codes");
            }
            PDFont font = PDType0Font.load(document, in);
            for (int i = 0; i < codes.size(); i++) {
                stamp(document, document.getPage(i), codes.get(i), words, font);
            }
            document.save(made.toFile());
        }
    }

    private static void stamp(PDDocument document, PDPage page, String code, String words, PDFont font)
            throws IOException {
        PageFrame frame = PageFrame.of(page);
        float left = frame.width() - SIDE - EDGE;
        try (PDPageContentStream out = new PDPageContentStream(document, page, AppendMode.APPEND, true, true)) {
            out.transform(frame.toPage());
            // whatever stands there, the code lies on white
            out.setNonStrokingColor(1f, 1f, 1f);
            out.addRect(left - 6, EDGE - 6, SIDE + 12, SIDE + 12);
            out.fill();
            out.setNonStrokingColor(0f, 0f, 0f);
            CoverSheet.squares(out, code, left, EDGE + SIDE, SIDE);
            out.beginText();
            out.setFont(font, 7);
            out.newLineAtOffset(left - 10 - font.getStringWidth(words) / 1000 * 7, EDGE);
            out.showText(words);
            out.endText();
        }
    }
}
