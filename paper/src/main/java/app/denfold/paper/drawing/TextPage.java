package app.denfold.paper.drawing;

import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;

/** Draws words on a page of A4. */
public final class TextPage {

    private TextPage() {}

    public static BufferedImage draw(String text, int width) {
        int height = Math.round(width * 1.414f);
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D g = image.createGraphics();
        g.setColor(Color.WHITE);
        g.fillRect(0, 0, width, height);
        g.setColor(new Color(0x23302C));
        g.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        float margin = width * 0.07f;
        float step = (height - 2 * margin) / TextOfPaper.LINES;
        g.setFont(new Font(Font.MONOSPACED, Font.PLAIN, 1)
                .deriveFont((width - 2 * margin) / TextOfPaper.COLUMNS / 0.602f));
        float y = margin + step * 0.8f;
        for (String line : text.lines().toList()) {
            g.drawString(line, margin, y);
            y += step;
        }
        g.dispose();
        return image;
    }
}
