package app.denfold.core.marks;

/** A point of a page in ten-thousandths of its width and height, from the upper left corner. */
public record PagePoint(int left, int top) {

    /** Whether it lies within the page. */
    public boolean fitsOnPage() {
        return left >= 0 && top >= 0 && left <= PageBox.WHOLE && top <= PageBox.WHOLE;
    }
}
