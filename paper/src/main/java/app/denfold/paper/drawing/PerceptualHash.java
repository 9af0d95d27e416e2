package app.denfold.paper.drawing;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.awt.image.ByteLookupTable;
import java.awt.image.LookupOp;
import java.awt.image.Raster;

/** How a page looks as a whole: whether anything is on it, and a hash that a second scan of it nearly shares. */
public final class PerceptualHash {

    private static final int COLUMNS = 17;
    private static final int ROWS = 16;

    /** Share of the page that may be dark on an empty one: dust, and the shadow of a fold. */
    private static final double DUST = 0.0006;

    /** Share of the page below which there is not even a word on it. */
    private static final double SPECK = 0.00005;

    /** Ink so much darker than the paper is seen at once; of 256 steps. */
    private static final int CLEARLY = 60;

    /** So much darker may still be writing, as of pencil or a worn carbon copy. */
    private static final int FAINTLY = 16;

    private PerceptualHash() {}

    /** How much is on a page. */
    public enum Ink {
        /** Nothing but dust and shadows. */
        NONE,
        /** So little of it, or so little darker than the paper, that it may be dust as well as writing. */
        FAINT,
        CLEAR
    }

    /**
     * How much is on the page. Its edges are left out, where scanners leave shadows and holes.
     *
     * @param grey one byte a pixel
     */
    public static Ink ink(BufferedImage grey) {
        int paper = background(grey);
        if (isDarker(grey, paper - CLEARLY, DUST)) {
            return Ink.CLEAR;
        }
        return isDarker(grey, paper - FAINTLY, SPECK) ? Ink.FAINT : Ink.NONE;
    }

    private static boolean isDarker(BufferedImage grey, int limit, double share) {
        Raster raster = grey.getRaster();
        int left = grey.getWidth() / 20;
        int top = grey.getHeight() / 20;
        int[] row = new int[grey.getWidth() - 2 * left];
        long dark = 0;
        long all = 0;
        for (int y = top; y < grey.getHeight() - top; y++) {
            raster.getSamples(left, y, row.length, 1, 0, row);
            int run = 0;
            for (int value : row) {
                // single dark pixels are noise; ink is at least two wide
                run = value < limit ? run + 1 : 0;
                dark += run == 2 ? 2 : run > 2 ? 1 : 0;
            }
            all += row.length;
        }
        return dark >= share * all;
    }

    /** The same page with faint ink made dark: the brightness of the paper becomes white, that of faint ink black. */
    public static BufferedImage raised(BufferedImage grey) {
        int paper = background(grey) - FAINTLY / 2;
        int ink = Math.max(0, paper - CLEARLY);
        byte[] to = new byte[256];
        for (int value = 0; value < to.length; value++) {
            int stretched = (value - ink) * 255 / Math.max(1, paper - ink);
            to[value] = (byte) Math.max(0, Math.min(255, stretched));
        }
        return new LookupOp(new ByteLookupTable(0, to), null).filter(grey, null);
    }

    /** The most frequent brightness. */
    private static int background(BufferedImage grey) {
        int[] counts = new int[256];
        Raster raster = grey.getRaster();
        int[] row = new int[grey.getWidth()];
        for (int y = 0; y < grey.getHeight(); y += 7) {
            raster.getSamples(0, y, row.length, 1, 0, row);
            for (int value : row) {
                counts[value & 0xFF]++;
            }
        }
        int most = 255;
        for (int i = 0; i < counts.length; i++) {
            most = counts[i] > counts[most] ? i : most;
        }
        return most;
    }

    /** For each of 16 rows of 17 fields, whether a field is brighter than its right neighbour; 256 bits. */
    public static String hash(BufferedImage grey) {
        BufferedImage small = new BufferedImage(COLUMNS, ROWS, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D g = small.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        g.drawImage(halved(grey), 0, 0, COLUMNS, ROWS, null);
        g.dispose();
        StringBuilder hash = new StringBuilder(COLUMNS * ROWS / 4);
        for (int y = 0; y < ROWS; y++) {
            int bits = 0;
            for (int x = 0; x + 1 < COLUMNS; x++) {
                boolean brighter =
                        small.getRaster().getSample(x, y, 0) > small.getRaster().getSample(x + 1, y, 0) + 2;
                bits = bits << 1 | (brighter ? 1 : 0);
            }
            hash.append(String.format("%04x", bits));
        }
        return hash.toString();
    }

    /** Halves the picture until it is small, so that every pixel counts in the end. */
    private static BufferedImage halved(BufferedImage grey) {
        BufferedImage now = grey;
        while (now.getWidth() > 4 * COLUMNS && now.getHeight() > 4 * ROWS) {
            BufferedImage half =
                    new BufferedImage(now.getWidth() / 2, now.getHeight() / 2, BufferedImage.TYPE_BYTE_GRAY);
            Graphics2D g = half.createGraphics();
            g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
            g.drawImage(now, 0, 0, half.getWidth(), half.getHeight(), null);
            g.dispose();
            now = half;
        }
        return now;
    }
}
