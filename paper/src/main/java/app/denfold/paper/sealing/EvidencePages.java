package app.denfold.paper.sealing;

import app.denfold.paper.drawing.CopyText;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/** The pages that tell how a paper was signed. */
final class EvidencePages {

    private static final float MARGIN = 56;

    /** Of a page, from its first line to its last, in points. */
    private static final float ROOM = PDRectangle.A4.getHeight() - 2 * MARGIN;

    private EvidencePages() {}

    /** Empty ones, at the end. */
    static void add(PDDocument document, int count) {
        for (int i = 0; i < count; i++) {
            document.addPage(new PDPage(PDRectangle.A4));
        }
    }

    private static boolean isHeading(String line) {
        return line.startsWith("# ");
    }

    private static float heightOf(String line) {
        return isHeading(line) ? 32 : 14;
    }

    /** How many pages the lines fill. */
    static int count(List<String> lines) {
        int pages = 1;
        float left = ROOM;
        for (String line : lines) {
            if (left < heightOf(line)) {
                pages++;
                left = ROOM;
            }
            left -= heightOf(line);
        }
        return pages;
    }

    /** On the last pages. */
    static void write(PDDocument document, CopyText text, List<String> lines, int pages) throws IOException {
        List<String> left = new ArrayList<>(lines);
        for (int i = document.getNumberOfPages() - pages; i < document.getNumberOfPages(); i++) {
            try (PDPageContentStream out =
                    new PDPageContentStream(document, document.getPage(i), AppendMode.APPEND, true, true)) {
                float y = PDRectangle.A4.getHeight() - MARGIN;
                float room = ROOM;
                while (!left.isEmpty() && room >= heightOf(left.get(0))) {
                    String line = left.remove(0);
                    room -= heightOf(line);
                    String words = isHeading(line) ? line.substring(2) : line;
                    y -= isHeading(line) ? 12 : 0;
                    text.write(
                            out,
                            words,
                            MARGIN,
                            y,
                            text.fitting(words, PDRectangle.A4.getWidth() - 2 * MARGIN, isHeading(line) ? 13 : 9.5f));
                    y -= isHeading(line) ? 20 : 14;
                }
            }
        }
    }
}
