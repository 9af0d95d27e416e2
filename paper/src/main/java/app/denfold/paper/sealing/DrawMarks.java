package app.denfold.paper.sealing;

import app.denfold.paper.drawing.CopyText;
import app.denfold.paper.drawing.PageFrame;
import java.io.IOException;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;

/** Puts what signers drew and wrote on the pages. */
final class DrawMarks {

    private DrawMarks() {}

    static void on(PDDocument document, CopyText text, SignatureMark mark) throws IOException {
        PDPage page = document.getPage(mark.place().page() - 1);
        PageFrame frame = PageFrame.of(page);
        float width = (float) (mark.place().width() * frame.width());
        Double part = mark.place().height();
        float height = part == null ? width / 3 : (float) (part * frame.height());
        float left = (float) (mark.place().left() * frame.width());
        float bottom = (float) ((1 - mark.place().top()) * frame.height()) - height;
        try (PDPageContentStream out = new PDPageContentStream(document, page, AppendMode.APPEND, true, true)) {
            out.transform(frame.toPage());
            out.setStrokingColor(0.11f, 0.16f, 0.32f);
            out.setNonStrokingColor(0.11f, 0.16f, 0.32f);
            if (mark.drawing() instanceof SignatureMark.Pen pen) {
                drawPen(out, pen, left, bottom, width, height);
            } else if (mark.drawing() instanceof SignatureMark.Typed typed) {
                text.write(out, typed.text(), left, bottom + height * 0.25f, text.fitting(typed.text(), width, 20));
            }
            if (mark.written() != null) {
                float size = Math.min(11, height * 0.8f);
                text.write(
                        out, mark.written(), left, bottom + height * 0.22f, text.fitting(mark.written(), width, size));
            } else {
                drawFoot(text, out, mark, left, bottom, width);
            }
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

    private static void drawFoot(
            CopyText text, PDPageContentStream out, SignatureMark mark, float left, float bottom, float width)
            throws IOException {
        out.setLineWidth(0.5f);
        out.moveTo(left, bottom);
        out.lineTo(left + width, bottom);
        out.stroke();
        String who = mark.name() + ", " + mark.role();
        text.write(out, who, left, bottom - 9, text.fitting(who, width, 8));
        text.write(out, mark.when(), left, bottom - 18, 7);
    }
}
