package app.denfold.paper.reading;

/**
 * Where a word stands on the upright page, in ten-thousandths of its width and height, from the upper left corner. A word
 * that was not seen on the page has no size.
 */
public record WordBox(int left, int top, int width, int height) {

    /** The whole width, or height, of a page. */
    public static final int WHOLE = 10_000;

    public static final WordBox NOWHERE = new WordBox(0, 0, 0, 0);

    /** Of a part of a page, in any one unit; what reaches over its edge is left out. */
    static WordBox of(double left, double top, double right, double bottom, double pageWidth, double pageHeight) {
        int x = scaled(left, pageWidth);
        int y = scaled(top, pageHeight);
        return new WordBox(x, y, scaled(right, pageWidth) - x, scaled(bottom, pageHeight) - y);
    }

    private static int scaled(double at, double whole) {
        return whole <= 0 ? 0 : (int) Math.round(Math.min(1, Math.max(0, at / whole)) * WHOLE);
    }
}
