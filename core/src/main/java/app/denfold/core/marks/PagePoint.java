package app.denfold.core.marks;

/** A point of a page in ten-thousandths of its width and height, from the upper left corner. */
public record PagePoint(int left, int top) {

    /** Where it stands once the page is turned clockwise. @param degrees as for {@link PageBox#turned} */
    PagePoint turned(int degrees) {
        return switch (Math.floorMod(degrees, 360) / 90) {
            case 1 -> new PagePoint(PageBox.WHOLE - top, left);
            case 2 -> new PagePoint(PageBox.WHOLE - left, PageBox.WHOLE - top);
            case 3 -> new PagePoint(top, PageBox.WHOLE - left);
            default -> this;
        };
    }

    /** Whether it lies within the page. */
    public boolean fitsOnPage() {
        return left >= 0 && top >= 0 && left <= PageBox.WHOLE && top <= PageBox.WHOLE;
    }
}
