package app.denfold.paper.drawing;

import java.awt.Graphics2D;
import java.awt.Rectangle;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;

/** The parts of a page that are densely printed: where a code may be. */
public final class BusyParts {

    private static final int CELL = 12;
    private static final int SMALLEST = 5 * CELL;
    private static final int LARGEST = 1_400;
    private static final int MOST = 12;
    /** Cells so near each other belong together: wide gaps between stripes are part of a code. */
    private static final int GAP = 3;

    /** The least dark share of a part that may be a code: one in so many. */
    private static final int DENSE = 6;

    private static final int MARGIN = 2 * CELL;

    private BusyParts() {}

    /** Cut out with a margin, small ones enlarged; the largest first. */
    public static List<BufferedImage> of(BufferedImage grey) {
        boolean[][] busy = busyCells(grey);
        List<Rectangle> found = new ArrayList<>();
        for (int y = 0; y < busy.length; y++) {
            for (int x = 0; x < busy[y].length; x++) {
                if (busy[y][x]) {
                    Rectangle cells = take(busy, x, y);
                    Rectangle part =
                            new Rectangle(cells.x * CELL, cells.y * CELL, cells.width * CELL, cells.height * CELL);
                    if (mayBeCode(part) && isDense(grey, part)) {
                        found.add(part);
                    }
                }
            }
        }
        found.sort(Comparator.comparingInt((Rectangle r) -> r.width * r.height).reversed());
        return found.stream().limit(MOST).map(part -> cut(grey, part)).toList();
    }

    private static boolean mayBeCode(Rectangle part) {
        return part.width >= SMALLEST && part.height >= SMALLEST && part.width <= LARGEST && part.height <= LARGEST;
    }

    /** Codes are about half dark, and a quarter with the corners around a turned one; lines of text are less. */
    private static boolean isDense(BufferedImage grey, Rectangle part) {
        int[] row = new int[part.width];
        long dark = 0;
        for (int y = part.y; y < part.y + part.height; y += 2) {
            grey.getRaster().getSamples(part.x, y, part.width, 1, 0, row);
            for (int value : row) {
                dark += value < 128 ? 1 : 0;
            }
        }
        return dark * 2 * DENSE > (long) part.width * part.height;
    }

    /** Cells in which much, though not all, is dark. */
    private static boolean[][] busyCells(BufferedImage grey) {
        boolean[][] busy = new boolean[grey.getHeight() / CELL][grey.getWidth() / CELL];
        int[] pixels = new int[CELL * CELL];
        for (int y = 0; y < busy.length; y++) {
            for (int x = 0; x < busy[y].length; x++) {
                grey.getRaster().getSamples(x * CELL, y * CELL, CELL, CELL, 0, pixels);
                int dark = 0;
                for (int value : pixels) {
                    dark += value < 128 ? 1 : 0;
                }
                busy[y][x] = dark * 5 > pixels.length;
            }
        }
        return busy;
    }

    /** Takes a group of cells that are near each other out of the grid. */
    private static Rectangle take(boolean[][] busy, int fromX, int fromY) {
        Rectangle bounds = new Rectangle(fromX, fromY, 1, 1);
        Deque<int[]> open = new ArrayDeque<>();
        open.add(new int[] {fromX, fromY});
        busy[fromY][fromX] = false;
        while (!open.isEmpty()) {
            int[] cell = open.poll();
            bounds.add(new Rectangle(cell[0], cell[1], 1, 1));
            for (int y = Math.max(0, cell[1] - GAP); y <= Math.min(busy.length - 1, cell[1] + GAP); y++) {
                for (int x = Math.max(0, cell[0] - GAP); x <= Math.min(busy[y].length - 1, cell[0] + GAP); x++) {
                    if (busy[y][x]) {
                        busy[y][x] = false;
                        open.add(new int[] {x, y});
                    }
                }
            }
        }
        return bounds;
    }

    private static BufferedImage cut(BufferedImage grey, Rectangle part) {
        Rectangle wide = new Rectangle(part);
        wide.grow(MARGIN, MARGIN);
        wide = wide.intersection(new Rectangle(grey.getWidth(), grey.getHeight()));
        int scale = wide.width < 300 ? 2 : 1;
        BufferedImage image = new BufferedImage(wide.width * scale, wide.height * scale, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D g = image.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        g.drawImage(
                grey.getSubimage(wide.x, wide.y, wide.width, wide.height),
                0,
                0,
                image.getWidth(),
                image.getHeight(),
                null);
        g.dispose();
        return image;
    }
}
