package app.denfold.paper.copies;

import app.denfold.core.marks.PageBox;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.Rectangle;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Closes areas of drawn pages: every pixel of them becomes black, and the reason is written on them where it fits. */
final class CoverAreas {

    /** Of a pixel's brightness, that writing and reading it as JPEG may change. */
    private static final int MOST_CHANGE = 96;

    private static final Color INK = Color.BLACK;
    private static final Color WORDS = new Color(225, 225, 225);

    private CoverAreas() {}

    static Rectangle on(BufferedImage page, PageBox area) {
        int left = (int) Math.floor((double) area.left() * page.getWidth() / PageBox.WHOLE);
        int top = (int) Math.floor((double) area.top() * page.getHeight() / PageBox.WHOLE);
        int right = (int) Math.ceil((double) area.right() * page.getWidth() / PageBox.WHOLE);
        int bottom = (int) Math.ceil((double) area.bottom() * page.getHeight() / PageBox.WHOLE);
        return new Rectangle(left, top, right - left, bottom - top)
                .intersection(new Rectangle(page.getWidth(), page.getHeight()));
    }

    static void close(BufferedImage page, PageBox area) {
        Graphics2D graphics = page.createGraphics();
        graphics.setColor(INK);
        graphics.fill(on(page, area));
        graphics.dispose();
    }

    static void name(BufferedImage page, PageBox area, @Nullable String reason) {
        Rectangle place = on(page, area);
        int size = Math.min(26, place.height - 4);
        if (reason == null || size < 9) {
            return;
        }
        Graphics2D graphics = page.createGraphics();
        graphics.setFont(new Font(Font.SANS_SERIF, Font.PLAIN, size));
        int width = graphics.getFontMetrics().stringWidth(reason);
        if (width + 8 <= place.width) {
            graphics.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
            graphics.setColor(WORDS);
            graphics.drawString(
                    reason,
                    place.x + (place.width - width) / 2,
                    place.y
                            + (place.height
                                            + graphics.getFontMetrics().getAscent()
                                            - graphics.getFontMetrics().getDescent())
                                    / 2);
        }
        graphics.dispose();
    }

    /** Whether nothing but the covers is seen where they lie. */
    static boolean areClosed(BufferedImage page, List<Cover> covers) {
        BufferedImage expected = new BufferedImage(page.getWidth(), page.getHeight(), BufferedImage.TYPE_BYTE_GRAY);
        covers.forEach(c -> c.areas().forEach(a -> close(expected, a)));
        covers.forEach(c -> c.areas().forEach(a -> name(expected, a, c.reason())));
        return covers.stream()
                .flatMap(c -> c.areas().stream())
                .allMatch(a -> isAsExpected(page, expected, on(page, a)));
    }

    private static boolean isAsExpected(BufferedImage page, BufferedImage expected, Rectangle place) {
        for (int y = place.y; y < place.y + place.height; y++) {
            for (int x = place.x; x < place.x + place.width; x++) {
                if (grey(page.getRGB(x, y)) - grey(expected.getRGB(x, y)) > MOST_CHANGE) {
                    return false;
                }
            }
        }
        return true;
    }

    private static int grey(int rgb) {
        return (77 * (rgb >> 16 & 255) + 150 * (rgb >> 8 & 255) + 29 * (rgb & 255)) >> 8;
    }
}
