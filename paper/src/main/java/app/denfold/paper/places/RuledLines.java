package app.denfold.paper.places;

import app.denfold.paper.places.WritingPlace.Kind;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;

/** Lines on a page that are drawn to write on: thin, level, not across the whole page, with nothing above, in no table. */
final class RuledLines {

    /** Darker is ink. */
    private static final int DARK = 150;

    private static final double SHORTEST = 0.12;
    private static final double LONGEST = 0.75;

    /** Of a page a thousand pixels wide, in pixels. */
    private static final int THICKEST = 4;

    private static final int GAP = 5;
    private static final int FREE = 14;
    private static final int SIDE = 10;

    private RuledLines() {}

    static List<WritingPlace> of(BufferedImage page, int number) {
        boolean[][] ink = ink(page);
        int width = page.getWidth();
        int height = page.getHeight();
        List<WritingPlace> lines = new ArrayList<>();
        for (int y = FREE; y < height; y++) {
            int x = 0;
            while (x < width) {
                int end = endOfRun(ink[y], x, width);
                boolean begins = end > x && !isInk(ink, (x + end) / 2, y - 1);
                if (begins && isForWriting(ink, x, end, y, width, height)) {
                    lines.add(new WritingPlace(
                            Kind.LINE,
                            number,
                            (double) x / width,
                            (double) y / height,
                            (double) (end - x) / width,
                            (double) THICKEST / height,
                            ""));
                }
                x = Math.max(end, x) + 1;
            }
        }
        return lines;
    }

    private static boolean[][] ink(BufferedImage page) {
        boolean[][] ink = new boolean[page.getHeight()][page.getWidth()];
        for (int y = 0; y < page.getHeight(); y++) {
            for (int x = 0; x < page.getWidth(); x++) {
                int rgb = page.getRGB(x, y);
                ink[y][x] = (rgb >> 16 & 0xFF) + (rgb >> 8 & 0xFF) + (rgb & 0xFF) < 3 * DARK;
            }
        }
        return ink;
    }

    private static boolean isInk(boolean[][] ink, int x, int y) {
        return y >= 0 && y < ink.length && x >= 0 && x < ink[y].length && ink[y][x];
    }

    /** Exclusive; small gaps, as in dotted lines, are within it. */
    private static int endOfRun(boolean[] row, int from, int width) {
        if (!row[from]) {
            return from;
        }
        int end = from + 1;
        for (int x = from + 1; x < width && x - end <= GAP; x++) {
            if (row[x]) {
                end = x + 1;
            }
        }
        return end;
    }

    private static boolean isForWriting(boolean[][] ink, int from, int to, int y, int width, int height) {
        double part = (double) (to - from) / width;
        return part >= SHORTEST
                && part <= LONGEST
                && isThin(ink, from, to, y, height)
                && isFreeAbove(ink, from, to, y)
                && !hasSide(ink, from, y)
                && !hasSide(ink, to - 1, y);
    }

    private static boolean isThin(boolean[][] ink, int from, int to, int y, int height) {
        if (y + THICKEST >= height) {
            return false;
        }
        int dark = 0;
        for (int x = from; x < to; x++) {
            dark += ink[y + THICKEST][x] ? 1 : 0;
        }
        return dark < (to - from) / 3;
    }

    private static boolean isFreeAbove(boolean[][] ink, int from, int to, int y) {
        int dark = 0;
        for (int above = y - FREE; above < y - 1; above++) {
            for (int x = from; x < to; x++) {
                dark += ink[above][x] ? 1 : 0;
            }
        }
        return dark * 100 < (to - from) * FREE;
    }

    /** A line that goes up or down there: the corner of a box or of a table. */
    private static boolean hasSide(boolean[][] ink, int at, int y) {
        for (int x = at - 2; x <= at + 2; x++) {
            if (isUpright(ink, x, y - SIDE) || isUpright(ink, x, y + THICKEST)) {
                return true;
            }
        }
        return false;
    }

    private static boolean isUpright(boolean[][] ink, int x, int from) {
        for (int y = from; y < from + SIDE; y++) {
            if (!isInk(ink, x, y)) {
                return false;
            }
        }
        return true;
    }
}
