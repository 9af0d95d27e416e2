package app.denfold.paper;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.MultiFormatWriter;
import com.google.zxing.WriterException;
import com.google.zxing.client.j2se.MatrixToImageWriter;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import javax.imageio.ImageIO;

/** Pages as a scanner makes them, drawn for the tests: A4 at 200 dots an inch, grey. */
public final class DrawnPages {

    static final int WIDTH = 1_654;
    static final int HEIGHT = 2_339;

    private DrawnPages() {}

    public static BufferedImage empty() {
        BufferedImage page = new BufferedImage(WIDTH, HEIGHT, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D g = page.createGraphics();
        g.setColor(new Color(0xf4f4f4));
        g.fillRect(0, 0, WIDTH, HEIGHT);
        g.dispose();
        return page;
    }

    public static BufferedImage text(List<String> lines) {
        BufferedImage page = empty();
        Graphics2D g = page.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        g.setColor(Color.BLACK);
        g.setFont(new Font(Font.SANS_SERIF, Font.PLAIN, 34));
        for (int i = 0; i < lines.size(); i++) {
            g.drawString(lines.get(i), 180, 260 + 60 * i);
        }
        g.dispose();
        return page;
    }

    public static BufferedImage code(BarcodeFormat format, String words, double degrees) throws WriterException {
        boolean stripes = format == BarcodeFormat.CODE_128 || format == BarcodeFormat.CODE_39;
        BufferedImage code = MatrixToImageWriter.toBufferedImage(
                new MultiFormatWriter().encode(words, format, stripes ? 700 : 420, stripes ? 160 : 420));
        BufferedImage page = empty();
        Graphics2D g = page.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        g.rotate(Math.toRadians(degrees), 1_000, 1_500);
        g.drawImage(code, 1_000 - code.getWidth() / 2, 1_500 - code.getHeight() / 2, null);
        g.dispose();
        return page;
    }

    /** Slightly turned, with specks. */
    public static BufferedImage scanned(BufferedImage page, double degrees, long seed) {
        BufferedImage scan = empty();
        Graphics2D g = scan.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        g.rotate(Math.toRadians(degrees), WIDTH / 2.0, HEIGHT / 2.0);
        g.drawImage(page, 0, 0, null);
        g.dispose();
        Random random = new Random(seed);
        for (int i = 0; i < 2_500; i++) {
            scan.setRGB(random.nextInt(WIDTH), random.nextInt(HEIGHT), random.nextInt(160) * 0x010101 | 0xFF000000);
        }
        return scan;
    }

    public static Path png(Path folder, BufferedImage page) throws IOException {
        Path file = Files.createTempFile(folder, "page", ".png");
        ImageIO.write(page, "png", file.toFile());
        return file;
    }
}
