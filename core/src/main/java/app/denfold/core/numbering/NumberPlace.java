package app.denfold.core.numbering;

import app.denfold.core.marks.PageBox;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Where on a page its number stands, as the page is seen. */
public enum NumberPlace {
    BOTTOM_RIGHT,
    BOTTOM_MIDDLE,
    BOTTOM_LEFT,
    TOP_RIGHT,
    TOP_MIDDLE,
    TOP_LEFT;

    private static final Map<NumberPlace, List<NumberPlace>> ORDERS =
            Stream.of(values()).collect(Collectors.toMap(p -> p, NumberPlace::order));

    /**
     * A place of a number.
     *
     * @param isFree whether nothing stands there
     */
    public record Chosen(NumberPlace place, PageBox box, boolean isFree) {}

    private boolean isTop() {
        return ordinal() >= TOP_RIGHT.ordinal();
    }

    /**
     * The box of a number here, in ten-thousandths of the page.
     *
     * @param width of the number
     * @param height of the number
     * @param edgeWide its distance from the side of the page
     * @param edgeHigh its distance from the upper or lower end of the page
     */
    public PageBox box(int width, int height, int edgeWide, int edgeHigh) {
        int left =
                switch (ordinal() % 3) {
                    case 0 -> PageBox.WHOLE - edgeWide - width;
                    case 1 -> (PageBox.WHOLE - width) / 2;
                    default -> edgeWide;
                };
        return new PageBox(left, isTop() ? edgeHigh : PageBox.WHOLE - edgeHigh - height, width, height);
    }

    /** This one first, then the others at the same end of the page, then those at the other end. */
    public List<NumberPlace> inOrder() {
        return Objects.requireNonNull(ORDERS.get(this));
    }

    private List<NumberPlace> order() {
        return Stream.of(values())
                .sorted(Comparator.comparing((NumberPlace p) -> p != this)
                        .thenComparing(p -> p.isTop() != isTop())
                        .thenComparing(Enum::ordinal))
                .toList();
    }

    /**
     * The first place in order at which nothing stands; where something stands at each of them, that at which the least does.
     *
     * @param boxes of the number, one for each place, in the order of {@link #inOrder}
     * @param taken parts of the page at which something stands
     */
    public Chosen free(List<PageBox> boxes, Collection<PageBox> taken) {
        List<NumberPlace> order = inOrder();
        Chosen best = null;
        double least = Double.MAX_VALUE;
        for (int i = 0; i < order.size(); i++) {
            PageBox box = boxes.get(i);
            double covered = 0;
            for (PageBox part : taken) {
                if (box.overlaps(part)) {
                    covered += box.partIn(part);
                }
            }
            if (covered == 0) {
                return new Chosen(order.get(i), box, true);
            }
            if (covered < least) {
                least = covered;
                best = new Chosen(order.get(i), box, false);
            }
        }
        return Objects.requireNonNull(best);
    }
}
