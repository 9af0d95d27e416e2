package app.denfold.paper.drawing;

import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.util.Matrix;

/**
 * A PDF page as it is seen: its size in points after turning, and the way from seen coordinates (origin at the lower
 * left) to the page's own.
 */
public record PageFrame(float width, float height, Matrix toPage) {

    public static PageFrame of(PDPage page) {
        PDRectangle box = page.getCropBox();
        float w = box.getWidth();
        float h = box.getHeight();
        float x = box.getLowerLeftX();
        float y = box.getLowerLeftY();
        return switch (Math.floorMod(page.getRotation(), 360)) {
            case 90 -> new PageFrame(h, w, new Matrix(0, 1, -1, 0, x + w, y));
            case 180 -> new PageFrame(w, h, new Matrix(-1, 0, 0, -1, x + w, y + h));
            case 270 -> new PageFrame(h, w, new Matrix(0, -1, 1, 0, x, y + h));
            default -> new PageFrame(w, h, new Matrix(1, 0, 0, 1, x, y));
        };
    }
}
