package app.denfold.paper.forms;

import app.denfold.paper.drawing.PageFrame;
import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.Optional;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationWidget;

/**
 * Where a field stands on its page as it is seen, also on one that is turned.
 *
 * @param page from 1; the rest in parts of the page's width and height, from the upper left corner
 */
public record SeenBox(int page, double left, double top, double width, double height) {

    /** @param smallest side, in points, that can be written in @return empty for one that nobody sees */
    public static Optional<SeenBox> of(PDDocument document, PDAnnotationWidget widget, float smallest) {
        PDRectangle box = widget.getRectangle();
        int at = pageOf(document, widget);
        if (at < 0 || box == null || box.getWidth() < smallest || box.getHeight() < smallest || widget.isHidden()) {
            return Optional.empty();
        }
        PageFrame frame = PageFrame.of(document.getPage(at));
        try {
            AffineTransform seen = frame.toPage().createAffineTransform().createInverse();
            Rectangle2D on = seen.createTransformedShape(new Rectangle2D.Float(
                            box.getLowerLeftX(), box.getLowerLeftY(), box.getWidth(), box.getHeight()))
                    .getBounds2D();
            double left = on.getMinX() / frame.width();
            double top = 1 - on.getMaxY() / frame.height();
            if (left < 0 || top < 0 || left >= 1 || top >= 1) {
                return Optional.empty();
            }
            return Optional.of(new SeenBox(
                    at + 1,
                    left,
                    top,
                    Math.min(on.getWidth() / frame.width(), 1 - left),
                    Math.min(on.getHeight() / frame.height(), 1 - top)));
        } catch (NoninvertibleTransformException noArea) {
            return Optional.empty();
        }
    }

    /** Widgets need not say on which page they stand; then the page says which widgets it has. */
    private static int pageOf(PDDocument document, PDAnnotationWidget widget) {
        PDPage told = widget.getPage();
        if (told != null) {
            return document.getPages().indexOf(told);
        }
        int at = 0;
        for (PDPage page : document.getPages()) {
            try {
                if (page.getAnnotations().stream().anyMatch(a -> a.getCOSObject() == widget.getCOSObject())) {
                    return at;
                }
            } catch (IOException unreadable) {
                return -1;
            }
            at++;
        }
        return -1;
    }

    /** The same in the page's own coordinates, in points. */
    static PDRectangle onPage(PDPage page, double left, double top, double width, double height) {
        PageFrame frame = PageFrame.of(page);
        Rectangle2D seen = new Rectangle2D.Double(
                left * frame.width(),
                (1 - top - height) * frame.height(),
                width * frame.width(),
                height * frame.height());
        Rectangle2D own = frame.toPage()
                .createAffineTransform()
                .createTransformedShape(seen)
                .getBounds2D();
        return new PDRectangle((float) own.getX(), (float) own.getY(), (float) own.getWidth(), (float) own.getHeight());
    }
}
