package app.denfold.paper.copies;

import app.denfold.core.marks.MarkShape;
import app.denfold.core.marks.PageBox;
import app.denfold.core.marks.PagePoint;
import app.denfold.paper.drawing.CopyText;
import app.denfold.paper.drawing.PageFrame;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.io.IOException;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.GregorianCalendar;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.color.PDColor;
import org.apache.pdfbox.pdmodel.graphics.color.PDDeviceRGB;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationHighlight;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationInk;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLine;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationMarkup;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationRubberStamp;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationSquare;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationText;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceDictionary;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAppearanceStream;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDBorderStyleDictionary;

/** Marks as annotations of ISO 32000-1, 12.5, with an appearance, so that every reader shows them. */
final class MarkAnnotations {

    private static final PDColor YELLOW = colour(0.96f, 0.82f, 0.36f);
    private static final PDColor GREEN = colour(0.17f, 0.37f, 0.32f);
    private static final PDColor CLAY = colour(0.70f, 0.29f, 0.17f);
    /** Of the words of a stamp, at most, in points. */
    private static final float STAMP_SIZE = 13;

    private MarkAnnotations() {}

    private static PDColor colour(float red, float green, float blue) {
        return new PDColor(new float[] {red, green, blue}, PDDeviceRGB.INSTANCE);
    }

    static PDAnnotation of(PDDocument document, PDPage page, CopyText text, ShownMark mark) throws IOException {
        Placing at = new Placing(PageFrame.of(page));
        PDAnnotationMarkup annotation = drawn(mark.shape(), at);
        annotation.setPage(page);
        annotation.setPrinted(true);
        annotation.setTitlePopup(mark.author());
        annotation.setCreationDate(
                GregorianCalendar.from(Instant.ofEpochMilli(mark.at()).atZone(ZoneOffset.UTC)));
        annotation.setModifiedDate(annotation.getCreationDate());
        if (mark.shape().text() != null) {
            annotation.setContents(mark.shape().text());
        }
        if (annotation instanceof PDAnnotationRubberStamp) {
            drawStamp(document, page, text, annotation);
        } else {
            annotation.constructAppearances(document);
        }
        return annotation;
    }

    /** Stamps of words of one's own are known to no reader by name, so they bring their picture: the words in a frame. */
    private static void drawStamp(PDDocument document, PDPage page, CopyText text, PDAnnotationMarkup stamp)
            throws IOException {
        boolean isSideways = page.getRotation() % 180 != 0;
        PDRectangle place = stamp.getRectangle();
        float width = isSideways ? place.getHeight() : place.getWidth();
        float height = isSideways ? place.getWidth() : place.getHeight();
        PDAppearanceStream picture = new PDAppearanceStream(document);
        picture.setBBox(new PDRectangle(width, height));
        picture.setResources(new PDResources());
        // upright where the page is turned
        picture.setMatrix(AffineTransform.getRotateInstance(Math.toRadians(page.getRotation())));
        String words = String.valueOf(stamp.getContents()).replaceAll("\\s+", " ");
        float size = text.fitting(words, width - 8, Math.min(STAMP_SIZE, height * 0.7f));
        try (PDPageContentStream out =
                new PDPageContentStream(document, picture, picture.getStream().createOutputStream())) {
            out.setStrokingColor(CLAY);
            out.setNonStrokingColor(CLAY);
            out.setLineWidth(1.2f);
            out.addRect(1, 1, width - 2, height - 2);
            out.stroke();
            text.write(out, words, 4 + (width - 8 - text.width(words, size)) / 2, (height - size * 0.7f) / 2, size);
        }
        PDAppearanceDictionary appearance = new PDAppearanceDictionary();
        appearance.setNormalAppearance(picture);
        stamp.setAppearance(appearance);
    }

    private static PDAnnotationMarkup drawn(MarkShape shape, Placing at) {
        return switch (shape.kind()) {
            case HIGHLIGHT -> {
                PDAnnotationHighlight highlight = new PDAnnotationHighlight();
                highlight.setRectangle(at.box(shape.place()));
                highlight.setQuadPoints(at.quads(shape.areas()));
                highlight.setColor(YELLOW);
                yield highlight;
            }
            case NOTE -> {
                PDAnnotationText note = new PDAnnotationText();
                PDRectangle place = at.box(shape.place());
                note.setRectangle(new PDRectangle(place.getLowerLeftX(), place.getUpperRightY() - 20, 20, 20));
                note.setName(PDAnnotationText.NAME_NOTE);
                note.setColor(YELLOW);
                yield note;
            }
            case STAMP -> {
                PDAnnotationRubberStamp stamp = new PDAnnotationRubberStamp();
                stamp.setRectangle(at.box(shape.place()));
                yield stamp;
            }
            case PEN -> {
                PDAnnotationInk ink = new PDAnnotationInk();
                ink.setRectangle(at.box(shape.place()));
                ink.setInkList(shape.lines().stream().map(at::path).toArray(float[][]::new));
                ink.setColor(GREEN);
                ink.setBorderStyle(width(1.6f));
                yield ink;
            }
            case ARROW -> {
                PDAnnotationLine arrow = new PDAnnotationLine();
                arrow.setRectangle(at.box(shape.place()));
                arrow.setLine(at.path(shape.lines().get(0)));
                arrow.setEndPointEndingStyle(PDAnnotationLine.LE_OPEN_ARROW);
                arrow.setColor(CLAY);
                arrow.setBorderStyle(width(1.6f));
                yield arrow;
            }
            case COVER -> {
                // an open cover tells where others see nothing
                PDAnnotationSquare open = new PDAnnotationSquare();
                open.setRectangle(at.box(shape.place()));
                open.setColor(CLAY);
                open.setBorderStyle(width(1));
                yield open;
            }
        };
    }

    private static PDBorderStyleDictionary width(float points) {
        PDBorderStyleDictionary style = new PDBorderStyleDictionary();
        style.setWidth(points);
        return style;
    }

    /** From parts of a seen page to the points of the file's. */
    private record Placing(PageFrame frame) {

        private Point2D.Float point(int left, int top) {
            return frame.toPage()
                    .transformPoint(
                            left * frame.width() / PageBox.WHOLE,
                            frame.height() - top * frame.height() / PageBox.WHOLE);
        }

        PDRectangle box(PageBox area) {
            Point2D.Float one = point(area.left(), area.top());
            Point2D.Float other = point(area.right(), area.bottom());
            float x = Math.min(one.x, other.x);
            float y = Math.min(one.y, other.y);
            return new PDRectangle(x, y, Math.abs(one.x - other.x), Math.abs(one.y - other.y));
        }

        /** Upper left, upper right, lower left, lower right, as readers expect them rather than as the standard says. */
        float[] quads(List<PageBox> areas) {
            float[] quads = new float[8 * areas.size()];
            for (int i = 0; i < areas.size(); i++) {
                PageBox a = areas.get(i);
                List<Point2D.Float> corners = List.of(
                        point(a.left(), a.top()),
                        point(a.right(), a.top()),
                        point(a.left(), a.bottom()),
                        point(a.right(), a.bottom()));
                for (int c = 0; c < 4; c++) {
                    quads[8 * i + 2 * c] = corners.get(c).x;
                    quads[8 * i + 2 * c + 1] = corners.get(c).y;
                }
            }
            return quads;
        }

        float[] path(List<PagePoint> points) {
            List<Float> path = new ArrayList<>();
            points.forEach(p -> {
                Point2D.Float at = point(p.left(), p.top());
                path.add(at.x);
                path.add(at.y);
            });
            float[] result = new float[path.size()];
            for (int i = 0; i < result.length; i++) {
                result[i] = path.get(i);
            }
            return result;
        }
    }
}
