package app.denfold.core.marks;

import java.util.Collection;

/** A part of a page in ten-thousandths of its width and height, from the upper left corner. */
public record PageBox(int left, int top, int width, int height) {

    /** The whole width, or height, of a page. */
    public static final int WHOLE = 10_000;

    public int right() {
        return left + width;
    }

    public int bottom() {
        return top + height;
    }

    /** Whether it has a size and lies within the page. */
    public boolean fitsOnPage() {
        return left >= 0 && top >= 0 && width > 0 && height > 0 && right() <= WHOLE && bottom() <= WHOLE;
    }

    /** Whether they have more than an edge in common. */
    public boolean overlaps(PageBox other) {
        return left < other.right() && other.left < right() && top < other.bottom() && other.top < bottom();
    }

    /** How much of this lies within the other: 0 for nothing to 1 for all of it; 0 for a box without size. */
    public double partIn(PageBox other) {
        double both = (double) Math.max(0, Math.min(right(), other.right()) - Math.max(left, other.left))
                * Math.max(0, Math.min(bottom(), other.bottom()) - Math.max(top, other.top));
        double own = (double) width * height;
        return own <= 0 ? 0 : both / own;
    }

    /** Whether their middles are at about the same height, as words of one line are. */
    boolean isInLineWith(PageBox other) {
        int middle = top + height / 2;
        int others = other.top + other.height / 2;
        return (middle > other.top && middle < other.bottom()) || (others > top && others < bottom());
    }

    /** The smallest that holds all of them. @throws IllegalArgumentException for none */
    public static PageBox around(Collection<PageBox> boxes) {
        if (boxes.isEmpty()) {
            throw new IllegalArgumentException("Nothing has no place");
        }
        int left = boxes.stream().mapToInt(PageBox::left).min().getAsInt();
        int top = boxes.stream().mapToInt(PageBox::top).min().getAsInt();
        int right = boxes.stream().mapToInt(PageBox::right).max().getAsInt();
        int bottom = boxes.stream().mapToInt(PageBox::bottom).max().getAsInt();
        return new PageBox(left, top, right - left, bottom - top);
    }

    /** Larger by so much at each side, as far as the page goes. */
    PageBox grown(int sideways, int upAndDown) {
        int x = Math.max(0, left - sideways);
        int y = Math.max(0, top - upAndDown);
        return new PageBox(x, y, Math.min(WHOLE, right() + sideways) - x, Math.min(WHOLE, bottom() + upAndDown) - y);
    }

    /**
     * Where it stands once the page is turned clockwise.
     *
     * @param degrees a multiple of 90; others are taken for the one below
     */
    public PageBox turned(int degrees) {
        return switch (Math.floorMod(degrees, 360) / 90) {
            case 1 -> new PageBox(WHOLE - top - height, left, height, width);
            case 2 -> new PageBox(WHOLE - left - width, WHOLE - top - height, width, height);
            case 3 -> new PageBox(top, WHOLE - left - width, height, width);
            default -> this;
        };
    }
}
