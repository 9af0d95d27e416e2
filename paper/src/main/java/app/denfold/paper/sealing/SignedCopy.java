package app.denfold.paper.sealing;

import app.denfold.paper.Format;
import app.denfold.paper.PdfFiles;
import app.denfold.paper.copies.CopyPages;
import app.denfold.paper.drawing.ImagePages;
import app.denfold.paper.drawing.PageFrame;
import app.denfold.paper.drawing.TextOfPaper;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/** Makes a copy of a paper with signatures drawn on its pages and an evidence page at its end. */
public final class SignedCopy {

    /** How wide a signature's box is, as a part of a page's width. */
    public static final double BOX_WIDTH = 0.28;

    private static final String FONT = "/org/apache/pdfbox/resources/ttf/LiberationSans-Regular.ttf";

    private final PDDocument document;
    private final PDFont font;

    private SignedCopy(PDDocument document) throws IOException {
        this.document = document;
        try (InputStream in = Objects.requireNonNull(PDDocument.class.getResourceAsStream(FONT))) {
            this.font = PDType0Font.load(document, in);
        }
    }

    /**
     * @param evidence headings (lines beginning with {@code # }) and lines of the evidence page, in order
     * @return an unsealed PDF; the original is left as it is
     * @throws IOException when the original cannot be read
     */
    public static byte[] make(Path original, Format format, List<SignatureMark> marks, List<String> evidence)
            throws IOException {
        try (PDDocument document = format == Format.PDF ? PdfFiles.open(original) : asPdf(original, format)) {
            document.setAllSecurityToBeRemoved(true);
            SignedCopy copy = new SignedCopy(document);
            for (SignatureMark mark : marks) {
                copy.draw(mark);
            }
            copy.addEvidence(evidence);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            document.save(out);
            return out.toByteArray();
        }
    }

    private static PDDocument asPdf(Path original, Format format) throws IOException {
        Path pdf = Files.createTempFile("pages", ".pdf");
        try {
            int pages = format.shown() == Format.Shown.WORDS
                    ? TextOfPaper.pages(original, format).size()
                    : imageCount(original);
            CopyPages.to(
                    pdf,
                    IntStream.rangeClosed(1, pages)
                            .mapToObj(page -> new CopyPages.Chosen(original, format, page, 0))
                            .toList());
            return Loader.loadPDF(Files.readAllBytes(pdf));
        } finally {
            Files.delete(pdf);
        }
    }

    private static int imageCount(Path images) throws IOException {
        try (ImagePages pages = ImagePages.open(images)) {
            return pages.count();
        }
    }

    private void draw(SignatureMark mark) throws IOException {
        PDPage page = document.getPage(mark.place().page() - 1);
        PageFrame frame = PageFrame.of(page);
        float width = (float) (BOX_WIDTH * frame.width());
        float height = width / 3;
        float left = (float) (mark.place().left() * frame.width());
        float bottom = (float) ((1 - mark.place().top()) * frame.height()) - height;
        try (PDPageContentStream out = new PDPageContentStream(document, page, AppendMode.APPEND, true, true)) {
            out.transform(frame.toPage());
            out.setStrokingColor(0.11f, 0.16f, 0.32f);
            out.setNonStrokingColor(0.11f, 0.16f, 0.32f);
            if (mark.drawing() instanceof SignatureMark.Pen pen) {
                drawPen(out, pen, left, bottom, width, height);
            } else if (mark.drawing() instanceof SignatureMark.Typed typed) {
                text(out, typed.text(), left, bottom + height * 0.25f, fitting(typed.text(), width, 20));
            }
            drawFoot(out, mark, left, bottom, width);
        }
    }

    private static void drawPen(
            PDPageContentStream out, SignatureMark.Pen pen, float left, float bottom, float width, float height)
            throws IOException {
        out.setLineWidth(1.2f);
        out.setLineCapStyle(1);
        out.setLineJoinStyle(1);
        for (List<SignatureMark.Point> stroke : pen.strokes()) {
            for (int i = 0; i < stroke.size(); i++) {
                float x = left + (float) stroke.get(i).x() * width;
                float y = bottom + (float) (1 - stroke.get(i).y()) * height;
                if (i == 0) {
                    out.moveTo(x, y);
                } else {
                    out.lineTo(x, y);
                }
            }
            if (stroke.size() == 1) {
                out.lineTo(
                        left + (float) stroke.get(0).x() * width,
                        bottom + (float) (1 - stroke.get(0).y()) * height);
            }
            out.stroke();
        }
    }

    private void drawFoot(PDPageContentStream out, SignatureMark mark, float left, float bottom, float width)
            throws IOException {
        out.setLineWidth(0.5f);
        out.moveTo(left, bottom);
        out.lineTo(left + width, bottom);
        out.stroke();
        String who = mark.name() + ", " + mark.role();
        text(out, who, left, bottom - 9, fitting(who, width, 8));
        text(out, mark.when(), left, bottom - 18, 7);
    }

    private float fitting(String words, float width, float most) throws IOException {
        float natural = font.getStringWidth(printable(words)) / 1000;
        return natural == 0 ? most : Math.min(most, width / natural);
    }

    private void text(PDPageContentStream out, String words, float x, float y, float size) throws IOException {
        out.beginText();
        out.setFont(font, size);
        out.newLineAtOffset(x, y);
        out.showText(printable(words));
        out.endText();
    }

    /** Characters that the font lacks are shown as a question mark rather than making the copy fail. */
    private String printable(String words) {
        StringBuilder result = new StringBuilder();
        words.codePoints().forEach(c -> {
            try {
                font.encode(new String(Character.toChars(c)));
                result.appendCodePoint(c);
            } catch (IOException | IllegalArgumentException missing) {
                result.append('?');
            }
        });
        return result.toString();
    }

    private void addEvidence(List<String> lines) throws IOException {
        float margin = 56;
        List<String> left = new ArrayList<>(lines);
        while (!left.isEmpty()) {
            PDPage page = new PDPage(PDRectangle.A4);
            document.addPage(page);
            try (PDPageContentStream out = new PDPageContentStream(document, page)) {
                float y = PDRectangle.A4.getHeight() - margin;
                while (!left.isEmpty() && y > margin) {
                    String line = left.remove(0);
                    boolean heading = line.startsWith("# ");
                    String words = heading ? line.substring(2) : line;
                    y -= heading ? 12 : 0;
                    text(
                            out,
                            words,
                            margin,
                            y,
                            fitting(words, PDRectangle.A4.getWidth() - 2 * margin, heading ? 13 : 9.5f));
                    y -= heading ? 20 : 14;
                }
            }
        }
    }
}
